'use client';
/** One level: its name and reach, the chance as ten dots, likely scores with par, throws and time. */
import { GripVertical } from 'lucide-react';
import { memo, type Dispatch } from 'react';
import { Button } from 'react-aria-components';
import type { LevelForecast } from '@/core/forecast/forecast-level';
import { chanceWords } from '@/core/forecast/words';
import { placeName } from '@/core/rules/telling/place-name';
import { NumberSlot } from '@/ui/number-slot';
import { ScoreBand } from '@/ui/score-band';
import { TenDots } from '@/ui/ten-dots';
import { useAlive } from '@/ui/use-alive';
import type { DraftAction } from '../draft';
import type { WantedLevel } from '../table-model';
import { inTen, likelyWords, reachWords, readDistances, remarksOf } from './model';
import { Chance, LevelBox, LevelHead, LengthLine, LevelNote } from './style';

interface LevelColumnProps {
  readonly id: string;
  readonly name: string;
  readonly index: number;
  readonly on: boolean;
  /** Metres from each mark, as one text, so that a column is drawn again only when its own lengths change. */
  readonly distances: string;
  readonly forecast: LevelForecast | null;
  readonly stepM: number;
  readonly onShow: (level: WantedLevel) => void;
  readonly dispatch: Dispatch<DraftAction>;
  readonly readOnly: boolean;
  /** A game whose marks can be moved and whose throws are forecast. */
  readonly plain: boolean;
  /** The marks of its first task. */
  readonly group: string;
  /** What sets this level apart from the one before. */
  readonly differs: string;
  readonly beat: string;
  /** Many levels stand side by side. */
  readonly narrow: boolean;
}

export const LevelColumn = memo(function LevelColumn({
  id,
  name,
  index,
  on,
  distances: written,
  forecast,
  stepM,
  onShow,
  dispatch,
  readOnly,
  plain,
  group,
  differs,
  beat,
  narrow,
}: LevelColumnProps) {
  const alive = useAlive();
  const distances = readDistances(written);
  const reach = reachWords(distances, stepM);
  return (
    <LevelBox id={id} textValue={name} style={{ gridColumn: index + 1 }} $on={on} onClick={() => onShow({ id, index })}>
      <LevelHead>
        {!readOnly && (
          <Button slot="drag" className="grip" aria-label={`Move ${name}`}>
            <GripVertical size={14} aria-hidden />
          </Button>
        )}
        {on && !readOnly ? (
          <input
            key={name}
            aria-label="Name of the level that is shown"
            defaultValue={name}
            size={Math.max(4, name.length)}
            maxLength={24}
            onBlur={(event) => dispatch({ do: 'level-name', level: index, name: event.target.value })}
            onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
          />
        ) : (
          <button type="button" aria-pressed={on} disabled={!alive} onClick={() => onShow({ id, index })}>
            {name}
          </button>
        )}
        {reach && (
          <>
            <b>{reach.metres}</b>
            {!narrow && <span>{reach.steps}</span>}
          </>
        )}
      </LevelHead>
      {forecast ? (
        <>
          {forecast.chance && (
            <Chance>
              <TenDots
                chance={forecast.chance.chance}
                low={forecast.chance.low}
                high={forecast.chance.high}
                label={`About ${inTen(forecast.chance.low)} to ${inTen(forecast.chance.high)} hits in 10`}
              />
              <strong>{chanceWords(forecast.chance)}</strong>
            </Chance>
          )}
          <ScoreBand
            histogram={forecast.histogram}
            lowest={forecast.lowestScore}
            scoreStep={forecast.scoreStep}
            par={forecast.par}
            low={forecast.likelyLow}
            high={forecast.likelyHigh}
            width={narrow ? 142 : 240}
          />
          <LevelNote>{likelyWords(forecast, plain)}</LevelNote>
          <LevelNote>{[...remarksOf(forecast, differs), ...(beat === '' ? [] : [beat])].join(' · ')}</LevelNote>
        </>
      ) : (
        <LevelNote role="status">working it out …</LevelNote>
      )}
      {on && plain && (
        <LengthLine onClick={(event) => event.stopPropagation()}>
          {distances.map((length, mark) => (
            <span key={mark}>
              {placeName(mark, distances.length)}{' '}
              {readOnly ? (
                <b>{length.toFixed(2)}</b>
              ) : (
                <NumberSlot
                  label={`${placeName(mark, distances.length)} mark, metres from the target`}
                  value={length}
                  min={0.3}
                  max={20}
                  step={0.1}
                  decimals={2}
                  onChange={(distanceM) => dispatch({ do: 'set-distance', level: index, group, mark, distanceM })}
                />
              )}{' '}
              m
            </span>
          ))}
        </LengthLine>
      )}
    </LevelBox>
  );
});
