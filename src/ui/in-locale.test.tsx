// @vitest-environment happy-dom
import { render, screen } from '@testing-library/react';
import { expect, it } from 'vitest';
import { InLocale, useMoment } from './in-locale';

function Written({ instant }: { instant: string }) {
  return <p>{useMoment()(instant)}</p>;
}

it.each([
  ['en-GB', 'Europe/London', '28 Nov 2026, 03:12'],
  ['en-GB', 'Pacific/Auckland', '28 Nov 2026, 16:12'],
  ['en-US', 'America/New_York', 'Nov 27, 2026, 10:12 PM'],
])('a moment is written as in %s, in the zone %s, wherever the browser stands', (locale, timeZone, written) => {
  render(
    <InLocale locale={locale} timeZone={timeZone}>
      <Written instant="2026-11-28T03:12:00.000Z" />
    </InLocale>,
  );
  expect(screen.getByText(written, { normalizer: (text) => text })).toBeTruthy();
});
