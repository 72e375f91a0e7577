'use client';
import { lazy, Suspense, useState } from 'react';
import { narrow } from '@/design/breakpoints';
import styled from 'styled-components';
import { aimWords } from '@/core/progress/aim-words';
import { whereFromTry } from '@/core/forecast/where-from';
import type { Fitted } from '@/core/progress/fit';
import type { AimCurve } from '@/core/progress/chance-by-distance';
import { Select } from '@/ui/field';
import { WhereFrom } from '@/ui/where-from';
import { Figures, SoftLine } from '@/ui/page';

const LevelChooser = styled.div`
  max-width: 420px;
  margin: var(--space-2) 0 var(--space-4);
`;

const ChartRoom = styled.div`
  height: 280px;
`;

const ChanceChart = lazy(() => import('./chance-chart'));

const Beside = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 300px;
  gap: var(--space-4) var(--space-8);
  align-items: start;
  @media ${narrow} {
    grid-template-columns: 1fr;
  }
`;

const inTen = (share: number) => (10 * share).toFixed(1);

/** Hits by distance for one thing that was aimed at, chosen among several; the chart and its table. */
export function HitsByDistance({ aims, whose, fitted }: { aims: readonly AimCurve[]; whose: string; fitted: Fitted }) {
  const [which, setWhich] = useState(0);
  const aim = aims[which] ?? aims[0];
  if (!aim) return <p>No try was tapped one by one yet, so nobody knows from how far what was hit.</p>;
  return (
    <>
      {aims.length > 1 && (
        <LevelChooser>
          <Select
            hideLabel
            label="What was tried"
            value={`${which}`}
            choices={aims.map((one, index) => ({ value: `${index}`, label: `${aimWords(one.aim)} (${one.tries})` }))}
            onChange={(value) => setWhich(Number(value))}
          />
        </LevelChooser>
      )}
      <Beside>
        <Suspense fallback={<ChartRoom />}>
          <ChanceChart aim={aim} label={`Hits by distance of ${whose}, ${aimWords(aim.aim)}`} />
        </Suspense>
        <Figures aria-label={`Hits by distance of ${whose}`}>
          <thead>
            <tr>
              <th className="figure">From</th>
              <th className="figure">Hits</th>
              <th className="figure">In 10</th>
              <th className="figure">By the curve</th>
            </tr>
          </thead>
          <tbody>
            {aim.from.map(({ distanceM, hits, tries, low, high }) => {
              const at = aim.curve.reduce((near, one) => (Math.abs(one.distanceM - distanceM) < Math.abs(near.distanceM - distanceM) ? one : near));
              return (
                <tr key={distanceM}>
                  <td className="figure">{distanceM.toFixed(1)} m</td>
                  <td className="figure">
                    {hits} of {tries}
                  </td>
                  <td className="figure">
                    {inTen(low)}–{inTen(high)}
                  </td>
                  <td className="figure">{(10 * at.chance).toFixed(1)}</td>
                </tr>
              );
            })}
          </tbody>
        </Figures>
      </Beside>
      <SoftLine $small>
        {aimWords(aim.aim)}. Dots: what was tapped, with what the chance may well be (four times in five). Line: the fitted skill with its band.{' '}
        <WhereFrom what="these chances" lines={() => whereFromTry(aim.aim, fitted.attempts > 0 ? fitted : null)} />
      </SoftLine>
    </>
  );
}
