'use client';
import { LANGUAGES, useChooseLanguage, useWords } from '@/features/languages/use-words';
import { TextButton } from '../counter/counter-style';

/** The languages of this page, each under its own name. */
export function LanguagePicker() {
  const { tag } = useWords();
  const choose = useChooseLanguage();
  return (
    <p style={{ display: 'flex', flexWrap: 'wrap', gap: '0 18px' }}>
      {LANGUAGES.map((one) =>
        one.tag === tag ? (
          <b key={one.tag} lang={one.tag} aria-current="true" style={{ alignSelf: 'center' }}>
            {one.name}
          </b>
        ) : (
          <TextButton key={one.tag} type="button" lang={one.tag} onClick={() => choose(one.tag)}>
            {one.name}
          </TextButton>
        ),
      )}
    </p>
  );
}
