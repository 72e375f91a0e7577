import type { Surface } from '../rules/format/game';

export const SURFACE_NAMES: Readonly<Record<Surface, string>> = { hard: 'hard floor', carpet: 'carpet', grass: 'grass', tarmac: 'tarmac' };
