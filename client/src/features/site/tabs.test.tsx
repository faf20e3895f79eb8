// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, renderHook } from '@testing-library/react';
import type { ReactNode } from 'react';
import { afterEach, expect, it } from 'vitest';
import { sessionQuery } from '../../api/wire/queries';
import { useHaving } from './tabs';

afterEach(cleanup);

const sheets = (hasCounterparts: boolean) => {
  const queries = new QueryClient({ defaultOptions: { queries: { staleTime: Infinity } } });
  queries.setQueryData(sessionQuery.queryKey, { hasCounterparts } as never);
  const wrapper = ({ children }: { children: ReactNode }) => (
    <QueryClientProvider client={queries}>{children}</QueryClientProvider>
  );
  return renderHook(() => useHaving(), { wrapper }).result.current.map(([, label]) => label);
};

it('without counterparts nothing is put online here, and there is no mailbox', () => {
  expect(sheets(true)).toEqual(['Orders', 'Online', 'Upkeep', 'Mail']);
  expect(sheets(false)).toEqual(['Orders', 'Upkeep']);
});
