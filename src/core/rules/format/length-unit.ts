import type { Measure, Part } from './game';

/** How many millimetres, in which lengths are seen and kept, make one of the unit in which the rules count them. */
export const mmPerUnit = ({ stages }: Part, { unit }: Pick<Measure, 'unit'>): number =>
  unit === 'cm' && stages.some((task) => task.see === 'length') ? 10 : 1;
