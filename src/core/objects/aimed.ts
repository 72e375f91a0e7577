import type { OwnThing } from './own';
import type { AimedShape, Give, ThrownShape } from './shapes';

/**
 * What is aimed at, built with, or stands in the way. Lengths in metres, mass in kilograms. Sizes of household things vary: assumed,
 * typical, unless a source is named; `sizeM` is the range of the width met in homes.
 */
export type AimedId =
  | 'laundry-basket'
  | 'bucket'
  | 'box'
  | 'shoe-box'
  | 'mixing-bowl'
  | 'large-bowl'
  | 'small-bowl'
  | 'washing-up-bowl'
  | 'saucepan'
  | 'yoghurt-pot'
  | 'bottle'
  | 'small-bottle'
  | 'weighted-bottle'
  | 'kitchen-roll'
  | 'tube'
  | 'biscuit-tin'
  | 'food-can'
  | 'cereal-box'
  | 'paper-cup'
  | 'broom-handle'
  | 'plate-on-chair'
  | 'paper-plate'
  | 'string-loop'
  | 'towel-ring'
  | 'door-mat'
  | 'shoe-gate'
  | 'chair-legs'
  | 'sofa-front'
  | 'sofa-seat'
  | 'tipped-basket'
  | 'tipped-box'
  | 'tipped-cup'
  | 'wall'
  | 'ramp'
  | 'pillow'
  | 'chair'
  | 'towel-strip'
  | 'clothes-horse';

export interface Aimed {
  readonly id: AimedId;
  readonly name: string;
  readonly shape: AimedShape;
  readonly sizeM: readonly [least: number, most: number];
  /** Kilograms, and how it falls: the height of its middle of mass as a share of its height; only for what can be knocked over. */
  readonly massKg?: number;
  readonly balance?: number;
  /** What it is made of, as far as a ball that comes in feels it; only for what takes a ball in. */
  readonly give?: Give;
  /** Several of them make a set of pins. */
  readonly pin?: true;
  readonly source: string;
  readonly makeIt?: string;
  readonly substitutes: readonly AimedId[];
  readonly caution?: string;
}

const ASSUMED = 'assumed, typical size';
const round = (diameterM: number, rimM: number): AimedShape => ({ kind: 'opening', outline: 'round', diameterM, rimM });
const square = (widthM: number, depthM: number, rimM: number): AimedShape => ({ kind: 'opening', outline: 'rectangle', widthM, depthM, rimM });
const upright = (widthM: number, heightM: number): AimedShape => ({ kind: 'upright', widthM, heightM });
const flat = (diameterM: number, heightM = 0): AimedShape => ({ kind: 'flat', diameterM, heightM });
const block = (widthM: number, depthM: number, heightM: number): AimedShape => ({ kind: 'block', widthM, depthM, heightM });

type Row = Omit<Aimed, 'id' | 'source'> & Partial<Pick<Aimed, 'source'>>;

const NO_CLEANERS = 'Rinse it. Never one that held cleaning products.';

const rows: Readonly<Record<AimedId, Row>> = {
  'laundry-basket': {
    name: 'laundry basket',
    give: 'plastic',
    shape: square(0.6, 0.45, 0.3),
    sizeM: [0.45, 0.7],
    substitutes: ['box', 'bucket', 'washing-up-bowl'],
  },
  bucket: {
    name: 'bucket',
    give: 'pail',
    shape: round(0.3, 0.28),
    sizeM: [0.24, 0.34],
    substitutes: ['box', 'mixing-bowl', 'laundry-basket'],
    caution: 'Use the bucket empty and dry.',
  },
  box: {
    name: 'cardboard box',
    give: 'cardboard',
    shape: square(0.45, 0.35, 0.3),
    sizeM: [0.25, 0.6],
    substitutes: ['laundry-basket', 'bucket', 'washing-up-bowl'],
    caution: 'Take out staples and tape ends first.',
  },
  'shoe-box': {
    name: 'shoe box',
    give: 'cardboard',
    shape: square(0.33, 0.2, 0.12),
    sizeM: [0.28, 0.36],
    substitutes: ['small-bowl', 'mixing-bowl', 'box'],
  },
  'mixing-bowl': {
    name: 'mixing bowl',
    give: 'pail',
    shape: round(0.26, 0.12),
    sizeM: [0.2, 0.3],
    substitutes: ['bucket', 'box', 'saucepan'],
    caution: 'A plastic or metal bowl, never glass or china.',
  },
  'large-bowl': {
    name: 'large bowl',
    give: 'pail',
    shape: round(0.32, 0.14),
    sizeM: [0.28, 0.36],
    substitutes: ['washing-up-bowl', 'bucket', 'box'],
    caution: 'A plastic or metal bowl, never glass or china.',
  },
  'small-bowl': {
    name: 'small bowl',
    give: 'pail',
    shape: round(0.16, 0.08),
    sizeM: [0.12, 0.2],
    substitutes: ['yoghurt-pot', 'shoe-box', 'mixing-bowl'],
    caution: 'A plastic or metal bowl, never glass or china.',
  },
  'washing-up-bowl': {
    name: 'washing-up bowl',
    give: 'plastic',
    shape: square(0.38, 0.32, 0.15),
    sizeM: [0.32, 0.42],
    substitutes: ['box', 'laundry-basket', 'large-bowl'],
    caution: 'Empty and dry.',
  },
  saucepan: {
    name: 'saucepan',
    give: 'pail',
    shape: round(0.2, 0.12),
    sizeM: [0.16, 0.24],
    substitutes: ['mixing-bowl', 'bucket'],
    caution: 'A cold, empty one, away from the cooker.',
  },
  'yoghurt-pot': {
    name: 'large yoghurt pot',
    give: 'plastic',
    shape: round(0.11, 0.12),
    sizeM: [0.09, 0.13],
    substitutes: ['small-bowl', 'paper-cup'],
    caution: NO_CLEANERS,
  },
  bottle: {
    name: 'empty plastic bottle',
    shape: upright(0.09, 0.31),
    sizeM: [0.07, 0.11],
    massKg: 0.038,
    balance: 0.42,
    pin: true,
    substitutes: ['kitchen-roll', 'biscuit-tin', 'tube'],
    caution: NO_CLEANERS,
  },
  'small-bottle': {
    name: 'small plastic bottle',
    shape: upright(0.065, 0.22),
    sizeM: [0.055, 0.07],
    massKg: 0.02,
    balance: 0.42,
    pin: true,
    substitutes: ['tube', 'paper-cup', 'bottle'],
    caution: NO_CLEANERS,
  },
  'weighted-bottle': {
    name: 'bottle with a little water',
    shape: upright(0.065, 0.22),
    sizeM: [0.055, 0.07],
    massKg: 0.22,
    balance: 0.2,
    pin: true,
    makeIt: 'Pour in a small cup of water or rice and screw the lid tight.',
    substitutes: ['small-bottle', 'food-can'],
    caution: 'Screw the lid tight. Wipe up water at once.',
  },
  'kitchen-roll': {
    name: 'kitchen roll',
    shape: upright(0.11, 0.24),
    sizeM: [0.1, 0.13],
    massKg: 0.2,
    balance: 0.5,
    pin: true,
    substitutes: ['bottle', 'biscuit-tin', 'cereal-box'],
  },
  tube: {
    name: 'cardboard tube',
    shape: upright(0.045, 0.1),
    sizeM: [0.04, 0.05],
    massKg: 0.005,
    balance: 0.5,
    pin: true,
    makeIt: 'Stand the tube of a finished roll on its end. Two taped together make a tall one.',
    substitutes: ['paper-cup', 'small-bottle', 'food-can'],
  },
  'biscuit-tin': {
    name: 'small tin',
    shape: upright(0.075, 0.11),
    sizeM: [0.06, 0.1],
    massKg: 0.06,
    balance: 0.45,
    pin: true,
    substitutes: ['bottle', 'kitchen-roll', 'food-can'],
    caution: 'A closed lid and no sharp rim.',
  },
  'food-can': {
    name: 'empty food can',
    shape: upright(0.075, 0.11),
    sizeM: [0.065, 0.1],
    massKg: 0.055,
    balance: 0.5,
    pin: true,
    substitutes: ['biscuit-tin', 'tube', 'paper-cup'],
    caution: 'Only with a smooth rim; tape over the cut edge.',
  },
  'cereal-box': {
    name: 'empty cereal box',
    shape: upright(0.19, 0.3),
    sizeM: [0.15, 0.22],
    massKg: 0.06,
    balance: 0.5,
    pin: true,
    substitutes: ['kitchen-roll', 'bottle'],
  },
  'paper-cup': {
    name: 'paper cup',
    shape: upright(0.08, 0.1),
    sizeM: [0.07, 0.09],
    massKg: 0.008,
    balance: 0.5,
    pin: true,
    makeIt: 'Stand it upside down.',
    substitutes: ['tube', 'yoghurt-pot'],
  },
  'broom-handle': {
    name: 'broom handle',
    shape: upright(0.025, 1.2),
    sizeM: [0.022, 0.03],
    massKg: 0.5,
    balance: 0.5,
    substitutes: ['bottle', 'kitchen-roll'],
    caution: 'Stand it where it cannot fall on anybody.',
  },
  'plate-on-chair': {
    name: 'paper plate on a chair',
    shape: { kind: 'face', widthM: 0.23, heightM: 0.23 },
    sizeM: [0.18, 0.26],
    makeIt: 'Lean a paper plate against the back of a chair, on its seat.',
    substitutes: ['cereal-box', 'kitchen-roll'],
    caution: 'A steady chair; nobody climbs on it.',
  },
  'paper-plate': { name: 'paper plate', shape: flat(0.23), sizeM: [0.18, 0.26], substitutes: ['string-loop', 'door-mat'] },
  'string-loop': {
    name: 'loop of string',
    shape: flat(0.5),
    sizeM: [0.3, 0.8],
    makeIt: 'Lay a string in a ring on the floor, as wide as your arm is long.',
    substitutes: ['towel-ring', 'paper-plate', 'door-mat'],
    caution: 'Put loops and bands away after playing.',
  },
  'towel-ring': {
    name: 'ring made of a towel',
    shape: flat(0.45),
    sizeM: [0.35, 0.6],
    makeIt: 'Roll a towel into a sausage and lay it in a ring.',
    substitutes: ['string-loop', 'washing-up-bowl'],
    caution: 'Only where cloth cannot slide.',
  },
  'door-mat': {
    name: 'door mat',
    shape: flat(0.5),
    sizeM: [0.4, 0.6],
    substitutes: ['string-loop', 'towel-ring'],
    caution: 'Only where it cannot slide.',
  },
  'shoe-gate': {
    name: 'gate of two shoes',
    shape: { kind: 'gate', widthM: 0.6, postM: 0.1 },
    sizeM: [0.3, 1.5],
    makeIt: 'Set two shoes as far apart as two of yours, toe to heel.',
    substitutes: ['chair-legs', 'tipped-box'],
  },
  'chair-legs': {
    name: 'gate under a chair',
    shape: { kind: 'gate', widthM: 0.4, postM: 0.04 },
    sizeM: [0.35, 0.5],
    substitutes: ['shoe-gate', 'tipped-box'],
    caution: 'A steady chair with nobody on it.',
  },
  'sofa-front': {
    name: 'front of the sofa',
    shape: { kind: 'face', widthM: 1.8, heightM: 0.4 },
    sizeM: [1.3, 2.2],
    substitutes: ['wall', 'shoe-gate'],
  },
  'sofa-seat': {
    name: 'seat of the sofa',
    shape: flat(0.55, 0.42),
    sizeM: [0.45, 0.7],
    substitutes: ['laundry-basket', 'door-mat'],
  },
  'tipped-basket': {
    name: 'basket on its side',
    shape: { kind: 'mouth', widthM: 0.6, depthM: 0.3, heightM: 0.45 },
    sizeM: [0.45, 0.7],
    makeIt: 'Lay a basket on its side with the mouth towards you.',
    substitutes: ['tipped-box', 'shoe-gate'],
  },
  'tipped-box': {
    name: 'box on its side',
    shape: { kind: 'mouth', widthM: 0.45, depthM: 0.3, heightM: 0.35 },
    sizeM: [0.25, 0.6],
    substitutes: ['tipped-basket', 'shoe-gate', 'chair-legs'],
    caution: 'Take out staples and tape ends first.',
  },
  'tipped-cup': {
    name: 'cup on its side',
    shape: { kind: 'mouth', widthM: 0.075, depthM: 0.1, heightM: 0.075 },
    sizeM: [0.065, 0.09],
    substitutes: ['tipped-box', 'string-loop'],
    caution: 'A plastic or paper cup, never glass or china.',
  },
  wall: {
    name: 'wall',
    shape: { kind: 'face', widthM: 2, heightM: 2.2 },
    sizeM: [1, 4],
    substitutes: ['sofa-front'],
    caution: 'A bare wall: no picture frames, windows or lamps.',
  },
  ramp: {
    name: 'cardboard ramp',
    shape: { kind: 'block', widthM: 0.4, depthM: 0.5, heightM: 0.1 },
    sizeM: [0.3, 0.6],
    makeIt: 'Lean a flat piece of cardboard on a book.',
    substitutes: ['pillow'],
    caution: 'Nobody stands on the ramp.',
  },
  pillow: { name: 'pillow', shape: block(0.5, 0.15, 0.35), sizeM: [0.4, 0.7], substitutes: ['cereal-box', 'box'] },
  chair: {
    name: 'chair',
    shape: block(0.42, 0.42, 0.85),
    sizeM: [0.38, 0.5],
    substitutes: ['box', 'pillow'],
    caution: 'A steady chair with nobody on it.',
  },
  'towel-strip': {
    name: 'towel laid as a strip',
    shape: block(1, 0.4, 0.01),
    sizeM: [0.6, 1.4],
    substitutes: ['pillow', 'door-mat'],
    caution: 'Only where cloth cannot slide.',
  },
  'clothes-horse': {
    name: 'clothes horse',
    shape: block(0.6, 0.5, 1),
    sizeM: [0.5, 1],
    substitutes: ['chair', 'pillow'],
    caution: 'Stand it steady; it must not fall on anybody.',
  },
};

export const AIMED = Object.fromEntries(Object.entries(rows).map(([id, row]) => [id, { source: ASSUMED, ...row, id }])) as unknown as Readonly<
  Record<AimedId, Aimed>
>;

export const AIMED_IDS = Object.keys(AIMED) as readonly AimedId[];

/** Width of the outline across the line of throw, in metres. */
export function outlineWidthM(shape: AimedShape): number {
  return 'diameterM' in shape ? shape.diameterM : shape.widthM;
}

export function isThrownAt(shape: AimedShape): shape is ThrownShape {
  return shape.kind === 'opening' || shape.kind === 'upright';
}

export const THROWN_AT_IDS = AIMED_IDS.filter((id) => isThrownAt(AIMED[id].shape));

/** What tells the size and the name of a thing that is set out. */
export interface Sized {
  readonly object: AimedId;
  readonly widthM?: number | undefined;
  readonly own?: OwnThing | undefined;
  readonly aim?: 'in' | 'hit' | undefined;
}

/** What a thing that is set out is called. */
export function nameOf({ object, own }: Sized): string {
  return own?.name ?? AIMED[object].name;
}

/** The shape of a thing as wide as this one is: what else it measures across goes with the width, its height stays. */
export function shapeOf({ object, widthM, own }: Sized): AimedShape {
  const shape = own?.shape ?? AIMED[object].shape;
  if (widthM === undefined) return shape;
  const scale = widthM / outlineWidthM(shape);
  switch (shape.kind) {
    case 'opening':
      return shape.outline === 'round' ? { ...shape, diameterM: widthM } : { ...shape, widthM, depthM: shape.depthM * scale };
    case 'flat':
      return { ...shape, diameterM: widthM };
    case 'mouth':
    case 'block':
      return { ...shape, widthM, depthM: shape.depthM * scale };
    case 'upright':
    case 'gate':
    case 'face':
      return { ...shape, widthM };
  }
}

/** What a thing is to a try at it: one with an opening that is only to be hit is an upright as wide and as high. */
export function shapeToTry(thing: Sized): AimedShape {
  const shape = shapeOf(thing);
  return thing.aim === 'hit' && shape.kind === 'opening' ? upright(outlineWidthM(shape), shape.rimM) : shape;
}
