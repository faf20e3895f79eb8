import { QueryClient, QueryObserver } from '@tanstack/react-query';
import { expect, test } from 'vitest';
import { keepAnswer, renew } from './renew';

/** Looked at on a page: each question is answered by hand. */
function lookedAt(key: readonly string[], queries: QueryClient) {
  const answers: ((links: string[]) => void)[] = [];
  const observer = new QueryObserver(queries, {
    queryKey: key,
    queryFn: () => new Promise<string[]>((resolve) => answers.push(resolve)),
    staleTime: Infinity,
  });
  const stop = observer.subscribe(() => {});
  return { answers, stop, seen: () => observer.getCurrentResult().data };
}

const settled = () => new Promise((resolve) => setTimeout(resolve));

test.each([{ had: false }, { had: true }])(
  'what is on its way from before a change is not taken for the answer after it, known before: $had',
  async ({ had }) => {
    const queries = new QueryClient();
    const { answers, stop, seen } = lookedAt(['shares'], queries);
    if (had) {
      answers[0]!([]);
      await settled();
      void queries.refetchQueries({ queryKey: ['shares'] });
    }

    const before = answers.at(-1)!;
    const renewed = renew(queries, { queryKey: ['shares'] });
    await settled();
    before([]);
    await settled();
    expect(answers).toHaveLength(had ? 3 : 2);
    answers.at(-1)!(['made just now']);
    await renewed;
    expect(seen()).toEqual(['made just now']);
    stop();
  },
);

test('what nobody looks at any more is not taken for fresh by an answer from before', async () => {
  const queries = new QueryClient();
  const { answers, stop, seen } = lookedAt(['other view'], queries);
  answers[0]!(['before']);
  await settled();
  void queries.refetchQueries({ queryKey: ['other view'] });
  stop();
  await renew(queries, { queryKey: ['other view'] });
  answers[1]!(['late']);
  await settled();
  expect(queries.getQueryState(['other view'])).toMatchObject({ isInvalidated: true, data: ['before'] });
  expect(seen()).toEqual(['before']);
});

test('what the filter leaves out stays on its way', async () => {
  const queries = new QueryClient();
  const [mine, other] = [lookedAt(['mine'], queries), lookedAt(['other'], queries)];
  void renew(queries, { predicate: ({ queryKey }) => queryKey[0] === 'mine' });
  await settled();
  other.answers[0]!(['of another']);
  await settled();
  expect(other.seen()).toEqual(['of another']);
  expect(mine.answers).toHaveLength(2);
  mine.stop();
  other.stop();
});

test('what a change was answered with stays when the answer from before it comes late', async () => {
  const queries = new QueryClient();
  const { answers, stop, seen } = lookedAt(['panel'], queries);
  await keepAnswer(queries, ['panel'], ['after']);
  answers[0]!(['before']);
  await settled();
  expect(seen()).toEqual(['after']);
  stop();
});
