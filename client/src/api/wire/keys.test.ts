import { expect, test } from 'vitest';
import { keys } from './keys';

const sources = import.meta.glob<string>('../../**/*.{ts,tsx}', { query: '?raw', import: 'default', eager: true });

test('no two answers are kept under one name', () => {
  const names = Object.values(keys).map((key) => key()[0]);
  expect(new Set(names).size).toBe(names.length);
});

test('a key that leaves out what comes last begins every longer one', () => {
  expect(keys.site('one', 'A').slice(0, 2)).toEqual(keys.site('one'));
  expect(keys.site('two')).not.toEqual(keys.site('one'));
});

test('keys are written nowhere else', () => {
  const written = Object.entries(sources)
    .filter(([file]) => !file.includes('.test.'))
    .filter(([, text]) => /queryKey: \[['"]|QueryData(<[^()]*>)?\(\[|usePanel\(\[/.test(text))
    .map(([file]) => file);
  expect(Object.keys(sources).length).toBeGreaterThan(200);
  expect(written).toEqual([]);
});
