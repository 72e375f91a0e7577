// @vitest-environment happy-dom
import { cleanup, render, screen, within, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { SWRConfig } from 'swr';
import type { ClassTestSheet } from '@/contract/class-test';
import type { Uuid } from '@/contract/ids';
import { ClassTestPage } from './class-test-page';

vi.mock('next/navigation', () => ({ useRouter: () => ({ push: vi.fn(), refresh: vi.fn() }) }));

const id = (n: number) => `01890000-0000-7000-8000-${String(n).padStart(12, '0')}` as Uuid;
const TEST = id(99);
let sheet: ClassTestSheet;
let answers: () => Response;
const sent: { url: string; body: unknown }[] = [];

beforeEach(() => {
  sent.length = 0;
  localStorage.clear();
  answers = () => Response.json({});
  sheet = {
    id: TEST,
    family: 'throw',
    marksM: [1, 2.1],
    rolled: null,
    heldOn: '2027-02-01',
    tries: 0,
    classId: id(1),
    className: 'P4 Dippers',
    children: [1, 2].map((n) => ({ id: id(n), name: `Child ${n}`, hits: [null, null] })),
  };
  vi.stubGlobal('fetch', (url: string, init: RequestInit = {}) => {
    if (init.method === 'PUT') {
      sent.push({ url, body: JSON.parse(init.body as string) });
      return Promise.resolve(answers());
    }
    return Promise.resolve(Response.json(url.includes('class-tests') ? sheet : { tests: [], marks: { throw: [1, 2], roll: [1, 2], kick: [1, 2] } }));
  });
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const shown = async () => {
  render(
    <SWRConfig value={{ provider: () => new Map() }}>
      <ClassTestPage
        classId={id(1)}
        className="P4 Dippers"
        first={{ tests: [], marks: { throw: [1, 2], roll: [1, 2], kick: [1, 2] } }}
        open={TEST}
        mayStart
      />
    </SWRConfig>,
  );
  await screen.findByText(/written down/);
};
const cell = (name: string) => within(screen.getByRole('radiogroup', { name }));

describe('hits of a class test', () => {
  it('are typed with digits that go on by themselves, and are with the school', async () => {
    await shown();
    const user = userEvent.setup();
    cell('Child 1, near').getByRole('radio', { name: '0 of 3' }).focus();
    await user.keyboard('3120');
    expect(await screen.findByText(/4 of 4 written down, all with the school/)).toBeTruthy();
    expect(sent.map(({ body }) => body)).toEqual([
      { childId: id(1), mark: 0, hits: 3 },
      { childId: id(1), mark: 1, hits: 1 },
      { childId: id(2), mark: 0, hits: 2 },
      { childId: id(2), mark: 1, hits: 0 },
    ]);
    expect(cell('Child 2, far').getByRole<HTMLInputElement>('radio', { name: '0 of 3' }).checked).toBe(true);
    expect(localStorage.length).toBe(0);
  });
  it('are tapped, and taken back with Backspace', async () => {
    await shown();
    const user = userEvent.setup();
    await user.click(cell('Child 2, near').getByRole('radio', { name: '2 of 3' }));
    await user.keyboard('{Backspace}');
    await waitFor(() => expect(sent.at(-1)?.body).toEqual({ childId: id(2), mark: 0, hits: null }));
    expect(screen.getByText(/0 of 4 written down/)).toBeTruthy();
  });
  it('wait on the device while there is no connection, say so, and are there again on another opening', async () => {
    answers = () => {
      throw new TypeError('no line');
    };
    await shown();
    await userEvent.setup().click(cell('Child 1, far').getByRole('radio', { name: '1 of 3' }));
    expect(await screen.findByText(/1 wait on this device for a connection/)).toBeTruthy();
    cleanup();
    answers = () => Response.json({});
    sent.length = 0;
    await shown();
    expect(await screen.findByText(/1 of 4 written down, all with the school/)).toBeTruthy();
    expect(sent).toHaveLength(1);
  });
  it('that the school refuses are said, and not sent for ever', async () => {
    answers = () =>
      Response.json(
        { problems: [{ place: '/childId', reason: 'This child is not in the class that was tested.', fix: 'Open the test again.' }] },
        { status: 400 },
      );
    await shown();
    await userEvent.setup().click(cell('Child 1, far').getByRole('radio', { name: '1 of 3' }));
    expect((await screen.findByRole('alert')).textContent).toContain('not in the class');
    expect(localStorage.length).toBe(0);
  });
});
