/** The chart table with a game on it, without a server: what it would save is kept, its workers are silent. */
import { configure, render, screen, waitFor } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { vi } from 'vitest';
import type { Game } from '@/core/rules/format/game';
import { ChartTable } from '@/features/chart-table/chart-table';
import { InLocale } from '@/ui/in-locale';

/** A thread that is given work and never answers: figures stay "working it out". */
class SilentWorker extends EventTarget {
  postMessage(): void {}
  terminate(): void {}
}

// Whether each thing on a whole table can be seen takes a second to ask; what is checked here is what it says and does.
configure({ defaultHidden: true });

export interface OpenTable {
  readonly user: ReturnType<typeof userEvent.setup>;
  /** The game as it was saved last, once nothing is left to save. */
  readonly saved: () => Promise<Game>;
}

export function openTable(game: Game, ageYears = 8): OpenTable {
  const sent: Game[] = [];
  vi.stubGlobal('Worker', SilentWorker);
  vi.stubGlobal('fetch', (_url: string, { method, body }: RequestInit = {}) => {
    if (method === 'PUT') sent.push((JSON.parse(body as string) as { game: Game }).game);
    return Promise.resolve(Response.json({ revision: sent.length + 1, savedAt: '2027-03-05T09:00:00Z' }));
  });
  render(
    <InLocale locale="en-GB" timeZone="Europe/London">
      <ChartTable
        id={'018f0000-0000-7000-8000-000000000001' as never}
        game={game}
        ageYears={ageYears}
        revision={1}
        classes={[]}
        readOnly={false}
        today="2027-03-05"
        teacher="Ms Tarn"
      />
    </InLocale>,
  );
  return {
    user: userEvent.setup(),
    saved: async () => {
      await waitFor(() => screen.getByText(/^saved/), { timeout: 5000 });
      return sent.at(-1) ?? game;
    },
  };
}
