// @vitest-environment jsdom
import { cleanup, renderHook } from '@testing-library/react';
import type { ReactNode } from 'react';
import { afterEach, expect, it, vi } from 'vitest';
import type { Candidate } from '../../api/books/pages';
import { SiteContext, type SiteInHand } from '../../api/site/site';
import { shortlistFault, useShortlist } from './useShortlist';

afterEach(cleanup);

const plan = (name: string) => ({ hosting: { book: 'b', plan: name } }) as unknown as Candidate;

function shortlist(isEmpty: boolean, most = 9) {
  const letters = ['A'];
  const changeAsync = vi.fn((command: { kind: string }) => {
    if (letters.length >= most) {
      return Promise.reject(new Error('No more fit.'));
    }

    if (command.kind === 'add-candidate') {
      letters.push(String.fromCharCode(65 + letters.length));
    }

    return Promise.resolve({ shortlist: letters.map((letter) => ({ letter })) });
  });
  const candidate = { hosting: isEmpty ? null : {}, domains: [] };
  const value = { page: { worksheet: { letter: 'A', candidate } }, changes: { changeAsync } } as unknown as SiteInHand;
  const wrapper = ({ children }: { children: ReactNode }) => <SiteContext value={value}>{children}</SiteContext>;
  return { ...renderHook(() => useShortlist(), { wrapper }), changeAsync };
}

it('the first takes the place of an empty candidate, the others come behind', async () => {
  const { result, changeAsync } = shortlist(true);
  expect(await result.current.put([plan('one'), plan('two')])).toEqual(['A', 'B']);
  expect(changeAsync.mock.calls.map(([command]) => command.kind)).toEqual(['replace-candidate', 'add-candidate']);
});

it('a candidate that holds something is left as it is, and nothing is put there twice', async () => {
  const { result, changeAsync } = shortlist(false);
  expect(await result.current.put([plan('one')])).toEqual(['B']);
  expect(await result.current.put([plan('one'), plan('two')])).toEqual(['B', 'C']);
  expect(changeAsync).toHaveBeenCalledTimes(2);
});

it('where there is no room for all, it is said which are there', async () => {
  const { result } = shortlist(false, 2);
  const fault = await result.current.put([plan('one'), plan('two')]).catch((error: unknown) => error);
  expect(shortlistFault(result.current.letters(), fault)).toBe(
    'On your shortlist now: B. The other plans are not. No more fit.',
  );
  expect(shortlistFault([], 'odd')).toBe('The plans were not put on the shortlist.');
});
