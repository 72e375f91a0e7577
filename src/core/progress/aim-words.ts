import { AIMED, IMPLEMENTS } from '../objects/catalogue';
import type { AimedTry } from './evidence';

const TECHNIQUES: Readonly<Record<AimedTry['technique'], string>> = {
  underarm: 'underarm',
  overarm: 'overarm',
  'set-shot': 'set shot',
  roll: 'rolled',
  kick: 'kicked',
};
const FORMS: Readonly<Record<AimedTry['form'], string>> = { standing: '', seated: ', seated', kneeling: ', kneeling', 'two-hands': ', two hands' };

/** "underarm, sock ball at a laundry basket, seated". */
export function aimWords({ technique, implement, target, form, otherHand }: AimedTry): string {
  return `${TECHNIQUES[technique]}, ${IMPLEMENTS[implement].name} at a ${AIMED[target].name}${FORMS[form]}${otherHand ? ', other hand' : ''}`;
}
