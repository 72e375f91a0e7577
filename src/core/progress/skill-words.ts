/** How steady a class or a child is, in words. */
import { CALIBRATED_FROM } from './calibrated';
import type { Fitted, OthersMeasured } from './fit';

const times = (skill: number) => skill.toFixed(2);

/** No difference is told that the interval does not bear out: "steadier than is assumed at 10: errors about 0.87 as large (0.80 to 0.95, four times in five), from 412 tries". */
export function skillWords({ skill, low, high, attempts }: Fitted, ageYears: number): string {
  if (attempts === 0) return `as is assumed at ${ageYears}: nothing that tells of it has been reported`;
  const than =
    high < 1
      ? `steadier than is assumed at ${ageYears}`
      : low > 1
        ? `less steady than is assumed at ${ageYears}`
        : `about as steady as is assumed at ${ageYears}`;
  return `${than}: errors about ${times(skill)} as large (${times(low)} to ${times(high)}, four times in five), from ${attempts} ${attempts === 1 ? 'try' : 'tries'}`;
}

/** What the par of the next week will rest on; `others`: what others measured with its game. */
export function parRestsWords(fitted: Pick<Fitted, 'attempts'> | undefined, others?: OthersMeasured): string {
  if (fitted && fitted.attempts >= CALIBRATED_FROM) return `Par rests on about ${fitted.attempts} tries that this class has reported.`;
  const weighed = others ? `, with what another school measured (${others.hits} of ${others.tries} hit) weighed in by a third` : '';
  return `Par is what is assumed for the age${weighed}, until the class has reported 36 tries or held a class test.`;
}
