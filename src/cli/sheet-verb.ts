/** sheet: a home sheet on paper, made without a school. */
import { PAPER_LANGUAGES } from '@/contract/paper';
import { writeFileSync } from 'node:fs';
import { stepLengthM } from '@/core/measure/stature';
import { levelGame } from '@/core/rules/format/level';
import { pacedGame } from '@/core/sheet/set-up';
import { renderPaper } from '@/server/paper/render';
import { accepted, BadInput, file, optionOf, print, whole, type Options, gameOfFile } from './input';

export async function sheet(args: readonly string[], options: Options): Promise<number> {
  const gameFile = file(args, 0, 'GAME');
  const game = gameOfFile(gameFile, options);
  const out = options['out'];
  if (!out) throw new BadInput([{ place: '--out', reason: 'the name of the PDF is missing', fix: 'Write --out SHEET.pdf.' }]);
  const index = whole(options['level'], 'level', 1, 1, game.levels.length) - 1;
  const stepM = stepLengthM(whole(options['age'], 'age', game.ageYears ?? 8, 4, 12));
  const pdf = await renderPaper(
    {
      look: {
        size: optionOf(options, 'size', ['a4', 'letter']) === 'letter' ? 'LETTER' : 'A4',
        print: optionOf(options, 'print', ['usual', 'large']),
        ground: optionOf(options, 'ground', ['white', 'pale']),
        language: optionOf(options, 'language', ['en', ...PAPER_LANGUAGES.map(({ tag }) => tag).filter((tag) => tag !== 'en')]),
      },
      sheets: [
        {
          kind: 'home',
          of: { name: null, hand: 'right', stepM },
          game: {
            title: game.title,
            levelName: game.levels[index]!.name,
            aim: game.aim,
            level: pacedGame(accepted(gameFile, levelGame(game, index)), stepM),
          },
          week: { number: null, dueOn: null, warmUp: '', diary: '', note: '', film: '', filmAlone: false },
          par: null,
          slip: null,
        },
      ],
    },
    () => undefined,
  );
  writeFileSync(out, pdf);
  print({ written: out, bytes: pdf.length });
  return 0;
}
