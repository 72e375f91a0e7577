'use client';
import styled from 'styled-components';
import { Button } from '@/ui/button';
import { Select, TextField } from '@/ui/field';
import { ANY, ANYTHING, foldersAmong, makersAmong, movementsAmong, thingsAmong, type Wanted } from './picker-model';
import type { ShelfGame } from './shelf-game';

const Filters = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(148px, 1fr));
  align-items: end;
  gap: var(--space-4) var(--space-5);
`;

const numbers = (any: string, word: (n: number) => string, ...of: readonly number[]) => [
  { value: ANY, label: any },
  ...of.map((n) => ({ value: `${n}`, label: word(n) })),
];
const MINUTES = numbers('any length', (n) => `at most ${n}`, 2, 5, 10, 20);
const LINES = numbers('any space', (n) => `${n} m`, 2, 3, 4, 6);
const SENT = [
  { value: 'any', label: 'or not' },
  { value: 'never', label: 'not yet' },
  { value: 'once', label: 'once or more' },
  { value: 'often', label: 'three times or more' },
] as const;

const figure = (value: string): number | null => (value === ANY ? null : Number(value));
const chosen = (value: number | null): string => (value === null ? ANY : `${value}`);

/** What is wanted of a game; only what tells the games of this shelf apart is asked. */
export function GameFilters({
  games,
  ages,
  wanted,
  onWanted,
}: {
  readonly games: readonly ShelfGame[];
  /** Ages that may be asked for, each with its words. */
  readonly ages: readonly { readonly ageYears: number; readonly label: string }[];
  readonly wanted: Wanted;
  readonly onWanted: (wanted: Wanted) => void;
}) {
  const change = (part: Partial<Wanted>) => onWanted({ ...wanted, ...part });
  const folders = foldersAmong(games);
  const makers = makersAmong(games);
  const isAsked = JSON.stringify(wanted) !== JSON.stringify(ANYTHING);
  return (
    <Filters role="search" aria-label="Find a game">
      <TextField label="Called, or played with" value={wanted.words} onChange={(words) => change({ words })} />
      <Select label="Movement" value={wanted.movement} choices={movementsAmong(games)} onChange={(movement) => change({ movement })} />
      <Select
        label="Made for"
        value={chosen(wanted.aboutAge)}
        choices={[{ value: ANY, label: 'any age' }, ...ages.map(({ ageYears, label }) => ({ value: `${ageYears}`, label }))]}
        onChange={(age) => change({ aboutAge: figure(age) })}
      />
      <Select label="Minutes a go" value={chosen(wanted.minutes)} choices={MINUTES} onChange={(minutes) => change({ minutes: figure(minutes) })} />
      <Select label="Clear line" value={chosen(wanted.lineM)} choices={LINES} onChange={(lineM) => change({ lineM: figure(lineM) })} />
      <Select label="Needs" value={wanted.thing} choices={thingsAmong(games)} onChange={(thing) => change({ thing })} />
      <Select label="Sent" value={wanted.sent} choices={SENT} onChange={(sent) => change({ sent })} />
      {makers.length > 2 && <Select label="Made by" value={wanted.madeBy} choices={makers} onChange={(madeBy) => change({ madeBy })} />}
      {folders.length > 1 && <Select label="Folder" value={wanted.folder} choices={folders} onChange={(folder) => change({ folder })} />}
      {isAsked && <Button onPress={() => onWanted(ANYTHING)}>All again</Button>}
    </Filters>
  );
}
