'use client';
/** What goes with the games: warm-up, movement diary, film task, a word to the families. */
import { useWatch, type Control } from 'react-hook-form';
import { WARM_UPS } from '@/core/sheet/warm-ups';
import { Select } from '@/ui/field';
import { FormText, FormTick, Ticked } from '@/ui/form/fields';
import { USUAL_DIARY } from '../weeks/usual-week';
import type { Plan } from './model';
import { Pair, WarmUpRow } from './style';

const USUAL_FILM = 'Three throws from the side, so that feet and arm are seen.';
const OWN_WARM_UP = 'Five minutes: ';

type Put = (change: Partial<Plan>) => void;

export function WeekAround({ control, put }: { control: Control<Plan>; put: Put }) {
  const [warmUp, film] = useWatch({ control, name: ['warmUp', 'film'] });
  return (
    <>
      <WarmUpRow>
        <Select
          label="Warm-up"
          value={warmUp === '' ? 'none' : (WARM_UPS.find((one) => one.words === warmUp)?.id ?? 'own')}
          choices={[
            ...WARM_UPS.map((one) => ({ value: one.id, label: one.name })),
            { value: 'own', label: 'own words' },
            { value: 'none', label: 'none' },
          ]}
          onChange={(id) => put({ warmUp: id === 'none' ? '' : (WARM_UPS.find((one) => one.id === id)?.words ?? OWN_WARM_UP) })}
        />
        <FormText control={control} name="warmUp" label="In words" maxLength={280} />
      </WarmUpRow>
      <Pair>
        <Optional control={control} name="diary" label="Movement diary" usual={USUAL_DIARY} put={put} />
        <div>
          <Optional control={control} name="film" label="Film task, at most 15 seconds" usual={USUAL_FILM} put={put} />
          {film !== '' && <FormTick control={control} name="filmAlone" label="The film is the task: no score is asked" />}
        </div>
      </Pair>
      <FormText
        control={control}
        name="page"
        label="A film or page of your own (if you like)"
        description="Its address, beginning with https. Families see where it leads; an adult opens it, nothing is loaded from it here."
        maxLength={280}
      />
      <FormText control={control} name="note" label="A word to the families (if you like)" maxLength={280} />
    </>
  );
}

/** A text that is there or not. */
function Optional({ control, name, label, usual, put }: { control: Control<Plan>; name: 'diary' | 'film'; label: string; usual: string; put: Put }) {
  const on = useWatch({ control, name }) !== '';
  return (
    <div>
      <Ticked label={label} on={on} onChange={(wanted) => put({ [name]: wanted ? usual : '' })} />
      {on && <FormText control={control} name={name} label="In words" maxLength={280} />}
    </div>
  );
}
