// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, renderHook, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { expect, it, vi } from 'vitest';
import { api, type SitePage } from '../wire/client';
import { useSiteChanges, type Command } from './commands';
import { siteKey } from '../wire/queries';

const pageAt = (revision: number) => ({ id: 's', revision, worksheet: { letter: 'A' } }) as SitePage;
const months = (count: number): Command => ({ kind: 'set-horizon', months: count });

/** The queue over a server that answers when it is told to. */
function queue() {
  const queries = new QueryClient({ defaultOptions: { queries: { staleTime: Infinity } } });
  queries.setQueryData(siteKey('s', undefined), pageAt(3));
  const sent: { revision: number; answer: (status: number, body: unknown) => void; fail: () => void }[] = [];
  vi.spyOn(api, 'POST').mockImplementation(
    (_: string, init: { body: { revision: number } }) =>
      new Promise((resolve, reject) => {
        sent.push({
          revision: init.body.revision,
          answer: (status, body) =>
            resolve({ ...(status < 300 ? { data: body } : { error: body }), response: new Response(null, { status }) }),
          fail: () => reject(new TypeError('Failed to fetch')),
        });
      }),
  );
  const wrapper = ({ children }: { children: ReactNode }) => (
    <QueryClientProvider client={queries}>{children}</QueryClientProvider>
  );
  const { result } = renderHook(() => useSiteChanges('s', undefined), { wrapper });
  return { result, sent, seen: () => queries.getQueryData<SitePage>(siteKey('s', undefined))?.revision };
}

it('sends changes one after another, each with the revision of the answer before', async () => {
  const { result, sent, seen } = queue();
  act(() => {
    result.current.change(months(12));
    result.current.change(months(24));
  });
  await waitFor(() => expect(sent).toHaveLength(1));
  sent[0]!.answer(200, pageAt(4));
  await waitFor(() => expect(sent).toHaveLength(2));
  expect(sent.map((request) => request.revision)).toEqual([3, 4]);
  sent[1]!.answer(200, pageAt(5));
  await waitFor(() => expect(seen()).toBe(5));
});

it('never puts an older answer over a newer one', async () => {
  const { result, sent, seen } = queue();
  const change = result.current.changeAsync(months(12));
  await waitFor(() => expect(sent).toHaveLength(1));
  sent[0]!.answer(200, pageAt(2));
  expect((await change).revision).toBe(2);
  expect(seen()).toBe(3);
});

it('keeps what could not be sent, and sends it again when asked', async () => {
  const { result, sent, seen } = queue();
  act(() => result.current.change(months(12)));
  await waitFor(() => expect(sent).toHaveLength(1));
  sent[0]!.fail();
  await waitFor(() => expect(result.current.unsent).toEqual(months(12)));
  expect(result.current.message).toContain('Not saved yet');
  act(() => void result.current.tryAgain());
  await waitFor(() => expect(sent).toHaveLength(2));
  sent[1]!.answer(200, pageAt(4));
  await waitFor(() => expect(seen()).toBe(4));
  expect(result.current.unsent).toBeNull();
});

it('shows the newer state where another came first, and keeps the choice at hand', async () => {
  const { result, sent, seen } = queue();
  act(() => result.current.change(months(12)));
  await waitFor(() => expect(sent).toHaveLength(1));
  sent[0]!.answer(409, pageAt(7));
  await waitFor(() => expect(result.current.overtaken?.mine).toEqual(months(12)));
  expect(seen()).toBe(7);
  act(() => void result.current.chooseAllTheSame());
  await waitFor(() => expect(sent[1]?.revision).toBe(7));
});

it('says why a change was refused, and keeps none of it to send again', async () => {
  const { result, sent } = queue();
  act(() => result.current.change(months(0)));
  await waitFor(() => expect(sent).toHaveLength(1));
  sent[0]!.answer(422, { errors: [{ code: 'out-of-range', where: 'months', message: 'From 1 to 120.' }] });
  await waitFor(() => expect(result.current.message).toBe('From 1 to 120.'));
  expect(result.current.unsent).toBeNull();
});
