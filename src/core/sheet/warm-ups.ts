import { english } from '../words/english';
import type { Words } from '../words/words';
import { exerciseIn } from './exercise-words';

/** Warm-ups of ours, five to six minutes each, of exercises that are drawn. */
export interface WarmUp {
  readonly id: string;
  readonly name: string;
  readonly words: string;
}

export const WARM_UPS: readonly WarmUp[] = [
  { id: 'tide', name: 'Tide in, tide out', words: 'Five minutes: walk on the spot, big arm circles, ten slow squats, shake everything out.' },
  {
    id: 'quay',
    name: 'Along the quay',
    words: 'Five minutes: march with high knees, tap your heels behind you, reach for the sky, breathe out slowly.',
  },
  { id: 'heron', name: 'Heron', words: 'Five minutes: walk on your toes, balance on one leg and then the other, swing your arms, hop softly, rest.' },
  { id: 'squall', name: 'Squall', words: 'Six minutes: jog on the spot, ten star jumps, clap above your head, jog again, stretch up and down.' },
  {
    id: 'seated',
    name: 'In the boat, seated',
    words: 'Five minutes on a chair: big arm circles, clap above your head, march with your knees, reach to both sides, shake your hands.',
  },
  { id: 'dance', name: 'Own music', words: 'Six minutes: dance to two songs that you like, then stretch up and down and breathe out slowly.' },
];

export interface Move {
  /** As the family reads it. */
  readonly words: string;
  /** As it was written: what the drawing is found by. */
  readonly written: string;
  readonly drawn: boolean;
}

/** "Five minutes: walk on the spot, arm circles" as what stands before the colon and its moves. */
export function warmUpMoves(written: string, words: Words = english): { readonly intro: string; readonly moves: readonly Move[] } {
  const colon = written.indexOf(':');
  const moves = written
    .slice(colon + 1)
    .split(/[,;.]\s*/)
    .map((part) => part.trim())
    .filter(Boolean)
    .map((part) => ({ words: words.own(part), written: part, drawn: exerciseIn(part) !== undefined }));
  return { intro: colon < 0 ? '' : words.own(written.slice(0, colon)), moves };
}

/** A warm-up as one line, move by move in the family's language. */
export function warmUpWords(written: string, words: Words): string {
  if (words === english) return written;
  const { intro, moves } = warmUpMoves(written, words);
  const told = moves.map((move) => move.words).join(', ');
  return intro === '' ? `${told}.` : `${intro}: ${told}.`;
}
