/** Floors to start from: what a home has, with walls, doors, furniture and ground. Sizes assumed, typical; two of them try a design out. */
import type { Course, Door, FloorSide, Furniture, Game, Patch } from '../rules/format/game';
import { withFloor } from './move';

export const FLOORS = ['clear', 'living-room', 'bedroom', 'hallway', 'driveway', 'garden', 'small-home', 'large-home'] as const;
export type FloorId = (typeof FLOORS)[number];

export interface StartingFloor {
  readonly name: string;
  readonly floor: Course['floor'];
  readonly furniture: readonly Furniture[];
  readonly doors: readonly Door[];
  readonly patches: readonly Patch[];
  readonly open: readonly FloorSide[];
}

const plain = { furniture: [], doors: [], patches: [], open: [] } as const;
const piece = (name: string, kind: NonNullable<Furniture['kind']>, xM: number, yM: number, widthM: number, depthM: number): Furniture => ({
  name,
  xM,
  yM,
  widthM,
  depthM,
  kind,
});

export const STARTING_FLOORS: Readonly<Record<FloorId, StartingFloor>> = {
  clear: { ...plain, name: 'clear floor', floor: { widthM: 6.4, depthM: 3.6, surface: 'hard' } },
  'living-room': {
    name: 'living room',
    floor: { widthM: 4.6, depthM: 3.8, surface: 'carpet' },
    furniture: [
      piece('sofa', 'soft', 1.3, 2.95, 1.9, 0.85),
      piece('screen', 'breakable', 1.7, 0, 1.2, 0.4),
      piece('shelf', 'hard', 4.2, 0.6, 0.4, 1.4),
    ],
    doors: [{ side: 'left', atM: 0.7, widthM: 0.8 }],
    patches: [],
    open: [],
  },
  bedroom: {
    name: 'bedroom',
    floor: { widthM: 3.4, depthM: 2.8, surface: 'carpet' },
    furniture: [piece('bed', 'soft', 0, 0, 1.9, 0.95), piece('window', 'breakable', 3.35, 1.1, 0.05, 1)],
    doors: [{ side: 'bottom', atM: 0.6, widthM: 0.8 }],
    patches: [],
    open: [],
  },
  hallway: {
    name: 'hallway',
    floor: { widthM: 4.2, depthM: 1.2, surface: 'hard' },
    furniture: [piece('coats', 'soft', 0.3, 0, 0.9, 0.2)],
    doors: [
      { side: 'left', atM: 0.6, widthM: 0.8 },
      { side: 'top', atM: 2.6, widthM: 0.8 },
    ],
    patches: [],
    open: [],
  },
  driveway: {
    name: 'driveway',
    floor: { widthM: 7, depthM: 3, surface: 'tarmac' },
    furniture: [piece('garage door', 'hard', 6.8, 0.3, 0.2, 2.4)],
    doors: [],
    patches: [],
    open: ['left', 'bottom'],
  },
  garden: {
    name: 'garden',
    floor: { widthM: 8, depthM: 5, surface: 'grass' },
    furniture: [piece('glass house', 'breakable', 6.6, 0, 1.4, 1), piece('hedge', 'soft', 0, 4.6, 8, 0.4)],
    doors: [{ side: 'left', atM: 2.5, widthM: 1 }],
    patches: [{ name: 'paving', surface: 'hard', xM: 0, yM: 0, widthM: 1.6, depthM: 4.6 }],
    open: ['right'],
  },
  'small-home': { ...plain, name: 'small home: a clear line of 2.5 m', floor: { widthM: 2.9, depthM: 1.6, surface: 'carpet' } },
  'large-home': { ...plain, name: 'large home: a clear line of 6 m', floor: { widthM: 6.8, depthM: 4.2, surface: 'hard' } },
};

/** The longest clear line of a typical small home and of a large one, metres; assumed. */
export const SMALL_HOME_M = 2.5;
export const LARGE_HOME_M = 6;

/** The game on another floor: its size, ground and furniture are those of the floor; what is played with moves in with its distances, as far as there is room. */
export function onFloor(game: Game, id: FloorId): Game {
  const { floor, furniture, doors, patches, open } = STARTING_FLOORS[id];
  const sized = withFloor(game, floor.widthM, floor.depthM);
  const { doors: _doors, patches: _patches, open: _open, ...course } = sized.course;
  return {
    ...sized,
    course: {
      ...course,
      floor,
      furniture,
      ...(doors.length > 0 && { doors }),
      ...(patches.length > 0 && { patches }),
      ...(open.length > 0 && { open }),
    },
    levels: sized.levels.map((level) => ({
      ...level,
      set: Object.fromEntries(Object.entries(level.set).filter(([pointer]) => !/^\/course\/(floor|furniture|doors|patches|open)/.test(pointer))),
    })),
  };
}
