// @vitest-environment jsdom
import { act, cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { afterEach, beforeAll, expect, it, vi } from 'vitest';
import { InkPopover } from './Popover';

afterEach(cleanup);

beforeAll(() =>
  vi.stubGlobal(
    'ResizeObserver',
    class {
      observe() {}
      unobserve() {}
      disconnect() {}
    },
  ),
);

const Inside = ({ close }: { close: () => void }) => <button onClick={close}>Count over this</button>;

const press = (name: string) => act(() => Promise.resolve(fireEvent.click(screen.getByRole('button', { name }))));

it('what stands on a sheet comes when it is reached for, opens with it, and closes it', async () => {
  const load = vi.fn(() => Promise.resolve({ default: Inside }));
  render(<InkPopover words="3 years" label="3 years: change" inside={load} />);
  expect(load).not.toHaveBeenCalled();
  fireEvent.focus(screen.getByRole('button', { name: '3 years: change' }));
  expect(load).toHaveBeenCalled();
  expect(screen.queryByRole('button', { name: 'Count over this' })).toBeNull();
  await press('3 years: change');
  await waitFor(() => screen.getByRole('button', { name: 'Count over this' }));
  await press('Count over this');
  await waitFor(() => expect(screen.queryByRole('button', { name: 'Count over this' })).toBeNull());
  await press('3 years: change'); // And opens again.
  await waitFor(() => screen.getByRole('button', { name: 'Count over this' }));
});
