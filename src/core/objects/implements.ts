/**
 * What is thrown, rolled or kicked. Lengths in metres, mass in kilograms. Sizes of household things vary: `radiusM` and `massKg` are
 * typical, `sizeM` is the range of radius met in homes; assumed unless a source is named.
 */
export type ImplementId =
  | 'sock-ball'
  | 'big-sock-ball'
  | 'foil-ball'
  | 'foam-ball'
  | 'tennis-ball'
  | 'playground-ball'
  | 'football'
  | 'table-tennis-ball'
  | 'paper-ball'
  | 'wool-ball'
  | 'sponge'
  | 'rice-bag'
  | 'soft-toy'
  | 'toilet-roll'
  | 'cork'
  | 'balloon'
  | 'paper-plane'
  | 'jar-lid'
  | 'coin'
  | 'shoe';

export interface Implement {
  readonly id: ImplementId;
  readonly name: string;
  /** How it flies or moves; only balls have chances from the throwing model. */
  readonly moves: 'ball' | 'glides' | 'floats' | 'flips';
  readonly radiusM: number;
  readonly sizeM: readonly [least: number, most: number];
  readonly massKg: number;
  /** Share of speed kept in a bounce on a hard floor (coefficient of restitution). */
  readonly restitution: number;
  /** Its mass lies in its skin: it spins up more slowly, and rolls on more slowly. */
  readonly hollow?: true;
  /** Soft enough for indoors. */
  readonly soft: boolean;
  readonly source: string;
  readonly makeIt: string;
  readonly substitutes: readonly ImplementId[];
  readonly caution?: string;
}

const ASSUMED = 'assumed, typical size';
const ITF = 'ITF Rules of Tennis: 6.54–6.86 cm across, 56.0–59.4 g, rebound 135–147 cm from 254 cm; middle of each range';
const LAW_2 = 'Laws of the Game, law 2, size 5: 68–70 cm round, 410–450 g; middle of each range; bounce assumed';
const ITTF = 'ITTF rules: 40 mm across, 2.7 g, rebound 24–26 cm from 30 cm (from memory)';

type Row = Omit<Implement, 'id' | 'moves' | 'source'> & Partial<Pick<Implement, 'moves' | 'source'>>;

const rows: Readonly<Record<ImplementId, Row>> = {
  'sock-ball': {
    name: 'sock ball',
    radiusM: 0.045,
    sizeM: [0.035, 0.055],
    massKg: 0.06,
    restitution: 0.15,
    soft: true,
    makeIt: 'Roll a pair of thick socks tightly and fold the cuff of one over the roll.',
    substitutes: ['foam-ball', 'foil-ball', 'wool-ball'],
  },
  'big-sock-ball': {
    name: 'big sock ball',
    radiusM: 0.06,
    sizeM: [0.05, 0.075],
    massKg: 0.12,
    restitution: 0.12,
    soft: true,
    makeIt: 'Roll two pairs of socks into one ball and pull the last cuff over all of it.',
    substitutes: ['sock-ball', 'foam-ball', 'soft-toy'],
  },
  'foil-ball': {
    name: 'foil ball',
    radiusM: 0.03,
    sizeM: [0.02, 0.04],
    massKg: 0.02,
    restitution: 0.3,
    soft: true,
    makeIt: 'Press a long piece of kitchen foil into a ball. Press every edge flat.',
    substitutes: ['sock-ball', 'foam-ball', 'paper-ball'],
    caution: 'Press the foil smooth: a sharp edge scratches.',
  },
  'foam-ball': {
    name: 'foam ball',
    radiusM: 0.035,
    sizeM: [0.03, 0.1],
    massKg: 0.02,
    restitution: 0.5,
    soft: true,
    makeIt: 'Any soft sponge or foam ball the size of a fist.',
    substitutes: ['sock-ball', 'foil-ball', 'sponge'],
  },
  'tennis-ball': {
    name: 'tennis ball',
    hollow: true,
    radiusM: 0.0335,
    sizeM: [0.0327, 0.0343],
    massKg: 0.0577,
    restitution: 0.745,
    soft: false,
    source: ITF,
    makeIt: 'An old one is best.',
    substitutes: ['sock-ball', 'foam-ball'],
    caution: 'A tennis ball is hard: outdoors, with an adult there, away from windows.',
  },
  'playground-ball': {
    name: 'playground ball',
    hollow: true,
    radiusM: 0.105,
    sizeM: [0.08, 0.12],
    massKg: 0.25,
    restitution: 0.7,
    soft: false,
    makeIt: 'A light rubber ball, not pumped hard.',
    substitutes: ['big-sock-ball', 'foam-ball'],
    caution: 'Outdoors, or along the floor only. An adult is there.',
  },
  football: {
    name: 'football',
    hollow: true,
    radiusM: 0.11,
    sizeM: [0.108, 0.112],
    massKg: 0.43,
    restitution: 0.75,
    soft: false,
    source: LAW_2,
    makeIt: 'A little soft is kinder to feet and doors.',
    substitutes: ['playground-ball', 'toilet-roll', 'big-sock-ball'],
    caution: 'Outdoors only, with an adult there, away from windows and any road.',
  },
  'table-tennis-ball': {
    name: 'table-tennis ball',
    hollow: true,
    radiusM: 0.02,
    sizeM: [0.02, 0.02],
    massKg: 0.0027,
    restitution: 0.91,
    soft: true,
    source: ITTF,
    makeIt: 'Any small hollow plastic ball.',
    substitutes: ['paper-ball', 'foil-ball'],
    caution: 'Keep small balls from children under three.',
  },
  'paper-ball': {
    name: 'paper ball',
    radiusM: 0.035,
    sizeM: [0.025, 0.045],
    massKg: 0.01,
    restitution: 0.25,
    soft: true,
    makeIt: 'Crumple two sheets of used paper hard and put a band or tape round them.',
    substitutes: ['foil-ball', 'sock-ball'],
  },
  'wool-ball': {
    name: 'ball of wool',
    radiusM: 0.045,
    sizeM: [0.035, 0.06],
    massKg: 0.05,
    restitution: 0.2,
    soft: true,
    makeIt: 'Tuck the loose end in so that it does not unwind.',
    substitutes: ['sock-ball', 'foam-ball'],
    caution: 'Tuck the end in: a trailing thread trips.',
  },
  sponge: {
    name: 'dry sponge',
    radiusM: 0.045,
    sizeM: [0.035, 0.06],
    massKg: 0.015,
    restitution: 0.3,
    soft: true,
    makeIt: 'A clean, dry bath or dish sponge.',
    substitutes: ['sock-ball', 'foam-ball'],
    caution: 'New or well rinsed; never one that cleaned with strong stuff.',
  },
  'rice-bag': {
    name: 'little bag of rice',
    radiusM: 0.045,
    sizeM: [0.04, 0.06],
    massKg: 0.1,
    restitution: 0.05,
    soft: true,
    makeIt: 'Pour a cup of rice into a sock and knot it tight.',
    substitutes: ['sock-ball', 'soft-toy'],
    caution: 'Knot it tight: spilled rice is slippery. Throw it low.',
  },
  'soft-toy': {
    name: 'small soft toy',
    radiusM: 0.06,
    sizeM: [0.04, 0.09],
    massKg: 0.08,
    restitution: 0.1,
    soft: true,
    makeIt: 'One without hard eyes or buttons.',
    substitutes: ['sock-ball', 'big-sock-ball'],
  },
  'toilet-roll': {
    name: 'toilet roll',
    radiusM: 0.055,
    sizeM: [0.045, 0.06],
    massKg: 0.1,
    restitution: 0.2,
    soft: true,
    makeIt: 'Put a band or a sock round it so that it does not unroll.',
    substitutes: ['sock-ball', 'big-sock-ball'],
    caution: 'Never step or stand on a roll.',
  },
  cork: {
    name: 'cork',
    radiusM: 0.012,
    sizeM: [0.011, 0.015],
    massKg: 0.004,
    restitution: 0.4,
    soft: true,
    makeIt: 'A clean bottle cork.',
    substitutes: ['paper-ball', 'foil-ball'],
    caution: 'Keep small things from children under three.',
  },
  balloon: {
    name: 'balloon',
    moves: 'floats',
    radiusM: 0.12,
    sizeM: [0.09, 0.15],
    massKg: 0.003,
    restitution: 0.6,
    soft: true,
    makeIt: 'Blow it up to the size of a head; an adult ties it.',
    substitutes: ['paper-ball'],
    caution: 'Keep balloons from children under three. Put burst pieces in the bin at once.',
  },
  'paper-plane': {
    name: 'paper plane',
    moves: 'glides',
    radiusM: 0.1,
    sizeM: [0.08, 0.15],
    massKg: 0.005,
    restitution: 0.1,
    soft: true,
    makeIt: 'Fold a sheet of A4 along its length, then both top corners to the fold, twice. Bend the nose back.',
    substitutes: ['paper-ball'],
    caution: 'Fold the nose blunt and throw away from faces.',
  },
  'jar-lid': {
    name: 'jar lid',
    moves: 'flips',
    radiusM: 0.04,
    sizeM: [0.025, 0.05],
    massKg: 0.012,
    restitution: 0.3,
    soft: false,
    makeIt: 'A plastic lid, or a metal one without a sharp rim.',
    substitutes: ['coin'],
    caution: 'No sharp rim. Keep small lids from children under three.',
  },
  coin: {
    name: 'coin',
    moves: 'flips',
    radiusM: 0.012,
    sizeM: [0.01, 0.015],
    massKg: 0.007,
    restitution: 0.4,
    soft: false,
    makeIt: 'Any coin, or a button with two different sides.',
    substitutes: ['jar-lid'],
    caution: 'Keep small things from children under three.',
  },
  shoe: {
    name: 'old shoe',
    moves: 'flips',
    radiusM: 0.1,
    sizeM: [0.08, 0.13],
    massKg: 0.25,
    restitution: 0.2,
    soft: false,
    makeIt: 'A light, clean one that is easy to slip off.',
    substitutes: ['jar-lid'],
    caution: 'Outdoors only, far from anybody and from windows.',
  },
};

export const IMPLEMENTS = Object.fromEntries(
  Object.entries(rows).map(([id, row]) => [id, { moves: 'ball', source: ASSUMED, ...row, id }]),
) as unknown as Readonly<Record<ImplementId, Implement>>;

export const IMPLEMENT_IDS = Object.keys(IMPLEMENTS) as readonly ImplementId[];

/** Those that fly and roll as balls do. */
export const BALL_IDS = IMPLEMENT_IDS.filter((id) => IMPLEMENTS[id].moves === 'ball');
