import { AIMED, IMPLEMENTS } from '../objects/catalogue';
import type { Aimed } from './evidence';

const TECHNIQUES: Readonly<Record<Aimed['technique'], string>> = {
  underarm: 'underarm',
  overarm: 'overarm',
  'set-shot': 'set shot',
  roll: 'rolled',
  kick: 'kicked',
};
const FORMS: Readonly<Record<Aimed['form'], string>> = { standing: '', seated: ', seated', kneeling: ', kneeling', 'two-hands': ', two hands' };

/** "underarm, sock ball at a laundry basket, seated". */
export function aimWords({ technique, implement, target, form, otherHand }: Aimed): string {
  return `${TECHNIQUES[technique]}, ${IMPLEMENTS[implement].name} at a ${AIMED[target].name}${FORMS[form]}${otherHand ? ', other hand' : ''}`;
}
