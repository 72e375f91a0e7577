'use client';
import type { Uuid } from '@/contract/ids';
import { weekSchema } from '@/contract/week';
import { useState } from 'react';
import { dayPlus } from '@/core/measure/days';
import styled from 'styled-components';
import type { Fitted, OthersMeasured } from '@/core/progress/fit';
import { parRestsWords } from '@/core/progress/skill-words';
import type { Game } from '@/core/rules/format/game';
import { Button, ButtonLink } from '@/ui/button';
import { Dialog, DialogActions } from '@/ui/dialog';
import { FormDay, FormProblem, FormSelect, FormText } from '@/ui/form/fields';
import { tookIt, useSchemaForm } from '@/ui/form/schema-form';
import { send } from '@/ui/post';
import { USUAL_DIARY, USUAL_WARM_UP } from '../weeks/usual-week';

const Aside = styled.p`
  font-size: var(--type-2);
  color: var(--ink-soft);
`;

export interface ClassChoice {
  readonly id: Uuid;
  readonly name: string;
  readonly ageYears: number;
  readonly children: number;
  /** How steady it is by its own reports; absent while they are too few. */
  readonly fitted?: Fitted;
}

const Pair = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: var(--space-5);
`;

interface Sent {
  readonly id: string;
  readonly number: number;
  readonly children: number;
  readonly classId: string;
  readonly className: string;
}

export interface SendDialogProps {
  readonly isOpen: boolean;
  readonly onClose: () => void;
  readonly gameId: Uuid;
  readonly game: Game;
  readonly level: number;
  readonly classes: readonly ClassChoice[];
  readonly ageYears: number;
  /** What others measured with the game as it is. */
  readonly others?: OthersMeasured;
  readonly today: string;
  readonly saveFirst: () => Promise<boolean>;
  /** Tables of pins worked out on this desk, sent along so that par is the one that is shown here. */
  readonly racks: Readonly<Record<string, string>>;
}

/** The button that was pressed is gone: the keyboard goes on from here. */
function focusWhenShown(link: HTMLAnchorElement | null): void {
  link?.focus();
}

/** Picks a class and a due day, and sends. */
export function SendDialog({ isOpen, onClose, ...more }: SendDialogProps) {
  const [sent, setSent] = useState<Sent | null>(null);
  const close = () => {
    setSent(null);
    onClose();
  };
  if (sent)
    return (
      <Dialog title={`Sent to ${sent.className}`} isOpen={isOpen} onClose={close}>
        <p>
          Week {sent.number} is on {sent.children} cards now. Families open it with the link or code that they have for this term.
        </p>
        <DialogActions>
          <ButtonLink href={`/classes/${sent.classId}/links`}>Links and codes</ButtonLink>
          <ButtonLink href={`/weeks/${sent.id}`}>Paper and texts</ButtonLink>
          <ButtonLink $strong href={`/scores?class=${sent.classId}`} ref={focusWhenShown}>
            Scores of this week
          </ButtonLink>
        </DialogActions>
      </Dialog>
    );
  return (
    <Dialog title={`Send ${more.game.title}`} isOpen={isOpen} onClose={close}>
      {more.classes.length === 0 ? (
        <>
          <p>There is no class yet. Make one and add its children first.</p>
          <DialogActions>
            <ButtonLink $strong href="/classes">
              Go to Classes
            </ButtonLink>
          </DialogActions>
        </>
      ) : (
        <SendForm {...more} onSent={setSent} onClose={close} />
      )}
    </Dialog>
  );
}

function SendForm({
  gameId,
  game,
  level,
  classes,
  ageYears,
  others,
  today,
  saveFirst,
  racks,
  onSent,
  onClose,
}: Omit<SendDialogProps, 'isOpen'> & { onSent: (sent: Sent) => void }) {
  const likely = classes.find((one) => one.ageYears === ageYears && one.children > 0) ?? classes.find((one) => one.children > 0) ?? classes[0]!;
  const form = useSchemaForm(weekSchema, {
    classId: likely.id,
    games: [{ gameId, levelId: game.levels[level]!.id }],
    title: '',
    kit: [],
    dueOn: dayPlus(today, 7),
    warmUp: USUAL_WARM_UP,
    diary: USUAL_DIARY,
    film: '',
    filmAlone: false,
    note: '',
    racks: {},
  });
  const chosen = classes.find((one) => one.id === form.watch('classId'));
  const submit = form.handleSubmit(async (week) => {
    if (!(await saveFirst())) return form.setError('root', { message: 'The game could not be saved first. Nothing was sent.' });
    const answer = await send<Omit<Sent, 'classId' | 'className'>>('POST', '/api/v1/weeks', { ...week, racks });
    if (tookIt(form, answer) && answer.value) onSent({ ...answer.value, classId: week.classId, className: chosen?.name ?? 'the class' });
  });
  const { control } = form;
  return (
    <>
      <Pair>
        <FormSelect
          control={control}
          name="classId"
          label="Class"
          choices={classes.map((one) => ({ value: one.id, label: `${one.name}, ${one.children} children` }))}
        />
        <FormDay control={control} name="dueOn" label="Due on" least={today} />
      </Pair>
      <FormSelect control={control} name="games.0.levelId" label="Level" choices={game.levels.map((one) => ({ value: one.id, label: one.name }))} />
      <FormText control={control} name="warmUp" label="Warm-up, before the game" maxLength={280} />
      <FormText control={control} name="diary" label="Movement diary" maxLength={280} />
      <FormText control={control} name="note" label="A word to the families (if you like)" maxLength={280} />
      <Aside>
        Each child gets the distances in their own steps and a par to go with them. {parRestsWords(chosen?.fitted, others)} The game as it is now is
        kept; later changes make a new version.
      </Aside>
      <FormProblem form={form} />
      <DialogActions>
        <Button onPress={onClose}>Not yet</Button>
        <Button $strong isDisabled={form.formState.isSubmitting} onPress={() => void submit()}>
          {form.formState.isSubmitting ? 'Sending …' : 'Send'}
        </Button>
      </DialogActions>
    </>
  );
}
