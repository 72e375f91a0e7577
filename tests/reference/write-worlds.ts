/** npm run worlds: plays 200 classes of each world and writes what came of them into the guide. */
import { writeSection } from '../../drills/section-of-guide';
import { heldAgainst, WORLDS, type WorldFigures } from './worlds';

const classes = 200;

const points = (list: readonly number[]) => list.map((one) => one.toFixed(1).replace('-', '−')).join(' / ');
const shares = (list: readonly number[]) => list.map((one) => one.toFixed(2).slice(1)).join(' / ');
const inHundred = (share: number) => `${Math.round(100 * share)}%`;
const signed = (value: number) => value.toFixed(2).replace('-', '−');
const row = ({ name, says, bias, rmse, ageRmse, coverage, par, alarms }: WorldFigures) =>
  `| **${name}**: ${says} | ${points(bias)} | ${points(rmse)} (${points(ageRmse)}) | ${shares(coverage)} | ${signed(par.bias)} ± ${par.size.toFixed(2)}, ${inHundred(par.reached)} | ${inHundred(alarms.any)} |`;

const rows = WORLDS.map((world) => {
  const figures = heldAgainst(world, classes);
  process.stdout.write(`${row(figures)}\n`);
  return row(figures);
});
const head = `${classes} classes of each world.\n\n| world | off | apart (age alone) | held | par off, and reached by | said |\n| --- | --- | --- | --- | --- | --- |`;
writeSection('how-far-to-trust-it.md', 'worlds', `${head}\n${rows.join('\n')}`);
