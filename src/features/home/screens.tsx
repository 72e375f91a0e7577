'use client';
import { useMemo, useState } from 'react';
import styled from 'styled-components';
import { resolveLevel } from '@/core/rules/level';
import { eventsFromFields, partFields } from '@/core/reports/parts';
import type { Report } from '@/core/reports/report';
import { compile } from '@/core/rules/compile';
import { replay } from '@/core/rules/replay';
import { measure, type Result } from '@/core/rules/measure';
import type { CountingWay, PlayEvent } from '@/core/rules/play';
import { plainText, sentencesOf } from '@/core/rules/sentences';
import { setUpFor } from '@/core/sheet/set-up';
import { isHanded, lookForsOf, skillsOf, teachingPoints, type Hand } from '@/core/sheet/teaching-points';
import { readThrowRules } from '@/core/rules/throw-rules';
import type { Card, CardItem } from '@/server/home/card';
import { TextButton } from '../counter/counter-style';
import { PartsEntry } from '../counter/parts-entry';
import { LookFors, markedLooks, type LookMarks } from '../counter/look-fors';
import { WholeScore, Working } from '../counter/working';
import { Movement } from '../drawing/movement';
import { Footprints } from '../drawing/footprints';
import { Big, Bottom, Caution, Plain, Ruled, Screen, Tick, TopLine } from './home-style';
import { ReadAloud } from './read-aloud';
import { SetUpDrawing } from './set-up-drawing';
import type { KeptPlay } from './store';

export function levelOf(item: CardItem) {
  const index = Math.max(
    0,
    item.game.levels.findIndex((level) => level.id === item.levelId),
  );
  return { level: resolveLevel(item.game, index), name: item.game.levels[index]!.name };
}

function dayWords(day: string): string {
  return new Intl.DateTimeFormat('en-GB', { weekday: 'long', day: 'numeric', month: 'long', timeZone: 'UTC' }).format(new Date(`${day}T00:00:00Z`));
}

/** Which game, at which level, and whose page it is. */
export function Top({ item, name }: { item: CardItem; name: string }) {
  return (
    <TopLine>
      <span>
        {item.game.title} · {levelOf(item).name}
      </span>
      <span>{name}</span>
    </TopLine>
  );
}

const Kept = styled.p`
  padding: 8px 12px;
  border-left: 5px solid var(--tide);
  background: var(--sheet);
  font-size: 1.0313rem;
`;

const Row = styled.div`
  display: flex;
  align-items: center;
  gap: 14px;
`;

const Week = styled.section`
  display: flex;
  flex-direction: column;
  gap: 8px;
  padding: 14px 0 16px;
  border-bottom: 1px solid var(--line);
`;

export interface CardScreenProps {
  readonly card: Card;
  readonly plays: readonly KeptPlay[];
  readonly offline: string | null;
  readonly onOpen: (item: CardItem) => void;
}

/** The week's card: what to do, by when, and what the school has. */
export function CardScreen({ card, plays, offline, onOpen }: CardScreenProps) {
  const [now, ...earlier] = card.items;
  return (
    <Screen>
      <TopLine>
        <span>Lochside</span>
        <span>{card.child?.name}</span>
      </TopLine>
      {offline && <Kept role="status">{offline}</Kept>}
      {!now ? (
        <>
          <h1>Nothing here yet</h1>
          <p>The next game will be on this page. Keep the link.</p>
        </>
      ) : (
        <>
          <Week>
            <p>Week {now.week}</p>
            <h1>
              {now.game.title}, {levelOf(now).name}
            </h1>
            <p>By {dayWords(now.dueOn)}.</p>
            {now.note && <p>{now.note}</p>}
            <Received item={now} plays={plays} />
            <CardDrawing item={now} />
          </Week>
          <Ruled>
            {now.warmUp && (
              <li>
                <b>First</b>
                <small>{now.warmUp}</small>
              </li>
            )}
            <li>
              <b>Then {now.game.title}</b>
              <small>{now.game.aim}</small>
            </li>
            {now.diary && (
              <li>
                <b>All week</b>
                <small>{now.diary}</small>
              </li>
            )}
          </Ruled>
          {earlier.length > 0 && (
            <details>
              <summary style={{ minHeight: 44, cursor: 'pointer' }}>Play an earlier week again</summary>
              {earlier.map((item) => (
                <p key={item.assignmentId}>
                  <TextButton type="button" onClick={() => onOpen(item)}>
                    Week {item.week}: {item.game.title}
                  </TextButton>
                  {item.best !== null && ` · own best ${item.best}`}
                </p>
              ))}
            </details>
          )}
          <Bottom $inSight>
            <Big type="button" onClick={() => onOpen(now)}>
              Set it out
            </Big>
          </Bottom>
        </>
      )}
    </Screen>
  );
}

function CardDrawing({ item }: { item: CardItem }) {
  const { level } = levelOf(item);
  return <SetUpDrawing level={level} places={setUpFor(level, item.setUp.stepM).places} values={readThrowRules(level)?.values ?? []} />;
}

/** "14 points", "23 cm", "not finished". */
function scoreWords(total: number | null, unit: string): string {
  return total === null ? 'go, not finished,' : unit === 'mm' ? `${total / 10} cm` : `${total} ${unit}`;
}

/** Plainly: what has been received, and what still waits in this phone. */
function Received({ item, plays }: { item: CardItem; plays: readonly KeptPlay[] }) {
  const mine = plays.filter((play) => play.assignmentId === item.assignmentId);
  const waiting = mine.filter((play) => play.state === 'waiting');
  const refused = mine.filter((play) => play.state === 'refused');
  const received = Math.max(item.received, mine.filter((play) => play.state === 'received').length);
  return (
    <>
      {received > 0 && (
        <Kept>
          The school has {received === 1 ? '1 score' : `${received} scores`} from this week.{item.best !== null && ` Your own best is ${item.best}.`}
        </Kept>
      )}
      {waiting.length > 0 && (
        <Kept role="status">
          {waiting.length === 1 ? '1 score waits' : `${waiting.length} scores wait`} in this device. {waiting.length === 1 ? 'It goes' : 'They go'}{' '}
          off by {waiting.length === 1 ? 'itself' : 'themselves'} when there is a connection and this page is open.
        </Kept>
      )}
      {refused.map((play) => (
        <Kept key={play.playId} role="alert">
          {scoreWords(play.total, play.unit)} was not taken: {play.words}
        </Kept>
      ))}
    </>
  );
}

export interface SetUpScreenProps {
  readonly item: CardItem;
  readonly name: string;
  readonly onBack: () => void;
  readonly onNext: () => void;
}

export function SetUpScreen({ item, name, onBack, onNext }: SetUpScreenProps) {
  const { level } = levelOf(item);
  const setUp = setUpFor(level, item.setUp.stepM);
  const values = readThrowRules(level)?.values ?? [];
  return (
    <Screen>
      <Top item={item} name={name} />
      <h1>Set it out</h1>
      <SetUpDrawing level={level} places={setUp.places} values={values} />
      <Ruled>
        {setUp.directions.map((direction) => (
          <li key={direction}>{direction}</li>
        ))}
      </Ruled>
      <h2>You need</h2>
      <Ruled>
        {setUp.things.map((thing) => (
          <li key={thing.name}>
            {thing.name}
            <small>{thing.hint}</small>
          </li>
        ))}
      </Ruled>
      <ReadAloud words={`${setUp.things.map((thing) => thing.name).join(', ')}. ${setUp.directions.join(' ')}`} />
      <TextButton type="button" onClick={onBack}>
        Back
      </TextButton>
      <Bottom $inSight>
        <Big type="button" onClick={onNext}>
          It is set out
        </Big>
      </Bottom>
    </Screen>
  );
}

export function SafetyScreen({ item, name, agreed, onBack, onNext }: SetUpScreenProps & { agreed: boolean }) {
  const [yes, setYes] = useState(agreed);
  const { level } = levelOf(item);
  const { cautions } = setUpFor(level, item.setUp.stepM);
  return (
    <Screen>
      <Top item={item} name={name} />
      <h1>Safe to play?</h1>
      <p>Look at this with an adult.</p>
      <Caution>
        {cautions.map((caution) => (
          <li key={caution}>{caution}</li>
        ))}
      </Caution>
      <ReadAloud words={cautions.join(' ')} />
      <Bottom>
        <Tick>
          <input type="checkbox" checked={yes} onChange={(event) => setYes(event.target.checked)} />
          An adult says yes to this place
        </Tick>
        <Big type="button" disabled={!yes} onClick={onNext}>
          Go on
        </Big>
        <TextButton type="button" onClick={onBack}>
          Back
        </TextButton>
      </Bottom>
    </Screen>
  );
}

export interface PractiseScreenProps extends Omit<SetUpScreenProps, 'onNext'> {
  readonly hand: Hand;
  readonly onHand: (hand: Hand) => void;
  readonly sound: boolean;
  readonly onSound: (on: boolean) => void;
  readonly onStart: (counting: CountingWay) => void;
  readonly onParts: () => void;
}

export function PractiseScreen({ item, name, hand, onHand, sound, onSound, onBack, onStart, onParts }: PractiseScreenProps) {
  const { level } = levelOf(item);
  const skill = skillsOf(level)[0] ?? null;
  const points = teachingPoints(level, skill, hand);
  const rules = sentencesOf(level, 'child').map(plainText);
  const timed = level.parts[0]!.clock.kind === 'down';
  const hitsOnly = useMemo(() => {
    const compiled = compile(levelOf(item).level);
    return compiled.ok && compiled.value.parts.length === 1 && compiled.value.parts[0]!.successesTell;
  }, [item]);
  return (
    <Screen>
      <Top item={item} name={name} />
      <h1>Practise first</h1>
      {skill && <Movement skill={skill} hand={hand} height={92} />}
      {points.length === 0 && <p>Try it slowly once, without counting.</p>}
      {points.map((point) => (
        <Row key={point.word}>
          {point.frontFoot ? <Footprints front={point.frontFoot} hand={hand} /> : <b style={{ minWidth: 96, fontSize: '1.4rem' }}>{point.word}</b>}
          <p>
            {point.frontFoot && <b>{point.word}. </b>}
            {point.point} <small style={{ color: 'var(--ink-soft)' }}>{point.fault}</small>
          </p>
        </Row>
      ))}
      {skill && isHanded(level, skill) && (
        <TextButton type="button" onClick={() => onHand(hand === 'right' ? 'left' : 'right')}>
          I {skill === 'kick' || skill === 'lift' ? 'kick with my' : 'throw with my'} {hand === 'right' ? 'left' : 'right'}{' '}
          {skill === 'kick' || skill === 'lift' ? 'foot' : 'hand'}
        </TextButton>
      )}
      <h2>How to play</h2>
      <Ruled>
        {rules.map((rule) => (
          <li key={rule}>{rule}</li>
        ))}
      </Ruled>
      <ReadAloud words={[...points.map((point) => `${point.word}. ${point.point}`), ...rules].join(' ')} />
      <Bottom>
        {timed && (
          <Tick>
            <input type="checkbox" checked={sound} onChange={(event) => onSound(event.target.checked)} />
            Sound for the clock
          </Tick>
        )}
        <Big type="button" onClick={() => onStart('attempts')}>
          {timed ? 'Start the clock' : 'Start'}
        </Big>
        {hitsOnly && (
          <Plain type="button" onClick={() => onStart('successes')}>
            Start, and tap only what goes well
          </Plain>
        )}
        <TextButton type="button" onClick={onParts}>
          We counted without the page
        </TextButton>
        <TextButton type="button" onClick={onBack}>
          Back
        </TextButton>
      </Bottom>
    </Screen>
  );
}

/** Nothing was tapped: the parts of the score, written at the end. */
export function PartsScreen({
  item,
  name,
  onBack,
  onDone,
}: {
  item: CardItem;
  name: string;
  onBack: () => void;
  onDone: (typed: readonly (number | null)[]) => void;
}) {
  const { level } = levelOf(item);
  const fields = useMemo(() => partFields(level), [level]);
  const [typed, setTyped] = useState<readonly (number | null)[]>(() => fields.map(() => null));
  const sum = useMemo(() => {
    const compiled = compile(level);
    return compiled.ok ? measure(compiled.value, replay(compiled.value, eventsFromFields(level, fields, typed), 'parts').state).sum : '';
  }, [level, fields, typed]);
  return (
    <Screen>
      <Top item={item} name={name} />
      <h1>How did it go?</h1>
      <PartsEntry game={level} fields={fields} typed={typed} onTyped={setTyped} />
      <p style={{ fontSize: '1.4rem' }} role="status">
        {sum}
      </p>
      <Bottom>
        <Big type="button" onClick={() => onDone(typed)}>
          That is right
        </Big>
        <TextButton type="button" onClick={onBack}>
          Back
        </TextButton>
      </Bottom>
    </Screen>
  );
}

const Faces = styled.div`
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 10px;
  & button {
    display: flex;
    flex-direction: column;
    align-items: center;
    gap: 4px;
    padding: 8px 4px;
    min-height: 84px;
    border: 2px solid var(--line-strong);
    border-radius: 10px;
    background: var(--sheet);
    font-size: 1rem;
    cursor: pointer;
  }
  & button[aria-pressed='true'] {
    border-color: var(--ink);
    box-shadow: inset 0 -5px 0 var(--gorse);
    font-weight: 700;
  }
`;

const Initials = styled.label`
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 12px;
  & input {
    width: 6rem;
    min-height: 48px;
    padding: 4px 10px;
    border: 2px solid var(--ink);
    border-radius: 8px;
    background: var(--sheet);
    font-size: 1.3rem;
    text-transform: uppercase;
  }
`;

export type Felt = 'hard' | 'right' | 'easy';

const FELT: readonly { felt: Felt; words: string; water: number }[] = [
  { felt: 'hard', words: 'hard', water: 16 },
  { felt: 'right', words: 'just right', water: 28 },
  { felt: 'easy', words: 'easy', water: 40 },
];

/** A head in the water: over the mouth, up to the chin, well above. */
function Face({ water, felt }: { water: number; felt: Felt }) {
  const mouth = felt === 'hard' ? 'M17 31q7-6 14 0' : felt === 'right' ? 'M17 29h14' : 'M16 27q8 9 16 0';
  return (
    <svg width={48} height={50} viewBox="0 0 48 50" aria-hidden>
      <circle cx={24} cy={22} r={16} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={2} />
      <circle cx={18} cy={18} r={1.8} fill="var(--ink)" />
      <circle cx={30} cy={18} r={1.8} fill="var(--ink)" />
      <path d={mouth} fill="none" stroke="var(--ink)" strokeWidth={2} strokeLinecap="round" />
      <path d={`M0 ${water + 8}q6-5 12 0t12 0 12 0 12 0V50H0z`} fill="var(--band-4)" fillOpacity={0.75} stroke="var(--tide)" strokeWidth={1.5} />
    </svg>
  );
}

export interface ResultScreenProps {
  readonly item: CardItem;
  readonly name: string;
  readonly result: Result;
  readonly events: readonly PlayEvent[];
  readonly onAgain: () => void;
  readonly onSend: (felt: Felt | null, initials: string, looks: Report['looks']) => void;
}

/** Against the own best and against par, kindly. */
function praise(item: CardItem, { value, better, team }: Result): string {
  if (value === null) return 'Every go counts as having taken part.';
  if (team) return 'Well played together.';
  const ahead = (of: number) => (better === 'high' ? value > of : value < of);
  if (item.best !== null && ahead(item.best)) return `A new own best. It was ${item.best}.`;
  if (item.par === null) return 'That is written down. Can you beat it next time?';
  return ahead(item.par) || value === item.par
    ? `Par for you is ${item.par}: you are there.`
    : `Par for you is ${item.par}. Each go makes you surer.`;
}

export function ResultScreen({ item, name, result, events, onAgain, onSend }: ResultScreenProps) {
  const [felt, setFelt] = useState<Felt | null>(null);
  const [initials, setInitials] = useState('');
  const [marks, setMarks] = useState<LookMarks>({});
  const [by, setBy] = useState<'child' | 'adult'>('child');
  const looks = useMemo(() => lookForsOf(levelOf(item).level), [item]);
  const marked = markedLooks(looks, marks);
  const program = useMemo(() => {
    const compiled = compile(levelOf(item).level);
    return compiled.ok ? compiled.value : null;
  }, [item]);
  const words = praise(item, result);
  return (
    <Screen>
      <Top item={item} name={name} />
      <WholeScore result={result} />
      {result.finished === 'stopped' && result.value !== null && <p style={{ textAlign: 'center' }}>Not finished: that is written down too.</p>}
      {program && <Working program={program} events={events} result={result} />}
      <p style={{ textAlign: 'center' }}>{words}</p>
      {looks.length > 0 && (
        <>
          <h2>What did you see?</h2>
          <LookFors lookFors={looks} marks={marks} onMark={(look, mark) => setMarks({ ...marks, [look]: mark })} />
          {marked.length > 0 && (
            <TextButton type="button" onClick={() => setBy(by === 'child' ? 'adult' : 'child')}>
              {by === 'child' ? 'I marked it myself' : 'An adult marked it'}: change
            </TextButton>
          )}
        </>
      )}
      <h2>How was it?</h2>
      <Faces>
        {FELT.map((one) => (
          <button key={one.felt} type="button" aria-pressed={felt === one.felt} onClick={() => setFelt(felt === one.felt ? null : one.felt)}>
            <Face water={one.water} felt={one.felt} />
            {one.words}
          </button>
        ))}
      </Faces>
      <Initials>
        Adult&apos;s initials, if you like
        <input
          value={initials}
          maxLength={4}
          autoCapitalize="characters"
          autoComplete="off"
          onChange={(event) => setInitials(event.target.value.replace(/[^\p{L}]/gu, ''))}
        />
      </Initials>
      <Bottom>
        <Big type="button" onClick={() => onSend(felt, initials, marked.length > 0 ? { by, marks: marked } : undefined)}>
          Send to school
        </Big>
        <Plain type="button" onClick={onAgain}>
          Play again without sending
        </Plain>
      </Bottom>
    </Screen>
  );
}

export interface SentScreenProps {
  readonly item: CardItem;
  readonly name: string;
  readonly play: KeptPlay;
  readonly onTry: () => void;
  readonly onCard: () => void;
  readonly onAgain: () => void;
}

export function SentScreen({ item, name, play, onTry, onCard, onAgain }: SentScreenProps) {
  return (
    <Screen>
      <Top item={item} name={name} />
      <div role="status">
        {play.state === 'received' ? (
          <>
            <h1>The school has it</h1>
            <p style={{ marginTop: 10 }}>
              {scoreWords(play.total, play.unit)}, received at{' '}
              {new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' }).format(new Date(play.words))}.
            </p>
          </>
        ) : play.state === 'waiting' ? (
          <>
            <h1>Kept, not sent yet</h1>
            <p style={{ marginTop: 10 }}>
              There is no connection to the school. Your {scoreWords(play.total, play.unit)} stay in this device and go off by themselves when there
              is one and this page is open.
            </p>
          </>
        ) : (
          <>
            <h1>Not taken</h1>
            <p style={{ marginTop: 10 }}>{play.words}</p>
          </>
        )}
      </div>
      <p>Well played. Put everything back where it lives.</p>
      <Bottom>
        {play.state === 'waiting' && (
          <Big type="button" onClick={onTry}>
            Try to send now
          </Big>
        )}
        <Plain type="button" onClick={onAgain}>
          Play again
        </Plain>
        <Plain type="button" onClick={onCard}>
          Back to the card
        </Plain>
      </Bottom>
    </Screen>
  );
}
