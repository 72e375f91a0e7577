// @vitest-environment happy-dom
import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { inGroups, shortCode } from '@/core/codes/short-code';
import { InFamilyLanguage } from '@/features/languages/use-words';
import { DoorScreen } from './door-screen';

const code = ['AB2345678', 'AB2345679', 'AB234567A'].map(shortCode).find((one) => one !== null)!;

function open(written: string) {
  const onOpen = vi.fn();
  render(
    <InFamilyLanguage>
      <DoorScreen kept={[]} onOpen={onOpen} onForget={() => undefined} />
    </InFamilyLanguage>,
  );
  fireEvent.change(screen.getByLabelText('The link or code from your school'), { target: { value: written } });
  fireEvent.click(screen.getByRole('button', { name: 'Open' }));
  return onOpen;
}

describe('the door', () => {
  afterEach(() => vi.unstubAllGlobals());

  it('opens a code from paper by what the school says it stands for', async () => {
    const asked = vi.fn(async (_url: string, _how: RequestInit) => new Response(JSON.stringify({ token: 'ABCDEFGHJKLMNPQRSTUVWX' })));
    vi.stubGlobal('fetch', asked);
    const onOpen = open(inGroups(code).toLowerCase());
    await waitFor(() => expect(onOpen).toHaveBeenCalledWith('ABCDEFGHJKLMNPQRSTUVWX'));
    expect(asked.mock.calls.map(([url, { body }]) => [url, body])).toEqual([['/api/v1/home/codes', JSON.stringify({ code })]]);
  });
  it('tells a wrong letter without asking the school, and keeps what was typed', () => {
    const asked = vi.fn();
    vi.stubGlobal('fetch', asked);
    const mistyped = code.slice(0, -1) + (code.endsWith('A') ? 'B' : 'A');
    const onOpen = open(mistyped);
    expect(screen.getByRole('alert').textContent).toContain('A letter of this code is not right.');
    expect((screen.getByLabelText('The link or code from your school') as HTMLInputElement).value).toBe(mistyped);
    expect(asked).not.toHaveBeenCalled();
    expect(onOpen).not.toHaveBeenCalled();
  });
  it('says that the school was not reached, or does not know it', async () => {
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('offline')));
    open(code);
    expect((await screen.findByRole('alert')).textContent).toContain('There is no connection');
  });
});
