// @vitest-environment happy-dom
import { render, screen } from '@testing-library/react';
import { beforeEach, describe, expect, it } from 'vitest';
import { starter } from '../../../tests/examples/starters';
import { resolveLevel } from '@/core/rules/format/level';
import { cautionsFor } from '@/core/sheet/set-up';
import { TRANSLATED } from '@/core/words/compiled/all';
import { InFamilyLanguage } from '@/features/languages/use-words';
import { Cautions } from './cautions';

const french = TRANSLATED['fr']!;

const level = resolveLevel(starter('harbour-lamps'), 0);
const shown = () =>
  render(
    <InFamilyLanguage>
      <Cautions level={level} />
    </InFamilyLanguage>,
  );

describe('cautions at home', () => {
  beforeEach(() => localStorage.clear());

  it('stand in the language of the family and, until a speaker has read them, in the school’s below', async () => {
    localStorage.setItem('lochside language', 'fr');
    shown();
    const [first] = cautionsFor(level, french);
    const item = await screen.findByText((_, element) => element?.tagName === 'LI' && element.textContent!.startsWith(first!));
    expect(item.querySelector('[lang=en-GB]')!.textContent).toBe(cautionsFor(level)[0]);
    expect(screen.getAllByRole('listitem')).toHaveLength(cautionsFor(level).length);
  });
  it('stand once where they are the school’s own', () => {
    localStorage.setItem('lochside language', 'en-GB');
    shown();
    expect(screen.getByText(cautionsFor(level)[0]!)).toBeTruthy();
    expect(document.querySelector('li [lang=en-GB]')).toBeNull();
  });
});
