'use client';
import { useState, type Dispatch } from 'react';
import styled from 'styled-components';
import type { Game, Teaching, ToldPoint } from '@/core/rules/format/game';
import { cautionsFor } from '@/core/sheet/set-up';
import {
  isHanded,
  lookForsOf,
  openedFor,
  pointsToTell,
  SKILL_NAMES,
  skillsOf,
  teachingPoints,
  type Hand,
  type Skill,
} from '@/core/sheet/teaching-points';
import { QuietButton } from '@/ui/button';
import { MovementLoop } from '../drawing/movement';
import { Footprints } from '../drawing/footprints';
import type { DraftAction } from './draft';

const Stack = styled.div`
  display: flex;
  flex-direction: column;
  gap: var(--space-5);
  font-size: var(--type-2);
  & h3 {
    font-size: var(--type-3);
  }
  & ul {
    margin: 0;
    padding-left: var(--space-6);
  }
  & .row {
    display: flex;
    justify-content: space-between;
    gap: var(--space-5);
    align-items: baseline;
  }
`;

const Point = styled.div`
  display: grid;
  grid-template-columns: 64px 1fr;
  gap: var(--space-4);
  padding: var(--space-3) 0;
  border-top: 1px solid var(--line);
  & textarea,
  & input {
    width: 100%;
    padding: 1px var(--space-1);
    border: 0;
    border-bottom: 1.5px solid var(--line-strong);
    background: transparent;
    font: inherit;
    resize: none;
    field-sizing: content;
  }
  & textarea:focus,
  & input:focus {
    border-bottom-color: var(--gorse);
  }
  & input {
    font-weight: 700;
  }
  & small {
    color: var(--ink-soft);
  }
`;

const Lines = styled.div`
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
  & input {
    width: 100%;
    padding: var(--space-1);
    border: 0;
    border-bottom: 1.5px solid var(--line-strong);
    background: transparent;
  }
  & input:focus {
    border-bottom-color: var(--gorse);
  }
  & div {
    display: flex;
    gap: var(--space-4);
  }
`;

const MOST_LOOKS = 4;
const MOST_CAUTIONS = 8;

/** What is taught with the game: each movement in four frames, its points in the teacher's words, what to look for, and the cautions. */
export function SkillLeaf({ game, dispatch, readOnly }: { game: Game; dispatch: Dispatch<DraftAction>; readOnly: boolean }) {
  const [hand, setHand] = useState<Hand>('right');
  const skills = skillsOf(game);
  const teach = (change: Partial<Teaching>) => {
    const teaching: Record<string, unknown> = { ...game.teaching, ...change };
    for (const key of Object.keys(teaching)) if (teaching[key] === undefined) delete teaching[key];
    const { teaching: _old, ...rest } = game;
    dispatch({ do: 'mend', game: Object.keys(teaching).length === 0 ? rest : { ...rest, teaching: teaching as Teaching } });
  };
  const looks = lookForsOf(game);
  return (
    <Stack>
      {skills.length === 0 && <p>This game has no movement with teaching points of ours. You can still say what to look for.</p>}
      {skills.map((skill) => (
        <section key={skill}>
          <div className="row">
            <h3>{SKILL_NAMES[skill]}</h3>
            {isHanded(game, skill) && <QuietButton onPress={() => setHand(hand === 'right' ? 'left' : 'right')}>shown for the {hand}</QuietButton>}
          </div>
          <MovementLoop skill={skill} hand={hand} height={104} />
          {teachingPoints(game, skill, hand).map((point, index) => (
            <Point key={index}>
              {point.frontFoot ? <Footprints front={point.frontFoot} hand={hand} width={58} /> : <strong>{point.word}</strong>}
              {readOnly ? (
                <div>
                  <b>{point.word}.</b> {point.point} <small>Look: {point.look}</small> <small>{point.fault}</small>
                </div>
              ) : (
                <ToldSlots
                  game={game}
                  skill={skill}
                  hand={hand}
                  index={index}
                  onTold={(points) => teach({ points: { ...game.teaching?.points, [skill]: points } })}
                />
              )}
            </Point>
          ))}
          {game.teaching?.points?.[skill] && !readOnly && (
            <QuietButton
              onPress={() => {
                const { [skill]: _mine, ...others } = game.teaching!.points!;
                teach({ points: Object.keys(others).length > 0 ? others : undefined } as Partial<Teaching>);
              }}
            >
              Back to our words
            </QuietButton>
          )}
        </section>
      ))}
      <section>
        <h3>What to look for</h3>
        <small>Up to four, marked yes, sometimes or not yet by the child, an adult or you.</small>
        <EditableLines
          key={JSON.stringify(looks)}
          lines={looks}
          most={MOST_LOOKS}
          label="What to look for"
          readOnly={readOnly}
          onLines={(lines) => teach({ lookFors: lines })}
        />
      </section>
      <section>
        <h3>Cautions sent with it</h3>
        <ul>
          {cautionsFor({ ...game, teaching: {} }).map((caution) => (
            <li key={caution}>{caution}</li>
          ))}
        </ul>
        <EditableLines
          key={JSON.stringify(game.teaching?.cautions ?? [])}
          lines={game.teaching?.cautions ?? []}
          most={MOST_CAUTIONS}
          label="A caution of yours"
          readOnly={readOnly}
          onLines={(lines) => teach({ cautions: lines.length > 0 ? lines : undefined } as Partial<Teaching>)}
        />
      </section>
    </Stack>
  );
}

/** The four things that are told of a point, in the words of one hand; they are kept so that they hold for the other too. */
function ToldSlots({
  game,
  skill,
  hand,
  index,
  onTold,
}: {
  game: Game;
  skill: Skill;
  hand: Hand;
  index: number;
  onTold: (points: readonly ToldPoint[]) => void;
}) {
  const points = pointsToTell(game, skill);
  const shown = teachingPoints(game, skill, hand)[index]!;
  const change = (key: keyof ToldPoint, value: string) => {
    const kept = value.replaceAll('\n', ' ').trim();
    if (kept !== '' && kept !== shown[key]) onTold(points.map((one, at) => (at === index ? { ...one, [key]: openedFor(kept, hand) } : one)));
  };
  const of = `point ${index + 1} of ${SKILL_NAMES[skill]}`;
  const area = (key: 'point' | 'look' | 'fault', label: string, most: number) => (
    <textarea
      key={shown[key]}
      aria-label={`${label}, ${of}`}
      defaultValue={shown[key]}
      rows={1}
      maxLength={most}
      onBlur={(event) => change(key, event.target.value)}
    />
  );
  return (
    <div>
      <input
        key={shown.word}
        aria-label={`A word to say aloud, ${of}`}
        defaultValue={shown.word}
        maxLength={24}
        onBlur={(event) => change('word', event.target.value)}
      />
      {area('point', 'What to do', 150)}
      <small>look for</small> {area('look', 'What to look for', 110)}
      <small>usual fault</small> {area('fault', 'The usual fault', 150)}
    </div>
  );
}

function EditableLines({
  lines,
  most,
  label,
  readOnly,
  onLines,
}: {
  lines: readonly string[];
  most: number;
  label: string;
  readOnly: boolean;
  onLines: (lines: readonly string[]) => void;
}) {
  const [more, setMore] = useState(false);
  if (readOnly)
    return (
      <ul>
        {lines.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
    );
  const change = (index: number, value: string) => {
    const kept = value.trim();
    setMore(false);
    if (kept === (lines[index] ?? '')) return;
    onLines(
      kept === ''
        ? lines.filter((_, at) => at !== index)
        : index < lines.length
          ? lines.map((line, at) => (at === index ? kept : line))
          : [...lines, kept],
    );
  };
  return (
    <Lines>
      {[...lines, ...(more ? [''] : [])].map((line, index) => (
        <div key={index}>
          <input
            aria-label={`${label}, ${index + 1}`}
            defaultValue={line}
            maxLength={80}
            autoFocus={more && index === lines.length}
            onBlur={(event) => change(index, event.target.value)}
            onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
          />
          {line !== '' && (
            <QuietButton aria-label={`Leave out: ${line}`} onPress={() => change(index, '')}>
              leave out
            </QuietButton>
          )}
        </div>
      ))}
      {lines.length < most && !more && (
        <span>
          <QuietButton onPress={() => setMore(true)}>One more</QuietButton>
        </span>
      )}
    </Lines>
  );
}
