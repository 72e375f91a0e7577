'use client';
import dynamic from 'next/dynamic';
import styled from 'styled-components';
import type { ProgressOfClass } from '@/contract/class-progress';
import { dayShort } from '@/core/measure/days';
import { setUpWords, skillSentence } from '@/core/progress/evening-words';
import type { SkillOverWeeks } from '@/core/progress/over-the-weeks';
import { inTenWords } from '@/core/progress/wilson';
import { SKILL_NAMES } from '@/core/sheet/teaching-points';
import { Empty, Figures, Page, PageHead, SoftLine } from '@/ui/page';
import { ScoresNav, type ScoresNavProps } from './scores-nav';

const SkillChart = dynamic(() => import('./skill-chart'), { ssr: false });

const Skills = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(26rem, 1fr));
  gap: var(--space-7) var(--space-8);
`;

const Skill = styled.section`
  display: grid;
  align-content: start;
  gap: var(--space-3);
  padding-top: var(--space-4);
  border-top: 1px solid var(--line);
  break-inside: avoid;
  & h2::first-letter {
    text-transform: uppercase;
  }
`;

/** "9 Nov" */
export const weekNames =
  (since: ProgressOfClass['since']) =>
  (week: number): string =>
    since[week] ? `the week of ${dayShort(since[week]).slice(4)}` : 'a week';

/** How a class gets on: each skill as the chance at one set-up, week by week. */
export function ProgressPage({ progress, ...nav }: { progress: ProgressOfClass } & Pick<ScoresNavProps, 'classes' | 'classId'>) {
  const name = nav.classes.find(({ id }) => id === nav.classId)!.name;
  return (
    <Page $width={1180}>
      <ScoresNav {...nav} />
      <PageHead>
        <h1>{name}: progress</h1>
        <span className="about">
          each skill by what was tried in a week alone, told at the one set-up that was tried most; lines show what it may well be
        </span>
      </PageHead>
      {progress.skills.length === 0 ? (
        <Empty>
          <p>Nothing that was aimed has come in yet, or too little of it in any week. A class test of five minutes begins the chart.</p>
        </Empty>
      ) : (
        <Skills>
          {progress.skills.map((skill) => (
            <OneSkill key={skill.aim.technique} skill={skill} since={progress.since} />
          ))}
        </Skills>
      )}
      <SoftLine $small>
        Reports from home tell of those who played. A week with other games, other weather or other children moves a line as well as learning does.
      </SoftLine>
    </Page>
  );
}

function OneSkill({ skill, since }: { skill: SkillOverWeeks; since: ProgressOfClass['since'] }) {
  const { aim, distanceM, weeks } = skill;
  const title = SKILL_NAMES[aim.technique];
  return (
    <Skill aria-label={title}>
      <h2>
        {title}, {setUpWords(aim, distanceM)}
      </h2>
      <p>{skillSentence(skill, weekNames(since))}</p>
      <SkillChart weeks={weeks.map((week) => ({ ...week, name: since[week.week] ? dayShort(since[week.week]!).slice(4) : '' }))} label={title} />
      <Figures>
        <thead>
          <tr>
            <th scope="col">Week of</th>
            <th scope="col" className="figure">
              Tries
            </th>
            <th scope="col" className="figure">
              Succeed
            </th>
          </tr>
        </thead>
        <tbody>
          {weeks.map(({ week, tries, low, high }) => (
            <tr key={week}>
              <td>{since[week] ? dayShort(since[week]) : ''}</td>
              <td className="figure">{tries}</td>
              <td className="figure">{inTenWords(low, high)} in 10</td>
            </tr>
          ))}
        </tbody>
      </Figures>
    </Skill>
  );
}
