/** Things that are made at home, in four pictures each: what is done, and the lines that show it. Drawn by us; no published source. */

/** A line of a picture, 100 wide and 80 high: thin for what is there, firm for what is done now, a way that something goes. */
export interface MakingLine {
  readonly d: string;
  readonly as: 'thin' | 'firm' | 'way' | 'filled';
}

export interface MakingStep {
  readonly says: string;
  readonly lines: readonly MakingLine[];
}

const thin = (d: string): MakingLine => ({ d, as: 'thin' });
const firm = (d: string): MakingLine => ({ d, as: 'firm' });
const way = (d: string): MakingLine => ({ d, as: 'way' });
const filled = (d: string): MakingLine => ({ d, as: 'filled' });

const SOCK = 'M34 8h18v32l22 14c7 5 3 16-6 15l-16-3c-11-3-18-10-18-22z';
const BALL = 'M50 16a26 26 0 1 1-.1 0z';
const BOTTLE = 'M44 10h12v10c0 6 10 8 10 18v30c0 3-2 4-4 4h-24c-2 0-4-1-4-4v-30c0-10 10-12 10-18z';
const SMALL_BOTTLE = (x: number) => `M${x} 24h6v5c0 3 5 4 5 9v24h-16v-24c0-5 5-6 5-9z`;
const SHEET = 'M26 14h48v54h-48z';

const MAKINGS = {
  'sock-ball': [
    { says: /*i18n*/ 'Lay two thick socks on each other.', lines: [thin('M42 12h18v32l20 12'), firm(SOCK)] },
    {
      says: /*i18n*/ 'Roll them up tightly, from the toes.',
      lines: [thin('M40 8h20v32'), firm('M40 8v40a14 14 0 1 0 20-8'), firm('M50 50a6 6 0 1 1-6 6'), way('M76 62C88 50 84 34 72 30l8-3m-8 3l4 8')],
    },
    {
      says: /*i18n*/ 'Fold the cuff of one over the whole roll.',
      lines: [firm(BALL), thin('M26 36C40 46 60 46 74 36'), way('M50 4C70 4 84 14 84 30l-6-6m6 6l5-7')],
    },
    {
      says: /*i18n*/ 'Press it round. Does it stay together when you shake it?',
      lines: [firm(BALL), thin('M30 30C44 40 60 42 72 32M34 60C46 52 58 52 68 58'), way('M6 42h12l-5-4m5 4l-5 4M94 42h-12l5-4m-5 4l5 4')],
    },
  ],
  'paper-ball': [
    { says: /*i18n*/ 'Take two sheets of used paper.', lines: [thin('M32 10h48v54'), firm(SHEET)] },
    {
      says: /*i18n*/ 'Crumple them hard, one round the other.',
      lines: [firm('M30 24l16-8 20 4 12 16-4 20-18 12-22-4-12-18z'), thin('M36 34l14 8 10-12 8 18-16 4M40 52l10-10')],
    },
    { says: /*i18n*/ 'Put a band or tape round it, both ways.', lines: [firm(BALL), thin('M24 42c16 8 36 8 52 0M50 16c-8 16-8 36 0 52')] },
    { says: /*i18n*/ 'Press it round.', lines: [firm(BALL), way('M6 42h12l-5-4m5 4l-5 4M94 42h-12l5-4m-5 4l5 4')] },
  ],
  'paper-plane': [
    {
      says: /*i18n*/ 'Fold a sheet of A4 along its length, and open it again.',
      lines: [firm(SHEET), thin('M50 14v54'), way('M78 40C90 30 84 16 66 18l7-5m-7 5l6 5')],
    },
    {
      says: /*i18n*/ 'Fold both top corners to the fold.',
      lines: [firm('M50 10L74 34V70H26V34z'), thin('M50 10v60M26 34h48'), way('M80 12l-18 14l8-1m-8 1l2-8')],
    },
    { says: /*i18n*/ 'Fold both sides to the fold once more.', lines: [firm('M50 8L68 50V72H32V50z'), thin('M50 8v64M50 26L68 50M50 26L32 50')] },
    {
      says: /*i18n*/ 'Close it, open the wings, bend the nose back.',
      lines: [firm('M8 44L92 26 62 58z'), firm('M8 44L92 26 50 36z'), thin('M50 36L44 52'), way('M18 58C8 56 6 48 12 42l1 7m-1-7l-7 2')],
    },
  ],
  pin: [
    { says: /*i18n*/ 'Rinse an empty plastic bottle and let it dry.', lines: [firm(BOTTLE), thin('M38 46h24M38 58h24')] },
    {
      says: /*i18n*/ 'For one that stands firm: pour in a small cup of water or rice.',
      lines: [firm(BOTTLE), filled('M35 56h30v15h-30z'), way('M78 6L62 12l-8 2m8-2l-4-6')],
    },
    { says: /*i18n*/ 'Screw the lid tight.', lines: [firm(BOTTLE), filled('M42 4h16v8h-16z'), way('M66 4C78 8 78 18 66 20l7-1m-7 1l3-6')] },
    {
      says: /*i18n*/ 'Stand them a hand apart, all filled alike.',
      lines: [
        firm(SMALL_BOTTLE(20)),
        firm(SMALL_BOTTLE(46)),
        firm(SMALL_BOTTLE(72)),
        thin('M8 62h84'),
        way('M32 72h12l-4-3m4 3l-4 3M44 72h-12l4-3m-4 3l4 3'),
      ],
    },
  ],
  ramp: [
    { says: /*i18n*/ 'Take a flat piece of cardboard, as wide as your arm is long.', lines: [firm('M14 56L38 24H92L70 56z')] },
    { says: /*i18n*/ 'Lay a book on the floor, flat.', lines: [thin('M6 66h88'), firm('M34 52h40v12H34z'), thin('M38 56h36M38 60h36')] },
    { says: /*i18n*/ 'Lean the cardboard on the book.', lines: [thin('M6 66h88'), thin('M54 52h32v14H54z'), firm('M12 66L60 50')] },
    {
      says: /*i18n*/ 'Press its edge to the floor, so that the ball runs up without a hop.',
      lines: [thin('M6 66h88'), thin('M54 52h32v14H54z'), firm('M12 66L60 50'), filled('M16 52a6 6 0 1 1-.1 0z'), way('M24 48L44 41l-7 0m7 0l-4 5')],
    },
  ],
  'string-loop': [
    { says: /*i18n*/ 'Take a string, a little longer than three of your arms.', lines: [firm('M8 40C20 20 30 60 42 40S66 20 76 40 90 50 94 36')] },
    {
      says: /*i18n*/ 'Lay it in a ring on the floor.',
      lines: [firm('M56 66C30 70 12 56 14 38S34 12 56 14 88 28 86 44'), way('M86 48C84 58 76 64 66 66l7 1m-7-1l5-5')],
    },
    { says: /*i18n*/ 'The ends side by side, flat.', lines: [firm('M54 66a38 27 0 1 1 6 0'), thin('M54 66v7M60 66v7')] },
    {
      says: /*i18n*/ 'Across it is as wide as your arm is long.',
      lines: [firm('M50 12a38 27 0 1 1-.1 0z'), way('M14 39h72l-6-4m6 4l-6 4M86 39H14l6-4m-6 4l6 4')],
    },
  ],
  'towel-ring': [
    { says: /*i18n*/ 'Spread a towel out.', lines: [firm('M14 18h72v44H14z'), thin('M14 24h72M14 56h72')] },
    {
      says: /*i18n*/ 'Roll it up along its long side, into a sausage.',
      lines: [firm('M14 36h72v26H14z'), filled('M14 26h72v12H14z'), way('M50 56V42l-4 5m4-5l4 5')],
    },
    { says: /*i18n*/ 'Bend it into a ring.', lines: [firm('M30 62C6 50 14 16 50 14S94 50 70 62l-6-9C82 44 76 26 50 26S18 44 36 53z')] },
    {
      says: /*i18n*/ 'The ends touch; press it flat to the floor.',
      lines: [firm('M50 12a38 27 0 1 1-.1 0z'), firm('M50 24a26 15 0 1 1-.1 0z'), thin('M50 54v12')],
    },
  ],
} as const satisfies Readonly<Record<string, readonly [MakingStep, MakingStep, MakingStep, MakingStep]>>;

const MADE_AS: Readonly<Record<string, keyof typeof MAKINGS>> = {
  'sock-ball': 'sock-ball',
  'big-sock-ball': 'sock-ball',
  'paper-ball': 'paper-ball',
  'paper-plane': 'paper-plane',
  bottle: 'pin',
  'small-bottle': 'pin',
  'weighted-bottle': 'pin',
  ramp: 'ramp',
  'string-loop': 'string-loop',
  'towel-ring': 'towel-ring',
};

/** How a thing of the catalogue is made, in four pictures; null for what is found as it is, or made in one step. */
export const makingOf = (thing: string): readonly MakingStep[] | null => {
  const made = MADE_AS[thing];
  return made === undefined ? null : MAKINGS[made];
};
