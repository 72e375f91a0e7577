/** What marks a place. All lie flat, or are soft: nobody is to trip over them. */
export interface Marker {
  readonly name: string;
  readonly many: string;
  readonly where: 'indoors' | 'outdoors' | 'anywhere';
  /** Longest side, metres; typical, assumed. */
  readonly lengthM: number;
  readonly source: string;
  readonly substitutes: readonly string[];
  readonly caution?: string;
}

const ASSUMED = 'assumed, typical size';
const marker = (
  name: string,
  many: string,
  where: Marker['where'],
  lengthM: number,
  substitutes: readonly string[],
  caution?: string,
  source = ASSUMED,
): Marker => ({
  name,
  many,
  where,
  lengthM,
  source,
  substitutes,
  ...(caution ? { caution } : {}),
});

export const MARKERS: readonly Marker[] = [
  marker('sock', 'socks', 'anywhere', 0.3, ['tea towel', 'piece of paper'], 'Lay socks flat where nobody steps on them and slides.'),
  marker('book', 'books', 'indoors', 0.24, ['magazine', 'piece of paper'], 'A thin book, flat, not to be stepped on.'),
  marker('magazine', 'magazines', 'indoors', 0.3, ['book', 'piece of paper'], 'Not to be stepped on: glossy paper slides.'),
  marker('chalk line', 'chalk lines', 'outdoors', 0.5, ['stick', 'piece of string']),
  marker('strip of tape', 'strips of tape', 'indoors', 0.3, ['piece of string', 'sock'], 'Tape that comes off floors; ask first.'),
  marker('piece of string', 'pieces of string', 'anywhere', 0.5, ['strip of tape', 'sock'], 'Put string and bands away after playing.'),
  marker(
    'piece of paper',
    'pieces of paper',
    'indoors',
    0.297,
    ['book', 'sock'],
    'Not to be stepped on: paper slides.',
    'ISO 216: A4 is 210 × 297 mm',
  ),
  marker('tea towel', 'tea towels', 'anywhere', 0.6, ['sock', 'piece of string'], 'Only where cloth cannot slide.'),
  marker('cushion cover', 'cushion covers', 'indoors', 0.4, ['tea towel', 'sock'], 'Only where cloth cannot slide.'),
  marker('leaf', 'leaves', 'outdoors', 0.12, ['stick', 'chalk line']),
  marker('stick', 'sticks', 'outdoors', 0.3, ['chalk line', 'leaf'], 'A short one, laid flat.'),
  marker('peg', 'pegs', 'anywhere', 0.08, ['sock', 'leaf'], 'Flat on the ground, where nobody steps on it with bare feet.'),
  marker('shoe', 'shoes', 'anywhere', 0.22, ['sock', 'book']),
];
