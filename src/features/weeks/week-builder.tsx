'use client';
import { cardSchema } from '@/contract/card-schema';
import { useRouter } from 'next/navigation';
import { useEffect, useMemo, useRef, useState, type CSSProperties } from 'react';
import { dayPlus } from '@/core/measure/days';
import styled from 'styled-components';
import { ArrowDown, ArrowUp, X } from 'lucide-react';
import { WARM_UPS } from '@/core/sheet/warm-ups';
import { CardScreen } from '@/features/home/card-screen';
import { Button, QuietButton } from '@/ui/button';
import { Select, TextField } from '@/ui/field';
import { DayField } from '@/ui/form/fields';
import { Notice } from '@/ui/notice';
import { Empty, Page, PageHead } from '@/ui/page';
import { send } from '@/ui/post';
import { useRead } from '@/ui/reads';
import { saveFile } from '@/ui/save-file';
import { useSettled } from '@/ui/use-settled';
import { makePdf } from './make-pdf';
import { USUAL_DIARY, USUAL_WARM_UP } from './usual-week';

export interface BuilderClass {
  readonly id: string;
  readonly name: string;
  readonly ageYears: number;
  /** What the par of a week will rest on, in words. */
  readonly parWords: string;
  readonly children: readonly { readonly id: string; readonly name: string; readonly ageYears: number }[];
}

export interface BuilderGame {
  readonly id: string;
  readonly title: string;
  readonly ageYears: number;
  readonly levels: readonly { readonly id: string; readonly name: string }[];
  /** "1 sock ball", "3 socks" */
  readonly things: readonly string[];
}

interface PlannedGame {
  readonly gameId: string;
  readonly levelId: string;
  /** For children to seven years, where it is another. */
  readonly youngerLevelId: string | null;
  /** By child, where it is neither. */
  readonly own: Readonly<Record<string, string>>;
  readonly opensOn: string;
}

interface Kit {
  readonly name: string;
  readonly n: number;
  readonly from: 'home' | 'school';
}

interface Plan {
  readonly classId: string;
  readonly dueOn: string;
  readonly title: string;
  readonly games: readonly PlannedGame[];
  readonly warmUp: string;
  readonly diary: string;
  readonly film: string;
  readonly filmAlone: boolean;
  readonly note: string;
  readonly kit: readonly Kit[];
}

const Columns = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 342px;
  gap: 40px;
  align-items: start;
`;

const Block = styled.section`
  padding: 12px 0 16px;
  border-top: 1px solid var(--line);
  & h2 {
    margin-bottom: 8px;
    font-size: 1.0625rem;
  }
  & h2 small {
    font-weight: 400;
    color: var(--ink-soft);
  }
`;

const Row = styled.div`
  display: grid;
  gap: 10px 12px;
  align-items: end;
`;

const GameRow = styled.li`
  display: grid;
  grid-template-columns: 28px minmax(0, 1fr) repeat(var(--fields, 1), 150px) 96px;
  gap: 10px;
  align-items: end;
  padding: 6px 0 8px;
  border-bottom: 1px solid var(--line);
  & > b {
    padding-bottom: 9px;
  }
  & .title {
    padding-bottom: 9px;
    font-weight: 600;
  }
  & .acts {
    display: flex;
    gap: 4px;
    padding-bottom: 4px;
  }
`;

const Small = styled.button`
  display: grid;
  place-items: center;
  width: 28px;
  height: 28px;
  border: 1px solid var(--line-strong);
  border-radius: 4px;
  background: var(--sheet);
  color: inherit;
  cursor: pointer;
  &:disabled {
    opacity: 0.35;
    cursor: default;
  }
`;

const Native = styled.label`
  display: flex;
  flex-direction: column;
  gap: 4px;
  font-size: 0.875rem;
  color: var(--ink-soft);
  & input,
  & select {
    min-height: 36px;
    padding: 4px 8px;
    border: 1.5px solid var(--line-strong);
    border-radius: 4px;
    background: var(--sheet);
    color: var(--ink);
    font: inherit;
    font-size: 0.9375rem;
    width: 100%;
  }
`;

const KitTable = styled.table`
  width: 100%;
  border-collapse: collapse;
  font-size: 0.9375rem;
  & th {
    text-align: left;
    font-size: 0.8125rem;
    color: var(--ink-soft);
    padding: 2px 10px 4px 0;
  }
  & td {
    padding: 3px 10px 3px 0;
    border-top: 1px solid var(--line);
  }
  & input,
  & select {
    min-height: 30px;
    padding: 2px 6px;
    border: 1px solid var(--line-strong);
    border-radius: 4px;
    background: var(--sheet);
    color: inherit;
    font: inherit;
  }
`;

const Phone = styled.aside`
  position: sticky;
  top: 12px;
  & > div {
    height: min(680px, calc(100vh - 150px));
    overflow: auto;
    border: 1.5px solid var(--ink);
    border-radius: 16px;
    background: var(--paper);
    font-size: 0.875rem;
    zoom: 0.86;
  }
  & main {
    min-height: 100%;
  }
  & h2 {
    font-size: 0.9375rem;
    font-weight: 400;
    color: var(--ink-soft);
    margin-bottom: 6px;
  }
`;

/** The preview follows when nothing has been changed for so long. */
const PREVIEW_AFTER_MS = 500;
const YOUNGER_TO = 7;
const FILM = 'Three throws from the side, so that feet and arm are seen.';
const DRAFT = 'lochside-week-plan';
const MOST_GAMES = 20;

/** "3 socks" as its number and its thing. */
function thingOf(words: string): { n: number; name: string } {
  const [, n, name] = /^(\d+) (.+)$/.exec(words) ?? [];
  return { n: Number(n ?? 1), name: name ?? words };
}

export interface WeekBuilderProps {
  readonly today: string;
  readonly mayChange: boolean;
  readonly classes: readonly BuilderClass[];
  readonly games: readonly BuilderGame[];
}

/** Builds a week: what is around it, its game or games in their order, levels, kit; seen in both forms before it is sent. */
export function WeekBuilder({ today, mayChange, classes, games }: WeekBuilderProps) {
  const router = useRouter();
  const firstClass = classes.find((one) => one.children.length > 0) ?? classes[0];
  const [plan, setPlan] = useState<Plan>({
    classId: firstClass?.id ?? '',
    dueOn: dayPlus(today, 7),
    title: '',
    games: [],
    warmUp: USUAL_WARM_UP,
    diary: USUAL_DIARY,
    film: '',
    filmAlone: false,
    note: '',
    kit: [],
  });
  const [refused, setProblem] = useState('');
  const [busy, setBusy] = useState<'' | 'sending' | 'paper'>('');
  const put = (change: Partial<Plan>) => setPlan((now) => ({ ...now, ...change }));

  // A plan that was begun is there again after a reload; only ids of things that are still there are taken.
  useEffect(() => {
    try {
      const kept = JSON.parse(localStorage.getItem(DRAFT) ?? 'null') as Plan | null;
      if (kept && classes.some((one) => one.id === kept.classId))
        setPlan({
          ...kept,
          dueOn: kept.dueOn < today ? dayPlus(today, 7) : kept.dueOn,
          games: kept.games.filter((one) => games.some((game) => game.id === one.gameId)),
        });
    } catch {
      // A draft that cannot be read is no draft.
    }
  }, [classes, games, today]);
  const kept = useRef(false);
  useEffect(() => {
    if (kept.current) localStorage.setItem(DRAFT, JSON.stringify(plan));
    kept.current = true;
  }, [plan]);

  const chosen = classes.find((one) => one.id === plan.classId);
  const body = useMemo(() => bodyOf(plan, chosen), [plan, chosen]);

  const settled = useSettled(body, PREVIEW_AFTER_MS);
  const seen = useRead(plan.games.length === 0 || !mayChange ? null : '/api/v1/weeks/preview', cardSchema, { body: settled });
  const card = plan.games.length === 0 ? null : (seen.data ?? null);
  const problem = refused || (seen.error?.message ?? '');

  if (classes.length === 0 || games.length === 0)
    return (
      <Page $width={900}>
        <PageHead>
          <h1>Build a week</h1>
        </PageHead>
        <Empty>
          <p>
            {games.length === 0
              ? 'There is no game on the shelf yet. Make one or take a starter.'
              : 'There is no class yet. Make one and add its children.'}
          </p>
        </Empty>
      </Page>
    );

  const addGame = (gameId: string) => {
    const game = games.find((one) => one.id === gameId);
    if (!game || plan.games.length >= MOST_GAMES) return;
    put({
      games: [...plan.games, { gameId, levelId: game.levels[0]!.id, youngerLevelId: null, own: {}, opensOn: '' }],
      kit: withThings(plan.kit, game.things),
    });
  };
  const change = (index: number, next: Partial<PlannedGame>) =>
    put({ games: plan.games.map((one, at) => (at === index ? { ...one, ...next } : one)) });
  const move = (index: number, by: number) => {
    const next = [...plan.games];
    const [taken] = next.splice(index, 1);
    next.splice(index + by, 0, taken!);
    put({ games: next });
  };
  const mixed =
    chosen !== undefined &&
    chosen.children.some((child) => child.ageYears <= YOUNGER_TO) &&
    chosen.children.some((child) => child.ageYears > YOUNGER_TO);
  const event = plan.games.length > 1;
  const submit = async () => {
    setBusy('sending');
    const answer = await send<{ id: string }>('POST', '/api/v1/weeks', body);
    setBusy('');
    if (!answer.ok || !answer.value) return setProblem(answer.problem);
    localStorage.removeItem(DRAFT);
    kept.current = false;
    router.push(`/weeks/${answer.value.id}`);
  };
  const previewPaper = async () => {
    setBusy('paper');
    const made = await makePdf('/api/v1/weeks/preview/paper', body, () => undefined, new AbortController().signal);
    setBusy('');
    if (made.ok) saveFile(made.pdf, 'preview.pdf');
    else setProblem(made.problem);
  };

  return (
    <Page>
      <PageHead>
        <h1>Build a week</h1>
        <span className="about">kept on this computer until it is sent</span>
        <Button isDisabled={!mayChange || plan.games.length === 0 || busy !== ''} onPress={() => void previewPaper()}>
          {busy === 'paper' ? 'Making it …' : 'See it on paper'}
        </Button>
        <Button $strong isDisabled={!mayChange || plan.games.length === 0 || busy !== ''} onPress={() => void submit()}>
          {busy === 'sending' ? 'Sending …' : chosen ? `Send to ${chosen.name}` : 'Send'}
        </Button>
      </PageHead>
      {problem && (
        <Notice $tone="caution" role="alert" style={{ marginBottom: 12 }}>
          {problem}
        </Notice>
      )}
      <Columns>
        <div>
          <Block style={{ borderTop: 0, paddingTop: 0 }}>
            <Row style={{ gridTemplateColumns: '1fr 180px 1.2fr' }}>
              <Select
                label="Class"
                value={plan.classId}
                choices={classes.map((one) => ({ value: one.id, label: `${one.name}, ${one.children.length} children` }))}
                onChange={(classId) => put({ classId, games: plan.games.map((one) => ({ ...one, own: {} })) })}
              />
              <DayField label="Due on" value={plan.dueOn} least={today} onChange={(dueOn) => dueOn !== '' && put({ dueOn })} />
              {event ? (
                <TextField label="What the event is called" value={plan.title} onChange={(title) => put({ title })} maxLength={60} />
              ) : (
                <span />
              )}
            </Row>
            {chosen && <p style={{ margin: '10px 0 0', fontSize: '0.875rem', color: 'var(--ink-soft)' }}>{chosen.parWords}</p>}
          </Block>
          <Block>
            <h2>
              {event ? 'Games, in their order' : 'Game'} <small>one, or up to twenty for an event with one card</small>
            </h2>
            <ol style={{ margin: 0, padding: 0, listStyle: 'none' }}>
              {plan.games.map((planned, index) => {
                const game = games.find((one) => one.id === planned.gameId)!;
                const choices = game.levels.map((level) => (
                  <option key={level.id} value={level.id}>
                    {level.name}
                  </option>
                ));
                return (
                  <GameRow key={`${planned.gameId} ${index}`} style={{ '--fields': 1 + Number(mixed) + Number(event) } as CSSProperties}>
                    <b>{index + 1}</b>
                    <span className="title">{game.title}</span>
                    <Native>
                      {mixed && planned.youngerLevelId !== null ? 'Level, from 8 years' : 'Level'}
                      <select value={planned.levelId} onChange={(event) => change(index, { levelId: event.target.value })}>
                        {choices}
                      </select>
                    </Native>
                    {mixed ? (
                      <Native>
                        To 7 years
                        <select
                          value={planned.youngerLevelId ?? ''}
                          onChange={(event) => change(index, { youngerLevelId: event.target.value || null })}
                        >
                          <option value="">the same</option>
                          {choices}
                        </select>
                      </Native>
                    ) : null}
                    {event ? (
                      <DayField label="Opens on" value={planned.opensOn} most={plan.dueOn} onChange={(opensOn) => change(index, { opensOn })} />
                    ) : null}
                    <span className="acts">
                      <Small type="button" aria-label={`${game.title} earlier`} disabled={index === 0} onClick={() => move(index, -1)}>
                        <ArrowUp size={16} />
                      </Small>
                      <Small
                        type="button"
                        aria-label={`${game.title} later`}
                        disabled={index === plan.games.length - 1}
                        onClick={() => move(index, 1)}
                      >
                        <ArrowDown size={16} />
                      </Small>
                      <Small
                        type="button"
                        aria-label={`Leave out ${game.title}`}
                        onClick={() => put({ games: plan.games.filter((_, at) => at !== index) })}
                      >
                        <X size={16} />
                      </Small>
                    </span>
                  </GameRow>
                );
              })}
            </ol>
            <Native style={{ maxWidth: 340, marginTop: 10 }}>
              {plan.games.length === 0 ? 'Choose a game' : 'Add a game'}
              <select value="" disabled={plan.games.length >= MOST_GAMES} onChange={(event) => addGame(event.target.value)}>
                <option value="">…</option>
                {games.map((game) => (
                  <option key={game.id} value={game.id}>
                    {game.title}
                  </option>
                ))}
              </select>
            </Native>
            {chosen && plan.games.length > 0 && <ChildByChild plan={plan} of={chosen} games={games} onChange={change} />}
          </Block>
          <Block>
            <h2>Around it</h2>
            <Row style={{ gridTemplateColumns: '220px 1fr' }}>
              <Select
                label="Warm-up"
                value={plan.warmUp === '' ? 'none' : (WARM_UPS.find((one) => one.words === plan.warmUp)?.id ?? 'own')}
                choices={[
                  ...WARM_UPS.map((one) => ({ value: one.id, label: one.name })),
                  { value: 'own', label: 'own words' },
                  { value: 'none', label: 'none' },
                ]}
                onChange={(id) => put({ warmUp: id === 'none' ? '' : (WARM_UPS.find((one) => one.id === id)?.words ?? 'Five minutes: ') })}
              />
              <TextField label="In words" value={plan.warmUp} onChange={(warmUp) => put({ warmUp })} maxLength={280} />
            </Row>
            <Row style={{ gridTemplateColumns: '1fr 1fr', alignItems: 'start', marginTop: 12 }}>
              <Toggled label="Movement diary" on={plan.diary !== ''} words={plan.diary} usual={USUAL_DIARY} onWords={(diary) => put({ diary })} />
              <div>
                <Toggled
                  label="Film task, at most 15 seconds"
                  on={plan.film !== ''}
                  words={plan.film}
                  usual={FILM}
                  onWords={(film) => put({ film })}
                />
                {plan.film !== '' && (
                  <label style={{ display: 'flex', gap: 7, alignItems: 'center', marginTop: 6, fontSize: '0.9375rem' }}>
                    <input type="checkbox" checked={plan.filmAlone} onChange={(event) => put({ filmAlone: event.target.checked })} />
                    The film is the task: no score is asked
                  </label>
                )}
              </div>
            </Row>
            <div style={{ marginTop: 12 }}>
              <TextField label="A word to the families (if you like)" value={plan.note} onChange={(note) => put({ note })} maxLength={280} />
            </div>
          </Block>
          <Block>
            <h2>
              Kit <small>what the home finds, what the school sends</small>
            </h2>
            <KitList kit={plan.kit} classSize={chosen?.children.length ?? 0} onKit={(kit) => put({ kit })} />
          </Block>
        </div>
        <Phone>
          <h2>On a phone{card?.child ? `, for ${card.child.name}` : ''}</h2>
          <div aria-label="Preview of the card" role="region" tabIndex={0}>
            {card ? (
              <CardScreen
                card={card}
                plays={[]}
                sessions={[]}
                entries={[]}
                offline={null}
                mayForget={false}
                others={0}
                onOpen={() => undefined}
                onFinish={() => undefined}
                onDiary={() => undefined}
                onInvent={() => undefined}
                onOthers={() => undefined}
              />
            ) : (
              <p style={{ padding: 24, color: 'var(--ink-soft)' }}>Choose a game, and the card of a child of this class is shown here.</p>
            )}
          </div>
        </Phone>
      </Columns>
    </Page>
  );
}

/** A text that is there or not. */
function Toggled({
  label,
  on,
  words,
  usual,
  onWords,
}: {
  label: string;
  on: boolean;
  words: string;
  usual: string;
  onWords: (words: string) => void;
}) {
  return (
    <div>
      <label style={{ display: 'flex', gap: 8, alignItems: 'center', minHeight: 28 }}>
        <input type="checkbox" checked={on} onChange={(event) => onWords(event.target.checked ? usual : '')} />
        {label}
      </label>
      {on && <TextField label="In words" value={words} onChange={(next) => onWords(next === '' ? ' ' : next)} maxLength={280} />}
    </div>
  );
}

/** A level of its own for some children. */
function ChildByChild({
  plan,
  of,
  games,
  onChange,
}: {
  plan: Plan;
  of: BuilderClass;
  games: readonly BuilderGame[];
  onChange: (index: number, change: Partial<PlannedGame>) => void;
}) {
  const own = plan.games.reduce((sum, game) => sum + Object.keys(game.own).length, 0);
  return (
    <details style={{ marginTop: 10 }}>
      <summary style={{ cursor: 'pointer', minHeight: 28 }}>
        Levels child by child{own > 0 ? ` (${own === 1 ? '1 is' : `${own} are`} their own)` : ''}
      </summary>
      <KitTable style={{ marginTop: 6 }}>
        <thead>
          <tr>
            <th>Child</th>
            {plan.games.map((planned, index) => (
              <th key={index}>{games.find((game) => game.id === planned.gameId)!.title}</th>
            ))}
          </tr>
        </thead>
        <tbody>
          {of.children.map((child) => (
            <tr key={child.id}>
              <td>{child.name}</td>
              {plan.games.map((planned, index) => {
                const game = games.find((one) => one.id === planned.gameId)!;
                const usual = game.levels.find((level) => level.id === usualLevel(planned, child.ageYears))!;
                return (
                  <td key={index}>
                    <select
                      aria-label={`Level of ${child.name} in ${game.title}`}
                      value={planned.own[child.id] ?? ''}
                      onChange={(event) => {
                        const { [child.id]: _gone, ...rest } = planned.own;
                        onChange(index, { own: event.target.value ? { ...rest, [child.id]: event.target.value } : rest });
                      }}
                    >
                      <option value="">{usual.name}</option>
                      {game.levels
                        .filter((level) => level.id !== usual.id)
                        .map((level) => (
                          <option key={level.id} value={level.id}>
                            {level.name}
                          </option>
                        ))}
                    </select>
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </KitTable>
    </details>
  );
}

function KitList({ kit, classSize, onKit }: { kit: readonly Kit[]; classSize: number; onKit: (kit: readonly Kit[]) => void }) {
  const [name, setName] = useState('');
  const change = (index: number, next: Partial<Kit>) => onKit(kit.map((one, at) => (at === index ? { ...one, ...next } : one)));
  return (
    <>
      {kit.length > 0 && (
        <KitTable>
          <thead>
            <tr>
              <th>Thing</th>
              <th>Each child</th>
              <th>From</th>
              <th>For the class</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {kit.map((thing, index) => (
              <tr key={thing.name}>
                <td>{thing.name}</td>
                <td>
                  <input
                    type="number"
                    min={1}
                    max={99}
                    aria-label={`How many for each child: ${thing.name}`}
                    value={thing.n}
                    style={{ width: 64 }}
                    onChange={(event) => change(index, { n: Math.min(99, Math.max(1, Math.round(Number(event.target.value) || 1))) })}
                  />
                </td>
                <td>
                  <select
                    aria-label={`Where it comes from: ${thing.name}`}
                    value={thing.from}
                    onChange={(event) => change(index, { from: event.target.value as Kit['from'] })}
                  >
                    <option value="home">found at home</option>
                    <option value="school">the school sends it</option>
                  </select>
                </td>
                <td>{thing.from === 'school' ? thing.n * classSize : ''}</td>
                <td>
                  <QuietButton aria-label={`Leave out ${thing.name}`} onPress={() => onKit(kit.filter((_, at) => at !== index))}>
                    leave out
                  </QuietButton>
                </td>
              </tr>
            ))}
          </tbody>
        </KitTable>
      )}
      <form
        style={{ display: 'flex', gap: 10, alignItems: 'end', marginTop: 8 }}
        onSubmit={(event) => {
          event.preventDefault();
          const trimmed = name.trim();
          if (trimmed && !kit.some((one) => one.name === trimmed)) onKit([...kit, { name: trimmed, n: 1, from: 'school' }]);
          setName('');
        }}
      >
        <Native style={{ width: 240 }}>
          Another thing
          <input value={name} maxLength={60} onChange={(event) => setName(event.target.value)} />
        </Native>
        <Button type="submit" isDisabled={name.trim() === ''}>
          Add it
        </Button>
      </form>
    </>
  );
}

function usualLevel(planned: PlannedGame, ageYears: number): string {
  return ageYears <= YOUNGER_TO ? (planned.youngerLevelId ?? planned.levelId) : planned.levelId;
}

/** The kit with the things of one more game: of each thing as many as the game that needs most of it. */
function withThings(kit: readonly Kit[], things: readonly string[]): readonly Kit[] {
  return things.reduce<readonly Kit[]>((sum, words) => {
    const { n, name } = thingOf(words);
    const known = sum.find((one) => one.name === name);
    if (known) return sum.map((one) => (one === known ? { ...one, n: Math.max(one.n, n) } : one));
    return [...sum, { name, n, from: 'home' }];
  }, kit);
}

/** What is sent: levels by child are told only where they are not the level of all; the kit only of an event, or where the school sends some. */
function bodyOf(plan: Plan, of: BuilderClass | undefined) {
  const event = plan.games.length > 1;
  return {
    classId: plan.classId,
    dueOn: plan.dueOn,
    title: event ? plan.title.trim() || 'Games of the week' : '',
    games: plan.games.map((planned) => ({
      gameId: planned.gameId,
      levelId: planned.levelId,
      levels: Object.fromEntries(
        (of?.children ?? []).flatMap((child) => {
          const level = planned.own[child.id] ?? usualLevel(planned, child.ageYears);
          return level === planned.levelId ? [] : [[child.id, level] as const];
        }),
      ),
      opensOn: event && planned.opensOn ? planned.opensOn : null,
    })),
    kit: event || plan.kit.some((thing) => thing.from === 'school') ? plan.kit : [],
    warmUp: plan.warmUp.trim(),
    diary: plan.diary.trim(),
    film: plan.film.trim(),
    filmAlone: plan.filmAlone && plan.film.trim() !== '',
    note: plan.note.trim(),
  };
}
