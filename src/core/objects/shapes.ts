/**
 * An opening takes the ball in from above; an upright is struck and falls or rings; a flat thing lies on the floor or on a seat and the
 * ball ends in or on it; a gate is passed between its posts; a mouth faces the player along the floor; a face is hit like a wall; a
 * block only stands in the way.
 */
export type AimedShape =
  | { readonly kind: 'opening'; readonly outline: 'rectangle'; readonly widthM: number; readonly depthM: number; readonly rimM: number }
  | { readonly kind: 'opening'; readonly outline: 'round'; readonly diameterM: number; readonly rimM: number }
  | { readonly kind: 'upright'; readonly widthM: number; readonly heightM: number }
  | { readonly kind: 'flat'; readonly diameterM: number; readonly heightM: number }
  | { readonly kind: 'gate'; readonly widthM: number; readonly postM: number }
  | { readonly kind: 'mouth'; readonly widthM: number; readonly depthM: number; readonly heightM: number }
  | { readonly kind: 'face'; readonly widthM: number; readonly heightM: number }
  | { readonly kind: 'block'; readonly widthM: number; readonly depthM: number; readonly heightM: number };

/** What a ball can be thrown at through the air: into an opening, or against something that stands. */
export type ThrownShape = Extract<AimedShape, { kind: 'opening' | 'upright' }>;

/** What an opening is made of, as far as a ball feels it. */
export type Give = 'plastic' | 'pail' | 'cardboard' | 'wicker';
