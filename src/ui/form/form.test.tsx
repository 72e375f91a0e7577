// @vitest-environment happy-dom
import { render, screen } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import Joi from 'joi';
import { expect, describe, it, vi } from 'vitest';
import type { PostAnswer } from '../post';
import { InLocale } from '../in-locale';
import { DayField, FormDay, FormNumber, FormProblem, FormText } from './fields';
import { tookIt, useSchemaForm } from './schema-form';

interface Visit {
  readonly name: string;
  readonly steps: number | null;
  readonly day: string;
}

const schema = Joi.object<Visit>({
  name: Joi.string().trim().max(10).required(),
  steps: Joi.number().integer().min(1).allow(null).required(),
  day: Joi.string().required(),
});

const taken: PostAnswer<null> = { ok: true, status: 200, value: null, problem: '' };

function VisitForm({ onSend, answer = taken }: { onSend: (visit: Visit) => void; answer?: PostAnswer<null> }) {
  const form = useSchemaForm(schema, { name: '', steps: null, day: '2027-03-05' });
  const submit = form.handleSubmit((visit) => {
    onSend(visit);
    tookIt(form, answer);
  });
  return (
    <form onSubmit={(event) => void submit(event)} noValidate>
      <FormText control={form.control} name="name" label="Name" />
      <FormNumber control={form.control} name="steps" label="Steps" />
      <FormDay control={form.control} name="day" label="Due on" />
      <FormProblem form={form} />
      <button type="submit">Send</button>
    </form>
  );
}

const refused = (place: string): PostAnswer<null> => ({
  ok: false,
  status: 409,
  value: null,
  problem: 'It is there already. Choose another.',
  problems: [{ place, reason: 'It is there already.', fix: 'Choose another.' }],
});

describe('a form of the desk', () => {
  it('says what is wrong beside the field, goes to the first of them and sends nothing', async () => {
    const onSend = vi.fn();
    render(<VisitForm onSend={onSend} />);
    const user = userEvent.setup();
    await user.type(screen.getByLabelText('Steps'), '2.5');
    await user.click(screen.getByText('Send'));
    expect(screen.getByText('Write something here.')).toBeTruthy();
    expect(screen.getByText('Write a whole number.')).toBeTruthy();
    expect(document.activeElement).toBe(screen.getByLabelText('Name'));
    expect(onSend).not.toHaveBeenCalled();
  });
  it('sends what the schema makes of it: trimmed, a number as a number, empty as nothing', async () => {
    const onSend = vi.fn();
    render(<VisitForm onSend={onSend} />);
    const user = userEvent.setup();
    await user.type(screen.getByLabelText('Name'), '  Wren ');
    await user.click(screen.getByText('Send'));
    expect(onSend).toHaveBeenLastCalledWith({ name: 'Wren', steps: null, day: '2027-03-05' });
    await user.type(screen.getByLabelText('Steps'), '7');
    await user.click(screen.getByText('Send'));
    expect(onSend).toHaveBeenLastCalledWith({ name: 'Wren', steps: 7, day: '2027-03-05' });
  });
  it('puts what the route refuses beside the field that it names, and keeps what was typed', async () => {
    render(<VisitForm onSend={() => undefined} answer={refused('/name')} />);
    const user = userEvent.setup();
    await user.type(screen.getByLabelText('Name'), 'Wren');
    await user.click(screen.getByText('Send'));
    expect(await screen.findByText('It is there already. Choose another.')).toBeTruthy();
    expect((screen.getByLabelText('Name') as HTMLInputElement).value).toBe('Wren');
    expect(document.activeElement).toBe(screen.getByLabelText('Name'));
    expect(screen.queryByRole('alert')).toBeNull();
  });
  it('says under the form what the route refuses of the whole', async () => {
    render(<VisitForm onSend={() => undefined} answer={refused('')} />);
    const user = userEvent.setup();
    await user.type(screen.getByLabelText('Name'), 'Wren');
    await user.click(screen.getByText('Send'));
    expect((await screen.findByRole('alert')).textContent).toBe('It is there already. Choose another.');
  });
});

describe('a day', () => {
  const segments = () => screen.getAllByRole('spinbutton').map((segment) => segment.getAttribute('aria-label')!.split(',')[0]);
  it('is written day first for a British school and month first for an American one, whatever the browser is set to', () => {
    const { unmount } = render(
      <InLocale locale="en-GB" timeZone="Europe/London">
        <DayField label="Due on" value="2027-03-05" onChange={() => undefined} />
      </InLocale>,
    );
    expect(segments()).toEqual(['day', 'month', 'year']);
    expect(screen.getByRole('group', { name: 'Due on' }).textContent).toContain('05/03/2027');
    unmount();
    render(
      <InLocale locale="en-US" timeZone="Europe/London">
        <DayField label="Due on" value="2027-03-05" onChange={() => undefined} />
      </InLocale>,
    );
    expect(segments()).toEqual(['month', 'day', 'year']);
  });
  it('is changed by keys', async () => {
    const onChange = vi.fn();
    render(
      <InLocale locale="en-GB" timeZone="Europe/London">
        <DayField label="Due on" value="2027-03-05" onChange={onChange} />
      </InLocale>,
    );
    screen.getAllByRole('spinbutton')[0]!.focus();
    await userEvent.setup().keyboard('{ArrowUp}');
    expect(onChange).toHaveBeenLastCalledWith('2027-03-06');
  });
});
