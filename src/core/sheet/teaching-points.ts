import type { Technique } from '../motion/assumed';

export type Hand = 'right' | 'left';

export interface TeachingPoint {
  /** A short word to say aloud. */
  readonly word: string;
  readonly point: string;
  /** What goes wrong without it. */
  readonly fault: string;
  /** Which foot stands in front, where the point is about feet; the opposite of the throwing hand. */
  readonly frontFoot: Hand | 'both' | null;
}

const opposite = (hand: Hand): Hand => (hand === 'right' ? 'left' : 'right');

/** Teaching points of a technique in the order they are done, for this hand; none for a movement that has none yet. */
export function teachingPoints(technique: Technique | null, hand: Hand): readonly TeachingPoint[] {
  if (technique === null) return [];
  const other = opposite(hand);
  switch (technique) {
    case 'underarm':
      return [
        {
          word: 'Step',
          point: `Face the target. Step forward with your ${other} foot as your ${hand} arm swings.`,
          fault: 'Wrong foot? Touch the other leg first, then step.',
          frontFoot: other,
        },
        {
          word: 'Point',
          point: 'Let go low and finish with your hand pointing at the target.',
          fault: 'If the hand stops early the ball falls short.',
          frontFoot: null,
        },
      ];
    case 'overarm':
      return [
        {
          word: 'Sideways',
          point: `Stand side on with your ${other} foot in front. Ball by your ear, other arm points.`,
          fault: 'Facing the front gives a weak throw.',
          frontFoot: other,
        },
        {
          word: 'Elbow',
          point: 'The elbow leads, then the hand follows through across your body.',
          fault: 'An elbow that drops sends the ball high.',
          frontFoot: null,
        },
      ];
    case 'set-shot':
      return [
        {
          word: 'Bend',
          point: `Feet apart, your ${hand} foot a little in front. Bend your knees.`,
          fault: 'Straight legs make the arms do it all.',
          frontFoot: hand,
        },
        {
          word: 'High',
          point: 'Elbow under the ball. Finish with your hand high.',
          fault: 'An elbow that points out gives a flat shot.',
          frontFoot: null,
        },
      ];
  }
}
