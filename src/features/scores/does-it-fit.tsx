'use client';
import { useState } from 'react';
import styled from 'styled-components';
import type { DoesItFit, ToldAndSeen } from '@/core/progress/does-it-fit';
import { alarmWords, scoresWords } from '@/core/progress/fit-words';
import { Select } from '@/ui/field';
import { Notice } from '@/ui/notice';
import { Figures, SoftLine, SubHead } from '@/ui/page';

const Chooser = styled.div`
  max-width: 220px;
  margin: var(--space-2) 0;
`;

const Bar = styled.svg`
  display: block;
  width: 100%;
  min-width: 120px;
  height: 16px;
`;

type By = 'tenths' | 'distance' | 'week' | 'family';
const BY: readonly { readonly value: By; readonly label: string }[] = [
  { value: 'tenths', label: 'chance' },
  { value: 'distance', label: 'distance' },
  { value: 'week', label: 'week' },
  { value: 'family', label: 'movement' },
];

const FAMILY_WORDS: Readonly<Record<string, string>> = {
  throw: 'throws',
  'set-shot': 'set shots',
  roll: 'rolls',
  kick: 'kicks',
  'keep-up': 'keeping up',
};

interface Row extends ToldAndSeen {
  readonly of: string;
}

function rowsOf(fits: DoesItFit, by: By): readonly Row[] {
  switch (by) {
    case 'tenths':
      return fits.tenths.map((one) => ({ ...one, of: `${one.tenth} to ${one.tenth + 1} in 10` }));
    case 'distance':
      return fits.byDistance.map((one) => ({ ...one, of: `${one.fromM.toFixed(1)}–${one.toM.toFixed(1)} m` }));
    case 'week': {
      const last = fits.byWeek.at(-1)?.week ?? 0;
      const ago = (weeks: number) => (weeks === 0 ? 'the newest week' : weeks === 1 ? 'a week before' : `${weeks} weeks before`);
      return fits.byWeek.map((one) => ({ ...one, of: ago(last - one.week) }));
    }
    case 'family':
      return fits.byFamily.map((one) => ({ ...one, of: FAMILY_WORDS[one.family] ?? one.family }));
  }
}

const inHundred = (share: number) => Math.round(100 * share);

/** Does the model fit this class: forecast beside reported, weeks it had not seen, and what parts. */
export function DoesItFitSection({ fits }: { fits: DoesItFit }) {
  const [by, setBy] = useState<By>('tenths');
  const rows = rowsOf(fits, by);
  return (
    <section aria-labelledby="does-it-fit">
      <SubHead id="does-it-fit">Does the forecast fit?</SubHead>
      {fits.alarms.map((alarm) => (
        <Notice key={alarm.kind} $tone="open">
          {alarmWords(alarm)}
        </Notice>
      ))}
      {fits.alarms.length === 0 && fits.tries > 0 && <p>Nothing parts from the forecast by more than chance brings.</p>}
      <p>{scoresWords(fits)}</p>
      {rows.length > 0 && (
        <>
          <Chooser>
            <Select label="Told beside reported, by" value={by} choices={BY} onChange={setBy} />
          </Chooser>
          <Figures aria-label="Told beside reported">
            <thead>
              <tr>
                <th>{by === 'tenths' ? 'Told' : 'Of'}</th>
                <th className="figure">Tries</th>
                <th className="figure">Told in 100</th>
                <th className="figure">Reported</th>
                <th className="figure">Four times in five</th>
                <th aria-hidden>0 to 100</th>
              </tr>
            </thead>
            <tbody>
              {rows.map((row) => (
                <tr key={row.of}>
                  <td>{row.of}</td>
                  <td className="figure">{row.tries}</td>
                  <td className="figure">{inHundred(row.told)}</td>
                  <td className="figure">{inHundred(row.seen)}</td>
                  <td className="figure">
                    {inHundred(row.low)} to {inHundred(row.high)}
                  </td>
                  <td aria-hidden>
                    <Bar viewBox="0 0 100 16" preserveAspectRatio="none">
                      <line x1={0} x2={100} y1={8} y2={8} stroke="var(--line)" strokeWidth={1} vectorEffect="non-scaling-stroke" />
                      <rect x={100 * row.low} width={Math.max(0.5, 100 * (row.high - row.low))} y={5} height={6} fill="var(--tide)" />
                      <line
                        x1={100 * row.told}
                        x2={100 * row.told}
                        y1={1}
                        y2={15}
                        stroke="var(--ink)"
                        strokeWidth={2}
                        vectorEffect="non-scaling-stroke"
                      />
                    </Bar>
                  </td>
                </tr>
              ))}
            </tbody>
          </Figures>
          <SoftLine $small>
            Bar: what the share of hits may well be by the reports. Stroke: what was told. Each child is told by its own fit.
          </SoftLine>
        </>
      )}
    </section>
  );
}
