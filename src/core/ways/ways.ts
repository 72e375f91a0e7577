/**
 * Ways to play: the rules of every kind of game, to be taken over for what stands on a floor. Each is the rules of one starter, without
 * its name and its layout, so that what a teacher builds on a blank floor and what ships run on the same rules.
 */
import allAshore from '../../../data/starters/all-ashore.json' with { type: 'json' };
import buoysAloft from '../../../data/starters/buoys-aloft.json' with { type: 'json' };
import catchTheFerry from '../../../data/starters/catch-the-ferry.json' with { type: 'json' };
import clearTheJetty from '../../../data/starters/clear-the-jetty.json' with { type: 'json' };
import dropAnchor from '../../../data/starters/drop-anchor.json' with { type: 'json' };
import ferryFares from '../../../data/starters/ferry-fares.json' with { type: 'json' };
import fillTheLock from '../../../data/starters/fill-the-lock.json' with { type: 'json' };
import fourBeforeDusk from '../../../data/starters/four-before-dusk.json' with { type: 'json' };
import harbourLamps from '../../../data/starters/harbour-lamps.json' with { type: 'json' };
import harbourMouth from '../../../data/starters/harbour-mouth.json' with { type: 'json' };
import harbourStores from '../../../data/starters/harbour-stores.json' with { type: 'json' };
import heronStrike from '../../../data/starters/heron-strike.json' with { type: 'json' };
import leapingFish from '../../../data/starters/leaping-fish.json' with { type: 'json' };
import letterTide from '../../../data/starters/letter-tide.json' with { type: 'json' };
import lilyPads from '../../../data/starters/lily-pads.json' with { type: 'json' };
import lochFrames from '../../../data/starters/loch-frames.json' with { type: 'json' };
import morningTide from '../../../data/starters/morning-tide.json' with { type: 'json' };
import oilskinDash from '../../../data/starters/oilskin-dash.json' with { type: 'json' };
import ottersErrand from '../../../data/starters/otters-errand.json' with { type: 'json' };
import overTheBurn from '../../../data/starters/over-the-burn.json' with { type: 'json' };
import puffinParade from '../../../data/starters/puffin-parade.json' with { type: 'json' };
import regattaDay from '../../../data/starters/regatta-day.json' with { type: 'json' };
import roundTheBuoys from '../../../data/starters/round-the-buoys.json' with { type: 'json' };
import shoreList from '../../../data/starters/shore-list.json' with { type: 'json' };
import skittleStair from '../../../data/starters/skittle-stair.json' with { type: 'json' };
import squall from '../../../data/starters/squall.json' with { type: 'json' };
import steppingStones from '../../../data/starters/stepping-stones.json' with { type: 'json' };
import tossAndTrot from '../../../data/starters/toss-and-trot.json' with { type: 'json' };
import upTheBurn from '../../../data/starters/up-the-burn.json' with { type: 'json' };
import walkTheShore from '../../../data/starters/walk-the-shore.json' with { type: 'json' };
import type { Game } from '../rules/format/game';

export type WayFamily = 'points' | 'places' | 'pins' | 'near' | 'moving' | 'finding' | 'cards';

export const WAY_FAMILIES: Readonly<Record<WayFamily, string>> = {
  points: 'Hits and points',
  places: 'From place to place',
  pins: 'Pins and sets',
  near: 'Distance and strokes',
  moving: 'Counting and racing',
  finding: 'Finding and practising',
  cards: 'Several on one card',
};

export interface Way {
  readonly id: string;
  readonly family: WayFamily;
  readonly name: string;
  readonly says: string;
  /** Where the rules come from: parts, card, players and who calls are taken; the layout only where the floor lacks something. */
  readonly from: Game;
}

const way = (id: string, family: WayFamily, name: string, says: string, from: unknown): Way => ({ id, family, name, says, from: from as Game });

export const WAYS: readonly Way[] = [
  way('free-marks', 'points', 'Choose your mark', 'Against the clock; a farther mark gives more; an exercise after a miss.', harbourLamps),
  way(
    'free-marks-set-shot',
    'points',
    'Choose your mark, set shots',
    'Against the clock; a farther mark gives more; throw again after a miss.',
    ferryFares,
  ),
  way('hits-of-tries', 'points', 'Hits of so many tries', 'A fixed number of tries from one mark.', heronStrike),
  way('gather', 'points', 'Gather and throw', 'A ball is rolled to the child, gathered and thrown in one movement.', catchTheFerry),
  way('worth', 'points', 'Targets of different worth', 'In turn, up a ramp, first to a score.', harbourStores),
  way('one-after-each', 'places', 'On after each hit', 'Next place after a success, an exercise before every try, done at the last.', fourBeforeDusk),
  way(
    'rounds',
    'places',
    'Rounds and extras',
    'All places in order are a round; an exercise after each; full rounds and what is left over.',
    roundTheBuoys,
  ),
  way('gate-back', 'places', 'Farther back through a gate', 'A step farther after a success, one back after a miss.', harbourMouth),
  way('stones', 'places', 'Numbered spots, then a bonus', 'Spots in order; a last deciding shot.', steppingStones),
  way('chain-and-ring', 'places', 'A line of places, then a ring', 'Near to far, then round the outside either way.', upTheBurn),
  way('farthest', 'places', 'As far back as you can', 'A step back after each hit; the farthest counts.', walkTheShore),
  way('circuit', 'places', 'Two throws and a leap', 'Two targets in turn, two players who swap half-way.', overTheBurn),
  way('one-a-roll', 'pins', 'Clear them one by one', 'One object a roll, from farther each time all are cleared.', clearTheJetty),
  way('exactly-all', 'pins', 'All of one, of two, of three …', 'Exactly all of n pins with one roll, n rising.', skittleStair),
  way('frames', 'pins', 'Frames', 'Two balls a frame with what spares and strikes bring.', lochFrames),
  way('whole-set', 'pins', 'Only whole sets', 'A point when all are down; set up again while the clock runs.', allAshore),
  way('closest', 'near', 'Stop it closest', 'The smallest gap counts, on either side.', dropAnchor),
  way('course', 'near', 'A course of strokes', 'Holes with edges, a patch to keep off and a cap; fewest strokes.', ottersErrand),
  way('keep-up', 'moving', 'Longest run without a drop', 'Touches in a row; the best counts.', leapingFish),
  way('aloft', 'moving', 'Keep several up', 'Taps until all are on the floor.', buoysAloft),
  way('how-many', 'moving', 'How many in the time', 'A count when the time is up.', lilyPads),
  way('waddle', 'moving', 'To and fro with care', 'Places reached; a drop costs an exercise.', puffinParade),
  way('dress-up', 'moving', 'A race with things to put on', 'The watch runs until the last place.', oilskinDash),
  way('carry', 'moving', 'Carry until it is full', 'Trips with water; the watch runs until it runs over.', fillTheLock),
  way('coin', 'moving', 'As the coin allows', 'Heads go on, tails rest. It ranks by luck.', tossAndTrot),
  way('letters', 'finding', 'One thing for each letter', 'A time for each; the words are written down.', letterTide),
  way('list', 'finding', 'Things on a list', 'Found and missing when the time is up.', shoreList),
  way('practice', 'finding', 'Practice without a score', 'Only the minutes are written down.', morningTide),
  way('best-of-three', 'cards', 'Rounds against each other', 'Two rounds; a third only when level.', squall),
  way('stations', 'cards', 'Stations on one card', 'Six small games whose points are added.', regattaDay),
];

export const wayById = (id: string): Way | undefined => WAYS.find((one) => one.id === id);
