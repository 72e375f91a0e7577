'use client';
import { useRouter } from 'next/navigation';
import { useDeferredValue, useMemo, useState, type ReactNode } from 'react';
import { useController, useWatch, type Control } from 'react-hook-form';
import { Label, Radio, RadioGroup, type RadioGroupProps } from 'react-aria-components';
import styled from 'styled-components';
import { beginSchema } from '@/contract/new-game';
import { AIMED, IMPLEMENTS, type AimedId, type ImplementId } from '@/core/objects/catalogue';
import { MOVEMENTS } from '@/core/sheet/movements';
import { SKILLS, type Skill } from '@/core/sheet/teaching-points';
import { houseOf, nameOfBegun, type BeginFrom } from '@/core/ways/begin';
import { wayById } from '@/core/ways/ways';
import { narrow } from '@/design/breakpoints';
import { Button } from '@/ui/button';
import { TextField } from '@/ui/field';
import { FormPick, FormProblem, FormText } from '@/ui/form/fields';
import { tookIt, useSchemaForm } from '@/ui/form/schema-form';
import { Notice } from '@/ui/notice';
import { NumberSlot } from '@/ui/number-slot';
import { Page, PageHead } from '@/ui/page';
import { send } from '@/ui/post';
import { useAlive } from '@/ui/use-alive';
import { Views } from '../chart-table/cupboard-views';
import { CourseDrawing } from '../drawing/course-drawing';
import { LevelExpected } from './level-expected';
import { WhereFrom } from '@/ui/where-from';
import { Figure, FIGURE_H, FIGURE_W } from '../drawing/figure';
import { BallView } from '../drawing/side-view';
import { ballsFor, firstChoice, seen, SKILL_WORDS, targetsFor, waysFor, withSkillChosen, withWayChosen, type GameSoFar } from './new-game-model';

const Columns = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 400px;
  gap: var(--space-8);
  align-items: start;
  @media ${narrow} {
    grid-template-columns: 1fr;
  }
`;

const Beside = styled.aside`
  position: sticky;
  top: var(--space-6);
  display: flex;
  flex-direction: column;
  gap: var(--space-5);
  & svg.chart {
    display: block;
    width: 100%;
    max-height: 260px;
    background: var(--sheet);
    border: 1px solid var(--ink);
  }
  & dl {
    display: grid;
    grid-template-columns: auto 1fr auto;
    gap: var(--space-2) var(--space-5);
    align-items: center;
    margin: 0;
  }
  & dt,
  & dd {
    margin: 0;
  }
`;

const Acts = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-5);
`;

/** Not to be chosen from before the page is alive: a choice that would be lost cannot be made. */
function AliveGroup(props: RadioGroupProps) {
  return <RadioGroup {...props} isDisabled={!useAlive()} />;
}

const Group = styled(AliveGroup)`
  display: block;
  margin-bottom: var(--space-7);
  & > .head {
    display: flex;
    align-items: baseline;
    gap: var(--space-5);
    margin-bottom: var(--space-4);
    font-size: var(--type-3);
    font-weight: 600;
  }
`;

const Cards = styled.div<{ $least: number }>`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(${({ $least }) => $least}px, 1fr));
  gap: var(--space-4);
`;

const Soft = styled.p`
  margin: var(--space-4) 0 var(--space-3);
  font-size: var(--type-1);
  color: var(--ink-soft);
`;

const Card = styled(Radio)`
  position: relative;
  display: flex;
  flex-direction: column;
  align-items: center;
  gap: var(--space-2);
  padding: var(--space-3);
  border: 1px solid var(--line-strong);
  border-radius: var(--radius-1);
  background: var(--sheet);
  font-size: var(--type-1);
  line-height: 1.25;
  text-align: center;
  cursor: pointer;
  &[data-hovered] {
    border-color: var(--ink);
  }
  &[data-selected] {
    border-color: var(--ink);
    box-shadow: inset 0 -4px 0 var(--gorse);
    font-weight: 600;
  }
  &[data-focus-visible] {
    outline: 3px solid var(--focus);
    outline-offset: 2px;
  }
`;

const WayCard = styled(Card)`
  flex-direction: row;
  align-items: center;
  gap: var(--space-5);
  text-align: left;
  & svg.chart {
    flex: none;
    width: 104px;
    height: 68px;
    border: 1px solid var(--line);
    background: var(--sheet);
  }
  & small {
    display: block;
    margin-top: var(--space-1);
    font-size: var(--type-1);
    font-weight: 400;
    color: var(--ink-soft);
  }
`;

/** The frame of a movement that tells it from the others. */
const tellingFrame = (skill: Skill) => (skill === 'kick' || skill === 'lift' ? 1 : 2);

function SkillCards({ value, onChange }: { value: Skill; onChange: (skill: Skill) => void }) {
  return (
    <Group value={value} onChange={(skill) => onChange(skill as Skill)}>
      <Label className="head">The movement</Label>
      <Cards $least={138}>
        {SKILLS.map((skill) => (
          <Card key={skill} value={skill}>
            <svg width={96} height={78} viewBox={`-20 20 ${FIGURE_W + 40} ${FIGURE_H - 14}`} aria-hidden>
              <Figure frame={MOVEMENTS[skill][tellingFrame(skill)]!} mirrored={false} />
            </svg>
            {SKILL_WORDS[skill]}
          </Card>
        ))}
      </Cards>
    </Group>
  );
}

function WayCards({ from, onChange }: { from: BeginFrom; onChange: (way: string) => void }) {
  return (
    <Group value={from.way} onChange={onChange}>
      <Label className="head">The way to play</Label>
      <Cards $least={300}>
        {waysFor(from.skill).map((way) => (
          <WayCard key={way.id} value={way.id}>
            <CourseDrawing id={way.id} course={way.from.course} parts={way.from.parts} drawnPx={280} wordless />
            <span>
              {way.name}
              <small>{way.says}</small>
            </span>
          </WayCard>
        ))}
      </Cards>
    </Group>
  );
}

/** A search is of use where there is more than can be seen at a glance. */
const MANY = 10;

/** What is in the house, drawn, in groups. */
function HouseCards<Id extends string>({
  label,
  value,
  many,
  groups,
  onChange,
  draw,
}: {
  label: string;
  value: Id;
  many: boolean;
  groups: (wanted: string) => readonly { words: string; ids: readonly Id[] }[];
  onChange: (id: Id) => void;
  draw: (id: Id) => ReactNode;
}) {
  const [wanted, setWanted] = useState('');
  const found = groups(wanted);
  return (
    <Group value={value} onChange={(id) => onChange(id as Id)}>
      <Label className="head">{label}</Label>
      {many && <TextField label={`Find among these: ${label.toLocaleLowerCase('en-GB')}`} value={wanted} onChange={setWanted} />}
      {found.length === 0 && <Soft>Nothing here is called “{wanted}”.</Soft>}
      {found.map(({ words, ids }) => (
        <div key={words}>
          <Soft>{words}</Soft>
          <Cards $least={108}>
            {ids.map((id) => (
              <Card key={id} value={id}>
                {draw(id)}
              </Card>
            ))}
          </Cards>
        </div>
      ))}
    </Group>
  );
}

function Chances({ now }: { now: GameSoFar }) {
  return (
    <>
      <CourseDrawing
        id="begun"
        course={now.course}
        radii={now.radii}
        parts={now.game.parts}
        drawnPx={400}
        label="The floor at its middle level, from above"
      />
      <Soft>
        {now.of} <WhereFrom what="such figures" label={now.game.title} quiet lines={() => now.figures()} />
      </Soft>
      <dl>
        {now.levels.map((level, index) => (
          <LevelExpected key={level.name} {...level} but={now.reached[index] ? '' : ': the floor allows no more'} />
        ))}
      </dl>
    </>
  );
}

function Floor({ control, way }: { control: Control<BeginFrom>; way: string }) {
  const {
    field: { value, onChange },
  } = useController({ control, name: 'floor' });
  const { widthM, depthM } = value ?? wayById(way)!.from.course.floor;
  const side = (label: string, of: number, change: (metres: number) => object) => (
    <NumberSlot
      label={label}
      value={of}
      min={1}
      max={40}
      step={0.1}
      decimals={1}
      onChange={(metres) => onChange({ widthM, depthM, ...change(metres) })}
    />
  );
  return (
    <p>
      On a floor {side('Metres wide', widthM, (metres) => ({ widthM: metres }))} m wide and{' '}
      {side('Metres deep', depthM, (metres) => ({ depthM: metres }))} m deep.
    </p>
  );
}

/** A new game: the movement first, then a way to play it, then what is in the house; the floor with its chances beside it all the time. */
export function NewGame({ ages }: { ages: readonly { name: string; ageYears: number }[] }) {
  const router = useRouter();
  const form = useSchemaForm(beginSchema, firstChoice(ages[0]?.ageYears ?? 8));
  const { control, setValue } = form;
  const from = useWatch({ control }) as BeginFrom;
  const put = (next: BeginFrom) => {
    for (const [key, value] of Object.entries(next)) setValue(key as keyof BeginFrom, value as never, { shouldDirty: true });
  };
  const shown = useDeferredValue(from);
  const now = useMemo(() => seen(shown), [shown]);
  const way = wayById(from.way)!;
  const { balls, targets } = houseOf(way);
  const create = (blank: boolean) =>
    form.handleSubmit(async (chosen) => {
      const title = nameOfBegun(chosen);
      const body = blank ? { blank, title: chosen.title.trim() || 'Untitled game', ageYears: chosen.ageYears } : { ...chosen, title };
      const answer = await send<{ id: string }>('POST', '/api/v1/games', body);
      if (tookIt(form, answer) && answer.value) router.push(`/games/${answer.value.id}`);
    })();
  const busy = form.formState.isSubmitting;
  const childs = new Map<number, string>(ages.map((age) => [age.ageYears, `${age.name}, about ${age.ageYears}`]));
  for (let age = 4; age <= 12; age += 1) if (!childs.has(age)) childs.set(age, `about ${age} years`);
  const cautions = [IMPLEMENTS[from.implement].caution, from.target && AIMED[from.target].caution].filter(Boolean);
  return (
    <Page>
      <PageHead>
        <h1>A new game</h1>
        <span className="about">from a movement and what is in the house</span>
      </PageHead>
      <Columns>
        <div>
          <SkillCards value={from.skill} onChange={(skill) => put(withSkillChosen(from, skill))} />
          <WayCards from={from} onChange={(id) => put(withWayChosen(from, id))} />
          {targets.length > 0 && (
            <HouseCards<AimedId>
              key={`at ${from.way}`}
              label="Aimed at"
              value={from.target ?? targets[0]!}
              many={targets.length > MANY}
              groups={(wanted) => targetsFor(way, wanted)}
              onChange={(target) => setValue('target', target)}
              draw={(id) => (
                <>
                  <Views object={id} width={92} height={44} scale={90} />
                  {AIMED[id].name}
                </>
              )}
            />
          )}
          <HouseCards<ImplementId>
            key={`with ${from.way}`}
            label="Played with"
            value={from.implement}
            many={balls.length > MANY}
            groups={(wanted) => ballsFor(way, wanted)}
            onChange={(implement) => setValue('implement', implement)}
            draw={(id) => (
              <>
                <svg width={56} height={44} viewBox="-14 -11 28 22" aria-hidden>
                  <BallView ball={id} radiusM={Math.min(0.1, IMPLEMENTS[id].radiusM)} line={0.6} />
                </svg>
                {IMPLEMENTS[id].name}
              </>
            )}
          />
        </div>
        <Beside aria-label="As it is so far">
          <Chances now={now} />
          <FormPick control={control} name="ageYears" label="For" choices={[...childs].map(([value, label]) => ({ value, label }))} />
          <Floor control={control} way={from.way} />
          <FormText control={control} name="title" label={`Name of the game, else “${way.name}”`} maxLength={60} />
          {cautions.map((caution) => (
            <Notice key={caution} $tone="caution">
              {caution}
            </Notice>
          ))}
          <FormProblem form={form} />
          <Acts>
            <Button $strong isDisabled={busy} onPress={() => void create(false)}>
              {busy ? 'Setting it out …' : 'Set it out'}
            </Button>
            <Button isDisabled={busy} onPress={() => void create(true)}>
              Start from a blank floor
            </Button>
          </Acts>
        </Beside>
      </Columns>
    </Page>
  );
}
