// @vitest-environment happy-dom
import { render, screen, waitFor } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { SignIn } from './sign-in';

let answer: () => Response | Promise<Response>;
const sent: unknown[] = [];
beforeEach(() => {
  sent.length = 0;
  vi.stubGlobal('fetch', async (_url: string, { body }: RequestInit) => {
    sent.push(JSON.parse(body as string));
    return answer();
  });
});
afterEach(() => {
  vi.unstubAllGlobals();
});

const refusal = (status: number, reason: string) => () => Response.json({ problems: [{ place: '', reason, fix: 'Try again.' }] }, { status });
const field = (name: string) => screen.getByLabelText(name) as HTMLInputElement;
const signIn = () => screen.getByRole('button', { name: 'Sign in' });

async function fill() {
  const user = userEvent.setup();
  await user.type(field('E-mail address'), 'tarn@school.example');
  await user.type(field('Password'), 'reeds and lilies');
  return user;
}

describe('signing in', () => {
  it('says at its field what is missing, and sends nothing', async () => {
    render(<SignIn demo={false} />);
    const user = userEvent.setup();
    await user.type(field('Password'), 'reeds');
    await user.click(signIn());
    expect(await screen.findByText('Write something here.')).toBeTruthy();
    expect(document.activeElement).toBe(field('E-mail address'));
    expect(sent).toEqual([]);
  });

  it('that is refused says why, and nothing typed is lost', async () => {
    answer = refusal(401, 'Address and password do not belong together.');
    render(<SignIn demo={false} />);
    const user = await fill();
    await user.keyboard('{Enter}');
    expect(await screen.findByText(/do not belong together/)).toBeTruthy();
    expect(sent).toEqual([{ email: 'tarn@school.example', password: 'reeds and lilies', code: '' }]);
    expect(field('Password').value).toBe('reeds and lilies');
    await waitFor(() => expect((signIn() as HTMLButtonElement).disabled).toBe(false));
  });

  it('without a connection says so and can be tried again', async () => {
    answer = () => Promise.reject(new TypeError('no network'));
    render(<SignIn demo={false} />);
    const user = await fill();
    await user.click(signIn());
    expect(await screen.findByText(/There is no connection/)).toBeTruthy();
    answer = refusal(429, 'Too many tries.');
    await user.click(signIn());
    expect(await screen.findByText(/Too many tries/)).toBeTruthy();
    expect(sent).toHaveLength(2);
  });

  it('cannot be pressed twice while it is under way', async () => {
    let arrive = (_: Response) => {};
    answer = () => new Promise((resolve) => (arrive = resolve));
    render(<SignIn demo />);
    const user = await fill();
    await user.dblClick(signIn());
    expect(sent).toHaveLength(1);
    expect((screen.getByRole('button', { name: 'One moment …' }) as HTMLButtonElement).disabled).toBe(true);
    arrive(refusal(401, 'No.')());
    expect(await screen.findByText(/^No\./)).toBeTruthy();
  });

  it('tells where the sign-ins of the demo stand, in the demo only', () => {
    const { rerender } = render(<SignIn demo={false} />);
    expect(screen.queryByText(/demo school/)).toBeNull();
    rerender(<SignIn demo />);
    expect(screen.getByText(/demo school/)).toBeTruthy();
  });
});
