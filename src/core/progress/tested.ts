/** What a class test is made of: movements, things, tries and groups. No motion here, so that a screen may read it. */
import type { Family } from '../motion/families';
import type { AimedId, ImplementId } from '../objects/catalogue';
import type { AimedTry } from './evidence';

export type TestedFamily = Extract<Family, 'throw' | 'roll' | 'kick'>;

/** What a movement is tested with: things that a hall has or a child brings. */
export const TESTED: Readonly<
  Record<TestedFamily, { readonly technique: AimedTry['technique']; readonly implement: ImplementId; readonly target: AimedId }>
> = {
  throw: { technique: 'underarm', implement: 'sock-ball', target: 'bucket' },
  roll: { technique: 'roll', implement: 'tennis-ball', target: 'bottle' },
  kick: { technique: 'kick', implement: 'playground-ball', target: 'shoe-gate' },
};

export const TESTED_FAMILIES = Object.keys(TESTED) as readonly TestedFamily[];

const TRIES_OF_A_TEST = 6;
/** As many children stand about one target, and on one sheet. */
const GROUP_OF = 6;

/** From each of two marks half of them. */
export const TRIES_A_MARK = TRIES_OF_A_TEST / 2;

/** Children in groups as equal as can be, of at most GROUP_OF, in their order. */
export function groupsOf<T>(children: readonly T[]): readonly (readonly T[])[] {
  const n = Math.ceil(children.length / GROUP_OF);
  return Array.from({ length: n }, (_, group) =>
    children.slice(Math.round((group * children.length) / n), Math.round(((group + 1) * children.length) / n)),
  );
}

/** What is done in a test of a movement, step by step: read out in the hall, printed on the sheets. */
export function protocolOf(family: TestedFamily, marksM: readonly number[]): readonly string[] {
  const [near, far] = marksM.map((one) => `${one.toFixed(1)} m`);
  const thing: Readonly<Record<TestedFamily, string>> = {
    throw: 'Set a bucket on the floor for each group of six, and a rolled pair of socks.',
    roll: 'Stand an empty plastic bottle on the floor for each group of six, and a tennis ball.',
    kick: 'Set two shoes 60 cm apart for each group of six, and a playground ball.',
  };
  const counts: Readonly<Record<TestedFamily, string>> = {
    throw: 'Underarm. What lands in and stays in counts.',
    roll: 'One hand, along the floor. The bottle that falls or is touched counts.',
    kick: 'With the inside of the foot, along the floor. What goes through between the shoes counts.',
  };
  return [
    thing[family],
    `Lay one mark ${near} from it and another ${far}, measured with a tape from the middle of the thing.`,
    `One child after the other: ${TRIES_A_MARK} tries from the near mark, then ${TRIES_A_MARK} from the far one. The next fetches, from the side.`,
    counts[family],
    'One warm-up try each does not count. Nobody is told a score, and nobody is hurried.',
    'Throw and kick one way only, with nobody behind the thing; leave out whoever your school’s rules leave out.',
  ];
}

export const TESTED_WORDS: Readonly<Record<TestedFamily, string>> = { throw: 'underarm throw', roll: 'roll', kick: 'kick' };
