/** The format of a course: what stands where, its types and the Joi schema that admits one. Import only types from here on a child's page. */
import Joi from 'joi';
import { BOX_M } from './box';
import { AIMED_IDS, IMPLEMENT_IDS, type AimedId, type ImplementId } from '../../objects/catalogue';
import { ownThingSchema, type OwnThing } from '../../objects/own';

export type Id = string;

export interface Spot {
  readonly xM: number;
  readonly yM: number;
  /** Stays where it is until it is unlocked. */
  readonly locked?: true;
  /** Things with the same name here are moved together. */
  readonly tied?: Id;
}

/** A place to stand: a point, or anywhere in a box on the floor about it, its sides along those of the floor. */
export interface Place extends Spot {
  readonly box?: Box;
}

/** Along x and along y, metres. */
export interface Box {
  readonly widthM: number;
  readonly depthM: number;
}

export interface PlacedTarget extends Spot {
  readonly object: AimedId;
  readonly turnRad: number;
  /** Height of what it stands on; 0 on the floor. */
  readonly standM: number;
  /** How wide this one is, where that is to be told: a gap between shoes, a small box. Without it the usual width of its kind. */
  readonly widthM?: number;
  /** Of a thing with an opening: whether it is to be landed in or to be hit. */
  readonly aim?: 'in' | 'hit';
  /** A thing of the teacher's own: its name and size in place of those of the object, which is the one most like it. */
  readonly own?: OwnThing;
}

export type Surface = 'hard' | 'carpet' | 'grass' | 'tarmac';

/** A ball stops at a soft thing, comes back from a hard one, and must not reach one that breaks. A wall is a piece of one inside the floor. */
export type FurnitureKind = 'soft' | 'hard' | 'breakable' | 'wall';

/** The corner of a piece of furniture that is nearest the top left corner of the floor, and its size. Hard when it is not said. */
export interface Furniture extends Spot {
  readonly name: string;
  readonly widthM: number;
  readonly depthM: number;
  readonly kind?: FurnitureKind;
}

export type FloorSide = 'top' | 'right' | 'bottom' | 'left';

/** A door or a way through on a side of the floor; `atM` is its middle, from the left or the top. */
export interface Door {
  readonly side: FloorSide;
  readonly atM: number;
  readonly widthM: number;
}

/** A part of the floor of another ground: a rug, a strip of lawn. */
export interface Patch extends Spot {
  readonly name: string;
  readonly surface: Surface;
  readonly widthM: number;
  readonly depthM: number;
}

/** Seen from above: x to the right, y down, both from the top left corner of the floor. */
export interface Zone extends Spot {
  readonly name: string;
  readonly radiusM: number;
}

/** The floor, or the ground. */
export interface Floor {
  readonly widthM: number;
  readonly depthM: number;
  readonly surface: Surface;
  /** How far a ball of a kind rolled on it from so high a book, metres: instead of what is assumed for such a surface. */
  readonly rolled?: { readonly implement: ImplementId; readonly heightM: number; readonly lengthM: number };
}

export interface Course {
  readonly floor: Floor;
  readonly furniture: readonly Furniture[];
  readonly places: Readonly<Record<Id, readonly Place[]>>;
  readonly targets: Readonly<Record<Id, readonly PlacedTarget[]>>;
  /** What stands in the way or is built with: ramps, pillows, chairs, strips to leap. */
  readonly obstacles?: readonly PlacedTarget[];
  /** Ways to go or to roll, drawn as lines. */
  readonly routes?: Readonly<Record<Id, readonly Spot[]>>;
  /** Patches that must not be touched, and boxes on the floor. */
  readonly zones?: readonly Zone[];
  readonly doors?: readonly Door[];
  readonly patches?: readonly Patch[];
  /** Sides without a wall: the ball may roll on. */
  readonly open?: readonly FloorSide[];
}

export const ID = /^[a-z][a-z0-9-]{0,23}$/;
export const idSchema = Joi.string().pattern(ID);
export const metres = Joi.number().min(0).max(100);
export const wordsSchema = (most: number) => Joi.string().trim().min(1).max(most);

const spot = { xM: metres.required(), yM: metres.required(), locked: Joi.valid(true), tied: idSchema };
const side = Joi.number().min(BOX_M[0]).max(BOX_M[1]).required();
const place = Joi.object({ ...spot, box: Joi.object({ widthM: side, depthM: side }) });
const surface = Joi.string().valid('hard', 'carpet', 'grass', 'tarmac').required();
const floorSide = Joi.string().valid('top', 'right', 'bottom', 'left');
const placedTarget = Joi.object({
  ...spot,
  object: Joi.string()
    .valid(...AIMED_IDS)
    .required(),
  turnRad: Joi.number().min(-7).max(7).required(),
  standM: Joi.number().min(0).max(2).required(),
  widthM: Joi.number().min(0.02).max(5),
  aim: Joi.string().valid('in', 'hit'),
  own: ownThingSchema,
});
export const courseSchema = Joi.object({
  floor: Joi.object({
    widthM: Joi.number().min(1).max(100).required(),
    depthM: Joi.number().min(1).max(100).required(),
    surface,
    rolled: Joi.object({
      implement: Joi.string()
        .valid(...IMPLEMENT_IDS)
        .required(),
      heightM: Joi.number().min(0.005).max(0.5).required(),
      lengthM: Joi.number().min(0.1).max(30).required(),
    }),
  }).required(),
  furniture: Joi.array()
    .items(
      Joi.object({
        ...spot,
        name: Joi.string().max(30).required(),
        widthM: metres.required(),
        depthM: metres.required(),
        kind: Joi.string().valid('soft', 'hard', 'breakable', 'wall'),
      }),
    )
    .max(30)
    .required(),
  places: Joi.object().pattern(ID, Joi.array().items(place).min(1).max(30)).required(),
  targets: Joi.object().pattern(ID, Joi.array().items(placedTarget).min(1).max(30)).required(),
  obstacles: Joi.array().items(placedTarget).max(30),
  routes: Joi.object().pattern(ID, Joi.array().items(Joi.object(spot)).min(2).max(30)),
  zones: Joi.array()
    .items(Joi.object({ ...spot, name: wordsSchema(30).required(), radiusM: Joi.number().min(0.05).max(20).required() }))
    .max(12),
  doors: Joi.array()
    .items(Joi.object({ side: floorSide.required(), atM: metres.required(), widthM: Joi.number().min(0.3).max(10).required() }))
    .max(8),
  patches: Joi.array()
    .items(Joi.object({ ...spot, name: wordsSchema(30).required(), surface, widthM: metres.required(), depthM: metres.required() }))
    .max(12),
  open: Joi.array().items(floorSide).max(4).unique(),
});
