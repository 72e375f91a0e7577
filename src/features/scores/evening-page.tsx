'use client';
/** For the parents' evening: a page of the class and a page of each child, in plain words, to be printed. A child stands beside itself alone. */
import styled from 'styled-components';
import type { ProgressOfClass } from '@/contract/class-progress';
import { dayWords } from '@/core/measure/days';
import type { AimCurve } from '@/core/progress/chance-by-distance';
import { bestSentence, setUpWords, skillSentence, tookPartSentence, type BestToTell } from '@/core/progress/evening-words';
import { inTenWords } from '@/core/progress/wilson';
import { SKILL_NAMES } from '@/core/sheet/teaching-points';
import { Button } from '@/ui/button';
import { Page, PageHead, SoftLine } from '@/ui/page';
import { weekNames } from './progress-page';
import { ScoresNav, type ScoresNavProps } from './scores-nav';

export interface ChildOfEvening {
  readonly id: string;
  readonly name: string;
  /** In which something of the child came in. */
  readonly weeks: number;
  readonly bests: readonly BestToTell[];
  readonly aims: readonly AimCurve[];
  readonly next: { readonly gameTitle: string; readonly advice: string } | null;
  readonly movedDays: number;
}

const Sheet = styled.section`
  display: grid;
  gap: var(--space-4);
  max-width: 44rem;
  margin: 0 0 var(--space-7);
  padding: var(--space-6) 0;
  border-top: 1px solid var(--line);
  & ul {
    margin: 0;
    padding-left: var(--space-6);
  }
  & li {
    margin: var(--space-2) 0;
  }
  & h3 {
    margin: var(--space-3) 0 0;
    font-size: var(--type-3);
  }
  & .line {
    height: 2.2rem;
    border-bottom: 1px solid var(--line-strong);
  }
  @media print {
    max-width: none;
    border: 0;
    font-size: 12pt;
  }
  & + & {
    break-before: page;
  }
`;

interface EveningPageProps extends Pick<ScoresNavProps, 'classes' | 'classId'> {
  readonly schoolName: string;
  readonly today: string;
  readonly progress: ProgressOfClass;
  readonly weeks: number;
  readonly pupils: readonly ChildOfEvening[];
}

const MOST_BESTS = 8;
/** To write on. */
const LINES = [1, 2, 3, 4];

export function EveningPage({ schoolName, today, progress, weeks, pupils, ...nav }: EveningPageProps) {
  const name = nav.classes.find(({ id }) => id === nav.classId)!.name;
  const played = pupils.filter((child) => child.weeks > 0).length;
  return (
    <Page $width={1180}>
      <ScoresNav {...nav} />
      <PageHead>
        <h1>Parents’ evening: {name}</h1>
        <span className="about">a page of the class and one of each child, in plain words; a child is never set beside another</span>
        <Button $strong onPress={() => window.print()}>
          Print {pupils.length + 1} pages
        </Button>
      </PageHead>
      <Sheet aria-label={name}>
        <h2>
          {name}, {schoolName}
        </h2>
        <SoftLine>{dayWords(today)}</SoftLine>
        <p>
          {weeks === 0
            ? 'No week has been sent yet.'
            : `${weeks} ${weeks === 1 ? 'week has' : 'weeks have'} been sent; ${played} of ${pupils.length} children have played.`}
        </p>
        {progress.skills.length > 0 && <h3>How the class gets on</h3>}
        <ul>
          {progress.skills.map((skill) => (
            <li key={skill.aim.technique}>{skillSentence(skill, weekNames(progress.since))}</li>
          ))}
        </ul>
        <SoftLine $small>
          “5 to 6 in 10” is what lies behind the scores in eight cases of ten. Scores are told by families; taking part counts, not the sum.
        </SoftLine>
      </Sheet>
      {pupils.map((child) => (
        <OneChild key={child.id} child={child} className={name} weeks={weeks} today={today} />
      ))}
    </Page>
  );
}

function OneChild({ child, className, weeks, today }: { child: ChildOfEvening; className: string; weeks: number; today: string }) {
  const { name, bests, aims, next, movedDays } = child;
  return (
    <Sheet aria-label={name}>
      <h2>{name}</h2>
      <SoftLine>
        {className}, {dayWords(today)}
      </SoftLine>
      {weeks > 0 && <p>{tookPartSentence(name, child.weeks, weeks)}</p>}
      {bests.length > 0 && (
        <>
          <h3>Own bests</h3>
          <ul>
            {bests.slice(0, MOST_BESTS).map((best) => (
              <li key={`${best.gameTitle} ${best.levelName} ${best.goes} ${best.first}`}>{bestSentence(best)}</li>
            ))}
          </ul>
        </>
      )}
      {aims.length > 0 && (
        <>
          <h3>What {name} can do now</h3>
          <ul>
            {aims.map((of) => (
              <li key={of.aim.technique + of.aim.target + of.aim.implement}>{aimSentence(of)}</li>
            ))}
          </ul>
        </>
      )}
      {next && (
        <>
          <h3>What to try next</h3>
          <p>
            {next.gameTitle}: {next.advice}
          </p>
        </>
      )}
      {movedDays > 0 && <p>The movement diary has {movedDays === 1 ? 'one line' : `${movedDays} lines`}.</p>}
      <h3>What we agree on</h3>
      {LINES.map((line) => (
        <div key={line} className="line" aria-hidden />
      ))}
    </Sheet>
  );
}

/** At the distance that was tried most, with what it may well be. */
function aimSentence({ aim, from, curve }: AimCurve): string {
  const most = from.reduce((best, one) => (one.tries > best.tries ? one : best));
  const at = curve.reduce((best, one) => (Math.abs(one.distanceM - most.distanceM) < Math.abs(best.distanceM - most.distanceM) ? one : best));
  return `With the ${SKILL_NAMES[aim.technique]} about ${inTenWords(at.low, at.high)} in 10 succeed ${setUpWords(aim, most.distanceM)}.`;
}
