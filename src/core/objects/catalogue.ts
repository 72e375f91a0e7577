/** What is in a house, as data: one place to import it from. */
export { AIMED, AIMED_IDS, isThrownAt, nameOf, outlineWidthM, shapeOf, shapeToTry, THROWN_AT_IDS, type AimedId } from './aimed';
export type { AimedShape, ThrownShape } from './shapes';
export { BALL_IDS, IMPLEMENTS, IMPLEMENT_IDS, type Implement, type ImplementId } from './implements';
export { MARKERS } from './markers';
export type { OwnThing } from './own';
