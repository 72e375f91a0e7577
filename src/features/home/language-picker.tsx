'use client';
import { LANGUAGES } from '@/core/words/compiled/languages';
import { useChooseLanguage, useWords } from '@/features/languages/use-words';
import styled from 'styled-components';
import { TextButton } from '../counter/text-button';

const Languages = styled.p`
  display: flex;
  flex-wrap: wrap;
  gap: 0 var(--space-6);
`;

const Chosen = styled.b`
  align-self: center;
`;

/** The languages of this page, each under its own name. */
export function LanguagePicker() {
  const { tag } = useWords();
  const choose = useChooseLanguage();
  return (
    <Languages>
      {LANGUAGES.map((one) =>
        one.tag === tag ? (
          <Chosen key={one.tag} lang={one.tag} aria-current="true">
            {one.name}
          </Chosen>
        ) : (
          <TextButton key={one.tag} type="button" lang={one.tag} onClick={() => choose(one.tag)}>
            {one.name}
          </TextButton>
        ),
      )}
    </Languages>
  );
}
