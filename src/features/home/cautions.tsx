'use client';
import styled from 'styled-components';
import type { Game } from '@/core/rules/format/game';
import { cautionsFor } from '@/core/sheet/set-up';
import { english } from '@/core/words/english';
import { LANGUAGES } from '@/core/words/compiled/languages';
import { useWords } from '@/features/languages/use-words';
import { Caution } from './home-style';

const School = styled.span`
  display: block;
  font-size: var(--type-2);
  color: var(--ink-soft);
`;

/** What to take care of; in a language that no speaker has read yet the school's own words stand below each, so that nobody relies on ours alone. */
export function Cautions({ level }: { level: Game }) {
  const words = useWords();
  const cautions = cautionsFor(level, words);
  const isRead = LANGUAGES.find(({ tag }) => tag === words.tag)?.isRead ?? true;
  const school = cautionsFor(level, english);
  return (
    <>
      {!isRead && <p>{words.i18n.t('Translated, and not read yet by somebody who speaks it: the school’s own words stand below.')}</p>}
      <Caution>
        {cautions.map((caution, index) => (
          <li key={caution}>
            {caution}
            {!isRead && <School lang="en-GB">{school[index]}</School>}
          </li>
        ))}
      </Caution>
    </>
  );
}
