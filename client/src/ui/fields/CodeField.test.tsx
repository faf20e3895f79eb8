// @vitest-environment jsdom
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, expect, it, vi } from 'vitest';
import { SiteContext, type SiteInHand } from '../../api/site/site';
import { Refused } from '../../api/wire/client';
import { CodeField, CodesEntered } from './CodeField';

afterEach(cleanup);

const candidate = (codes: string[]) => ({ hosting: { codes }, domains: [{ codes: [] }] });

const shown = (
  changeAsync: (command: unknown) => Promise<unknown>,
  codes: string[] = [],
  saves: boolean | null = null,
) =>
  ({
    changes: { changeAsync },
    change: changeAsync,
    page: {
      worksheet: {
        letter: 'B',
        candidate: candidate(codes),
        costing: saves === null ? null : { codes: codes.map((code) => ({ code, saves })) },
      },
    },
  }) as unknown as SiteInHand;

const type = (code: string) => fireEvent.change(screen.getByRole('textbox'), { target: { value: code } });
const tryIt = () => act(() => Promise.resolve(fireEvent.click(screen.getByRole('button', { name: 'Try it' }))));

it('a code is tried on the candidate in hand; a refusal is shown with it, and the code stays', async () => {
  const changeAsync = vi
    .fn()
    .mockRejectedValueOnce(
      new Refused(422, { errors: [{ code: 'unknown', where: 'command.code', message: 'Nobody knows it.' }] }),
    )
    .mockResolvedValue({});
  render(
    <SiteContext value={shown(changeAsync)}>
      <CodeField />
    </SiteContext>,
  );
  await tryIt();
  expect(changeAsync).not.toHaveBeenCalled(); // Nothing was typed.
  type('NEAP');
  await tryIt();
  expect(changeAsync).toHaveBeenCalledWith({ kind: 'enter-code', letter: 'B', code: 'NEAP' });
  const field = screen.getByRole<HTMLInputElement>('textbox');
  expect(document.getElementById(field.getAttribute('aria-describedby')!)?.textContent).toBe('Nobody knows it.');
  expect(field.value).toBe('NEAP');
  await tryIt();
  expect(field.getAttribute('aria-invalid')).toBeNull();
});

it('a code that was entered leaves the field empty for the next', async () => {
  const changeAsync = vi.fn().mockResolvedValue({});
  const { rerender } = render(
    <SiteContext value={shown(changeAsync)}>
      <CodeField />
    </SiteContext>,
  );
  type('NEAP');
  await tryIt();
  rerender(
    <SiteContext value={shown(changeAsync, ['NEAP'])}>
      <CodeField />
    </SiteContext>,
  );
  expect(screen.getByRole<HTMLInputElement>('textbox').value).toBe('');
});

it.each([
  [true, 'counts for the plan chosen now'],
  [false, 'does not count for the plan chosen now'],
  [null, 'counts where a seller knows it'],
])('a code that saves: %o is said so, and can be taken off', (saves, words) => {
  const change = vi.fn().mockResolvedValue({});
  render(
    <SiteContext value={shown(change, ['NEAP'], saves)}>
      <CodesEntered />
    </SiteContext>,
  );
  expect(screen.getByText(/The code/).textContent).toContain(words);
  fireEvent.click(screen.getByRole('button', { name: /take it off/ }));
  expect(change).toHaveBeenCalledWith({ kind: 'drop-code', letter: 'B', code: 'NEAP' });
});
