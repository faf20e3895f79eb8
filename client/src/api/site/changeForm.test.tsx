// @vitest-environment jsdom
import { act, cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { afterEach, expect, it, vi } from 'vitest';
import { TextField } from '../../ui/fields/Field';
import { Refused } from '../wire/client';
import type { Command } from './commands';
import { useChangeForm } from './changeForm';
import { SiteContext, type SiteInHand } from './site';

afterEach(cleanup);

const rename = (name: string): Command => ({ kind: 'rename-site', name });

function Form({ done }: { done: () => void }) {
  const { field, submit } = useChangeForm({ name: '' }, ({ name }) => (name ? rename(name) : null), done);
  return (
    <form onSubmit={submit}>
      <TextField label="Name" {...field('name')} />
      <button type="submit">Keep</button>
    </form>
  );
}

const shown = (changeAsync: (command: Command) => Promise<unknown>, done: () => void) =>
  render(
    <SiteContext.Provider value={{ changes: { changeAsync } } as unknown as SiteInHand}>
      <Form done={done} />
    </SiteContext.Provider>,
  );

const type = (name: string) => fireEvent.change(screen.getByRole('textbox'), { target: { value: name } });
const send = () => act(() => Promise.resolve(fireEvent.click(screen.getByRole('button'))));

it('what the server finds wrong stands at its field, nothing typed is lost, and the form is not done with', async () => {
  const done = vi.fn();
  const changeAsync = vi
    .fn<(command: Command) => Promise<unknown>>()
    .mockRejectedValueOnce(
      new Refused(422, { errors: [{ code: 'out-of-range', where: 'change.name', message: 'It is too long.' }] }),
    )
    .mockResolvedValueOnce({});
  shown(changeAsync, done);
  type('Ostler & Wren');
  await send();
  const field = screen.getByRole('textbox');
  await waitFor(() => expect(field.getAttribute('aria-invalid')).toBe('true'));
  expect([screen.getByText('It is too long.').tagName.length > 0, (field as HTMLInputElement).value]).toEqual([
    true,
    'Ostler & Wren',
  ]);
  expect(done).not.toHaveBeenCalled();
  await send();
  await waitFor(() => expect(done).toHaveBeenCalledOnce());
  expect(changeAsync.mock.calls.map(([command]) => command)).toEqual([
    rename('Ostler & Wren'),
    rename('Ostler & Wren'),
  ]);
});

it('nothing is sent where there is no change', async () => {
  const changeAsync = vi.fn<(command: Command) => Promise<unknown>>();
  const done = vi.fn();
  shown(changeAsync, done);
  await send();
  expect([changeAsync.mock.calls.length, done.mock.calls.length]).toEqual([0, 0]);
});
