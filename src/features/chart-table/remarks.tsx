'use client';
import type { LevelForecast } from '@/core/forecast/forecast-level';
import { QuietButton } from '@/ui/button';
import { Notice } from '@/ui/notice';
import type { Racks } from './use-racks';

/** While pins are worked out as rigid bodies the rough figures stand, and say so. */
export function PinsRemark({ racks: { progress, stop } }: { racks: Racks }) {
  if (!progress) return null;
  const percent = Math.round((100 * (progress.done + progress.share)) / progress.of);
  return (
    <Notice $tone="remark">
      Pins are rough figures until each ball has been rolled at them: <progress value={percent} max={100} aria-label="Rolling balls at the pins" />{' '}
      {percent}% {progress.of > 1 && `(set ${progress.done + 1} of ${progress.of}) `}
      <QuietButton onPress={stop}>Stop</QuietButton>
    </Notice>
  );
}

/** A ranking by what is mostly luck would mislead: said where it is so. */
const MOSTLY_LUCK = 0.8;

export function LuckRemark({ forecast }: { forecast: LevelForecast }) {
  if (forecast.luckShare <= MOSTLY_LUCK) return null;
  return (
    <Notice $tone="open">
      One go is {Math.round(forecast.luckShare * 100)}% luck: two children of one age differ less than two goes of one child. More tries or several
      goes tell more.
    </Notice>
  );
}

/** What the time of a go is spent on, where it is more than a little. */
export function TimeRemark({ forecast: { fetchShare, exerciseShare } }: { forecast: LevelForecast }) {
  const spent = [
    ...(fetchShare > WORTH_SAYING ? [`${shareWords(fetchShare)} of the time goes on fetching`] : []),
    ...(exerciseShare > WORTH_SAYING ? [`${shareWords(exerciseShare)} on exercises and setting up`] : []),
  ];
  if (spent.length === 0) return null;
  const words = spent.join(', ');
  return <Notice $tone="remark">{words.charAt(0).toUpperCase() + words.slice(1)}.</Notice>;
}

const WORTH_SAYING = 0.05;

function shareWords(share: number): string {
  return share > 0.45 && share < 0.55 ? 'half' : share > 0.28 && share < 0.38 ? 'a third' : `${Math.round(share * 100)}%`;
}
