/** The rules of a part wherever they are said, and what its stops say of them. */
import type { FinishReason, Id, Part, Row, Stop } from './game';

/** Every rule of a part: those of the whole part, then those of its stages in turn. */
export const allRows = ({ rows, stages }: Pick<Part, 'rows' | 'stages'>): readonly Row[] => [...rows, ...stages.flatMap((stage) => stage.rows ?? [])];

/** Where each of them stands, in the same order: "/parts/0/rows/2" where `at` is "/parts/0". */
export const rowPlaces = ({ rows, stages }: Pick<Part, 'rows' | 'stages'>, at: string): readonly string[] => [
  ...rows.map((_, index) => `${at}/rows/${index}`),
  ...stages.flatMap((stage, number) => (stage.rows ?? []).map((_, index) => `${at}/stages/${number}/rows/${index}`)),
];

/** True when the part ends once all of a group is passed. */
export const endsPast = ({ stop }: Pick<Part, 'stop'>, group: Id): boolean =>
  stop.some(({ if: conds }) => conds.length === 1 && conds[0]![0] === `passed.${group}`);

/** The stop that a rule brings about by itself; undefined when the part goes on. */
export function stopOf({ stop }: Pick<Part, 'stop'>, { id, if: conds }: Row): Stop | undefined {
  const [first, ...more] = conds;
  return stop.find(({ if: [cond, ...others] }) => {
    if (others.length > 0) return false;
    if (cond![0] === 'row') return id !== undefined && cond![2] === id;
    return cond![0] === 'end' && more.length === 0 && first?.[0] === 'end' && first[2] === cond![2];
  });
}

/** Why the part ends as soon as this rule speaks; undefined when it goes on. */
export const endsBy = (part: Pick<Part, 'stop'>, row: Row): FinishReason | undefined => stopOf(part, row)?.why;
