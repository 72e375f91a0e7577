/**
 * What is in a house: things to throw and things to aim at, with real sizes. Lengths in metres, mass in kilograms.
 * Sizes of household things vary; unless a source is named they are assumed, typical sizes.
 */
export type ImplementId = 'sock-ball' | 'foil-ball' | 'foam-ball' | 'tennis-ball';
export type AimedId = 'laundry-basket' | 'bucket' | 'box' | 'mixing-bowl' | 'bottle' | 'kitchen-roll' | 'biscuit-tin' | 'broom-handle';
export type ObjectId = ImplementId | AimedId;

export interface Implement {
  readonly id: ImplementId;
  readonly name: string;
  readonly radiusM: number;
  readonly massKg: number;
  /** Share of speed kept in a bounce on a hard floor (coefficient of restitution). */
  readonly restitution: number;
  readonly source: string;
  readonly makeIt: string;
  readonly substitutes: readonly ImplementId[];
  readonly caution?: string;
}

/** An opening takes the ball in from above; an upright is struck and falls or rings. */
export type AimedShape =
  | { readonly kind: 'opening'; readonly outline: 'rectangle'; readonly widthM: number; readonly depthM: number; readonly rimM: number }
  | { readonly kind: 'opening'; readonly outline: 'round'; readonly diameterM: number; readonly rimM: number }
  | { readonly kind: 'upright'; readonly widthM: number; readonly heightM: number };

export interface Aimed {
  readonly id: AimedId;
  readonly name: string;
  readonly shape: AimedShape;
  readonly source: string;
  readonly substitutes: readonly AimedId[];
  readonly caution?: string;
}

const ASSUMED = 'assumed, typical size';

export const IMPLEMENTS: Readonly<Record<ImplementId, Implement>> = {
  'sock-ball': {
    id: 'sock-ball',
    name: 'sock ball',
    radiusM: 0.045,
    massKg: 0.06,
    restitution: 0.15,
    source: ASSUMED,
    makeIt: 'Roll a pair of thick socks tightly and fold the cuff of one over the roll.',
    substitutes: ['foam-ball', 'foil-ball'],
  },
  'foil-ball': {
    id: 'foil-ball',
    name: 'foil ball',
    radiusM: 0.03,
    massKg: 0.02,
    restitution: 0.3,
    source: ASSUMED,
    makeIt: 'Press a long piece of kitchen foil into a ball. Press every edge flat.',
    substitutes: ['sock-ball', 'foam-ball'],
    caution: 'Press the foil smooth: a sharp edge scratches.',
  },
  'foam-ball': {
    id: 'foam-ball',
    name: 'foam ball',
    radiusM: 0.035,
    massKg: 0.02,
    restitution: 0.5,
    source: ASSUMED,
    makeIt: 'Any soft sponge or foam ball the size of a fist.',
    substitutes: ['sock-ball', 'foil-ball'],
  },
  'tennis-ball': {
    id: 'tennis-ball',
    name: 'tennis ball',
    radiusM: 0.0335,
    massKg: 0.0577,
    restitution: 0.745,
    source: 'ITF Rules of Tennis: 6.54–6.86 cm across, 56.0–59.4 g, rebound 135–147 cm from 254 cm; middle of each range',
    makeIt: 'An old one is best.',
    substitutes: ['sock-ball', 'foam-ball'],
    caution: 'A tennis ball is hard: outdoors, with an adult there, away from windows.',
  },
};

export const AIMED: Readonly<Record<AimedId, Aimed>> = {
  'laundry-basket': {
    id: 'laundry-basket',
    name: 'laundry basket',
    shape: { kind: 'opening', outline: 'rectangle', widthM: 0.6, depthM: 0.45, rimM: 0.3 },
    source: ASSUMED,
    substitutes: ['box', 'bucket'],
  },
  bucket: {
    id: 'bucket',
    name: 'bucket',
    shape: { kind: 'opening', outline: 'round', diameterM: 0.3, rimM: 0.28 },
    source: ASSUMED,
    substitutes: ['box', 'mixing-bowl'],
    caution: 'Use the bucket empty and dry.',
  },
  box: {
    id: 'box',
    name: 'cardboard box',
    shape: { kind: 'opening', outline: 'rectangle', widthM: 0.45, depthM: 0.35, rimM: 0.3 },
    source: ASSUMED,
    substitutes: ['laundry-basket', 'bucket'],
    caution: 'Take out staples and tape ends first.',
  },
  'mixing-bowl': {
    id: 'mixing-bowl',
    name: 'mixing bowl',
    shape: { kind: 'opening', outline: 'round', diameterM: 0.26, rimM: 0.12 },
    source: ASSUMED,
    substitutes: ['bucket', 'box'],
    caution: 'A plastic or metal bowl, never glass or china.',
  },
  bottle: {
    id: 'bottle',
    name: 'empty plastic bottle',
    shape: { kind: 'upright', widthM: 0.09, heightM: 0.31 },
    source: ASSUMED,
    substitutes: ['kitchen-roll', 'biscuit-tin'],
    caution: 'Rinse it. Never one that held cleaning products.',
  },
  'kitchen-roll': {
    id: 'kitchen-roll',
    name: 'kitchen roll',
    shape: { kind: 'upright', widthM: 0.11, heightM: 0.24 },
    source: ASSUMED,
    substitutes: ['bottle', 'biscuit-tin'],
  },
  'biscuit-tin': {
    id: 'biscuit-tin',
    name: 'small tin',
    shape: { kind: 'upright', widthM: 0.075, heightM: 0.11 },
    source: ASSUMED,
    substitutes: ['bottle', 'kitchen-roll'],
    caution: 'A closed lid and no sharp rim.',
  },
  'broom-handle': {
    id: 'broom-handle',
    name: 'broom handle',
    shape: { kind: 'upright', widthM: 0.025, heightM: 1.2 },
    source: ASSUMED,
    substitutes: ['bottle', 'kitchen-roll'],
    caution: 'Stand it where it cannot fall on anybody.',
  },
};

export const IMPLEMENT_IDS = Object.keys(IMPLEMENTS) as readonly ImplementId[];
export const AIMED_IDS = Object.keys(AIMED) as readonly AimedId[];

/** Width of the outline across the line of throw, in metres. */
export function outlineWidthM(shape: AimedShape): number {
  return shape.kind === 'opening' && shape.outline === 'round' ? shape.diameterM : shape.widthM;
}
