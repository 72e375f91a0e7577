/** Whether the model fits a class, in plain sentences: what parts from it, and what is then used. */
import type { Alarm, DoesItFit } from './does-it-fit';

/** A change of the spread a week in words: "steadier by about 3% a week". */
function trendWords(aWeek: number): string {
  const percent = Math.round(100 * Math.abs(Math.expm1(aWeek)));
  return `${aWeek < 0 ? 'steadier' : 'less steady'} by about ${Math.max(1, percent)}% a week`;
}

export function alarmWords(alarm: Alarm): string {
  switch (alarm.kind) {
    case 'far': {
      const where = alarm.fromM > 0 ? `From about ${alarm.fromM.toFixed(1)} m on` : 'From far away';
      const told = `${where} this class hits ${alarm.more ? 'more' : 'less'} often than the model says`;
      return alarm.bent
        ? `${told}. Its forecasts are bent to what it reported, since weeks that had not been seen were told better so.`
        : `${told}: chances there are guesses. They are not bent, since that told unseen weeks no better.`;
    }
    case 'trend':
      return `The class gets ${trendWords(alarm.aWeek)}. Par and chances of the next weeks go along with it.`;
    case 'scatter':
      return 'Some goes lie farther above what they were told than chance brings. Good and bad days do that, and so do scores that were told too high. Par rests on all of them: look at those that wait to be looked at.';
  }
}

/** One sentence for the whole: how well unseen weeks were told. */
export function scoresWords({ scores, tries }: Pick<DoesItFit, 'scores' | 'tries'>): string {
  if (tries === 0) return 'No try was tapped one by one yet, so nothing can be held against a forecast.';
  if (!scores) return 'All of it is of one week, so no week has been forecast yet that the fit had not seen.';
  const { fit, age } = scores;
  const better = fit.brier < age.brier;
  return `Each of the last weeks was forecast from the weeks before it, ${scores.tries} tries: the mean squared error of a try is ${fit.brier.toFixed(3)}, with what is assumed for the age ${age.brier.toFixed(3)} (log score ${fit.log.toFixed(3)} and ${age.log.toFixed(3)}). ${better ? 'The reports make it better.' : 'The reports make it no better yet.'}`;
}
