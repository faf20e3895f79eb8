// @vitest-environment jsdom
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, expect, it, vi } from 'vitest';
import { TextField } from '../../ui/fields/Field';
import { Refused } from './client';
import { useSentForm } from './sentForm';

afterEach(cleanup);

function Form({ error, send }: { error: unknown; send: (typed: { owner: string; data: string }) => void }) {
  const { form, field } = useSentForm({ owner: 'www', data: '' }, error, 'records[2].');
  return (
    <form onSubmit={(event) => void form.handleSubmit(send)(event)}>
      <TextField label="Name" {...field('owner')} />
      <TextField label="Leads to" {...field('data')} />
      <button type="submit">Save</button>
    </form>
  );
}

it('what the answer found wrong stands at its own field, and what was typed stays', async () => {
  const send = vi.fn();
  const { rerender } = render(<Form error={null} send={send} />);
  fireEvent.change(screen.getByRole('textbox', { name: 'Leads to' }), { target: { value: '198.51.100' } });
  await act(() => Promise.resolve(fireEvent.click(screen.getByRole('button'))));
  expect(send.mock.calls[0]?.[0]).toEqual({ owner: 'www', data: '198.51.100' });

  const fault = { code: 'bad-type', where: 'records[2].data', message: 'Four numbers.' };
  rerender(<Form error={new Refused(422, { errors: [fault] })} send={send} />);
  const invalid = (name: string) => screen.getByRole('textbox', { name }).getAttribute('aria-invalid');
  expect([invalid('Name'), invalid('Leads to')]).toEqual([null, 'true']);
  expect(screen.getByRole<HTMLInputElement>('textbox', { name: 'Leads to' }).value).toBe('198.51.100');

  // Of another record it is not said here.
  rerender(<Form error={new Refused(422, { errors: [{ ...fault, where: 'records[21].data' }] })} send={send} />);
  expect(invalid('Leads to')).toBeNull();
});
