'use client';
import { useCallback, useMemo, useState } from 'react';
import styled from 'styled-components';
import type { Moment } from '@/core/forecast/watch';
import { compile } from '@/core/rules/playing/compile';
import { replay } from '@/core/rules/playing/replay';
import type { Game } from '@/core/rules/format/game';
import { measure, type Result } from '@/core/rules/playing/measure';
import type { CountingWay, PlayEvent } from '@/core/rules/format/play';
import { eventsFromFields, partFields } from '@/core/reports/parts';
import { lookForsOf } from '@/core/sheet/teaching-points';
import { Button, QuietButton } from '@/ui/button';
import { Watch } from './watch';
import { Counter } from '../counter/counter';
import type { LookMarks } from '@/core/reports/marked-looks';
import { LookFors } from '../counter/look-fors';
import { PartsEntry } from '../counter/parts-entry';
import { usePlay, type Before } from '../counter/use-play';
import { WholeScore, Working } from '../counter/working';
import { Centred } from '../counter/counter-style';

const Phone = styled.section`
  display: flex;
  flex-direction: column;
  gap: var(--space-4);
  --phone: min(640px, max(520px, calc(100vh - 342px)));
  position: relative;
  z-index: 2;
  height: var(--phone);
  /* It lies on what is below, so that nothing jumps. */
  margin-bottom: calc(440px - var(--phone));
  padding: var(--space-5) var(--space-6);
  border: 1.5px solid var(--ink);
  border-radius: var(--radius-2);
  background: var(--paper);
  font-family: var(--font-child), sans-serif;
  overflow-y: auto;
  & > h2 {
    font-size: var(--type-3);
    font-weight: 400;
    color: var(--ink-soft);
  }
`;

const Ways = styled.div`
  display: flex;
  flex-direction: column;
  gap: var(--space-4);
  font-family: var(--font-desk), sans-serif;
`;

export interface TryItProps {
  /** The game at the level that is shown. */
  readonly level: Game;
  readonly levelName: string;
  readonly ageYears: number;
  /** Where child and ball are, of a play that is watched. */
  readonly onMoment: (moment: Moment | null) => void;
  /** Keeps a score as the one to beat; absent for who may not change the game. */
  readonly onToBeat?: ((value: number, unit: string) => void) | undefined;
  readonly onClose: () => void;
}

type Stage =
  | { readonly on: 'ways' }
  | { readonly on: 'play'; readonly counting: CountingWay; readonly number: number }
  | { readonly on: 'parts' }
  | { readonly on: 'watch' }
  | { readonly on: 'done'; readonly events: readonly PlayEvent[]; readonly result: Result };

/** The teacher plays the level with the very counter that the family has. */
export function TryIt({ level, levelName, ageYears, onMoment, onToBeat, onClose }: TryItProps) {
  const [stage, setStage] = useState<Stage>({ on: 'ways' });
  const [kept, setKept] = useState(false);
  const [marks, setMarks] = useState<LookMarks>({});
  const looks = useMemo(() => lookForsOf(level), [level]);
  const compiled = useMemo(() => compile(level), [level]);
  if (!compiled.ok) return <Phone aria-label="Try it">{compiled.problems[0]!.reason}</Phone>;
  const program = compiled.value;
  const hitsOnly = program.parts.length === 1 && program.parts[0]!.successesTell;
  return (
    <Phone aria-label="Try it">
      <h2>
        {level.title} · {levelName} · try it
      </h2>
      {stage.on === 'ways' && (
        <Ways>
          <p>The same counter as at home. Who counts?</p>
          <Button $strong onPress={() => setStage({ on: 'play', counting: 'attempts', number: 1 })}>
            A helper taps every try
          </Button>
          {hitsOnly && <Button onPress={() => setStage({ on: 'play', counting: 'successes', number: 1 })}>A helper taps what goes well</Button>}
          <Button onPress={() => setStage({ on: 'parts' })}>Nobody: it is written down at the end</Button>
          <Button onPress={() => setStage({ on: 'watch' })}>Watch a simulated child play it</Button>
          <QuietButton onPress={onClose}>Back to the rules</QuietButton>
        </Ways>
      )}
      {stage.on === 'watch' && <Watch level={level} ageYears={ageYears} onMoment={onMoment} onClose={() => setStage({ on: 'ways' })} />}
      {stage.on === 'play' && (
        <Playing key={stage.number} level={level} counting={stage.counting} onDone={(events, result) => setStage({ on: 'done', events, result })} />
      )}
      {stage.on === 'parts' && (
        <Parts
          level={level}
          onDone={(typed) => {
            const events = eventsFromFields(level, partFields(level), typed);
            setStage({ on: 'done', events, result: measure(program, replay(program, events, 'parts').state) });
          }}
        />
      )}
      {stage.on === 'done' && (
        <>
          <WholeScore result={stage.result} />
          {stage.result.finished === 'stopped' && stage.result.value !== null && <Centred>Ended before the end.</Centred>}
          <Working program={program} events={stage.events} result={stage.result} />
          {stage.result.sides.length > 1 && !stage.result.team && (
            <Centred>{stage.result.sides.map((value, side) => `${side === 0 ? 'you' : `player ${side + 1}`} ${value ?? '–'}`).join(', ')}</Centred>
          )}
          {looks.length > 0 && (
            <>
              <h3>What did you see?</h3>
              <LookFors lookFors={looks} marks={marks} onMark={(look, mark) => setMarks({ ...marks, [look]: mark })} />
            </>
          )}
          <Ways>
            {onToBeat && stage.result.value !== null && (
              <Button
                isDisabled={kept}
                onPress={() => {
                  onToBeat(stage.result.value!, stage.result.unit);
                  setKept(true);
                }}
              >
                {kept ? 'Kept as the score to beat' : `Keep ${stage.result.value} as the score to beat`}
              </Button>
            )}
            <Button
              $strong
              onPress={() => {
                setKept(false);
                setStage({ on: 'ways' });
              }}
            >
              Again
            </Button>
            <QuietButton onPress={onClose}>Back to the rules</QuietButton>
          </Ways>
        </>
      )}
    </Phone>
  );
}

const FROM_THE_START: Before = { events: [] };

function Playing({
  level,
  counting,
  onDone,
}: {
  level: Game;
  counting: CountingWay;
  onDone: (events: readonly PlayEvent[], result: Result) => void;
}) {
  const keep = useCallback(() => undefined, []);
  const play = usePlay(level, FROM_THE_START, keep, counting);
  if (play.moves.over)
    return (
      <Ways>
        <WholeScore result={play.result} />
        <Button $strong onPress={() => onDone(play.events, play.result)}>
          See the working
        </Button>
        <QuietButton onPress={play.takeBack}>Undo the last</QuietButton>
      </Ways>
    );
  return <Counter play={play} exerciseSwapped={false} />;
}

function Parts({ level, onDone }: { level: Game; onDone: (typed: readonly (number | null)[]) => void }) {
  const fields = useMemo(() => partFields(level), [level]);
  const [typed, setTyped] = useState<readonly (number | null)[]>(() => fields.map(() => null));
  return (
    <>
      <PartsEntry game={level} fields={fields} typed={typed} onTyped={setTyped} />
      <Ways>
        <Button $strong onPress={() => onDone(typed)}>
          That is right
        </Button>
      </Ways>
    </>
  );
}
