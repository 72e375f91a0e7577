import { allRows } from '../format/rows';
import type { Cond, Part } from '../format/game';
import { ruleLists, type Change, type Gap } from './gap';

function changed(part: Part): ReadonlySet<string> {
  const effects = [...allRows(part).flatMap((row) => row.do), ...Object.values(part.also ?? {}).flat()];
  const kept = Object.keys(part.kept ?? {}).map((counter) => `n.${counter}`);
  return new Set([
    ...kept,
    ...effects.flatMap((effect) => ('counter' in effect ? [`n.${effect.counter}`] : 'group' in effect ? [`g.${effect.group}`] : [])),
  ]);
}

/** A stop or a rule that looks at what nothing ever changes, and an end that no task has. */
export function neverHappens(part: Part, at: string, change: Change): Gap[] {
  const moved = changed(part);
  const felled = part.stages.some((task) => task.see === 'felled');
  const choosable = (group: string) => part.groups[group]!.order !== 'fixed';
  const never = ([operand, op, value]: Cond): boolean => {
    const [space, name] = operand.split('.') as [string, string | undefined];
    if (space === 'n') return !moved.has(operand) && !satisfied(part.startAt?.[name!] ?? 0, op, Number(value));
    if (space === 'left') return !felled && !moved.has(`g.${name!}`) && !satisfied(part.groups[name!]!.n, op, Number(value));
    if (space === 'at')
      return (
        (!moved.has(`g.${name!}`) && !choosable(name!) && !satisfied(1, op, Number(value))) || (op !== '<=' && Number(value) > part.groups[name!]!.n)
      );
    return false;
  };
  const found = (place: string, question: string, without: Partial<Part>): Gap => ({
    kind: 'never-happens',
    place,
    question,
    why: 'Nothing in the rules changes what it waits for.',
    mends: [change('Take it away', without)],
  });
  const others = <T>(list: readonly T[], index: number) => list.filter((_, rank) => rank !== index);
  const stops = part.stop.flatMap((stop, index) =>
    stop.if.some(never) ? [found(`${at}/stop/${index}`, 'This end is never reached. What ends the game?', { stop: others(part.stop, index) })] : [],
  );
  const rules = ruleLists(part, at).flatMap(({ place, rows, put }) =>
    rows.flatMap((row, index) =>
      row.if.some(never) ? [found(`${place}/${index}`, 'This rule never comes to bear. Is it needed?', put(others(rows, index)))] : [],
    ),
  );
  return [...stops, ...rules];
}

function satisfied(found: number, op: '=' | '>=' | '<=', value: number): boolean {
  return op === '=' ? found === value : op === '>=' ? found >= value : found <= value;
}
