/// <reference types="node" />
import { readdirSync, readFileSync } from 'node:fs';
import { expect, it } from 'vitest';

// One live region speaks for the whole page (Announced): another would be silent, or heard twice.
it('no part of a page has a live region of its own', () => {
  const own = /role="(?:status|alert|log)"|aria-live=/;
  const files = readdirSync('src', { recursive: true, encoding: 'utf8' }).filter(
    (file) => file.endsWith('.tsx') && !file.startsWith('ui/said/') && !file.endsWith('.test.tsx'),
  );
  expect(files.length).toBeGreaterThan(100);
  expect(files.filter((file) => own.test(readFileSync(`src/${file}`, 'utf8')))).toEqual([]);
});
