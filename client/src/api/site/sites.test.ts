import { expect, it } from 'vitest';
import { landingOf } from './sites';

const site = (id: string, isExample = false, isUsed = true) => ({ id, name: id, isExample, isUsed });
const example = site('example', true, false);

it.each([
  ['a visitor who was never here starts', [example], null, null],
  ['the site open last opens again', [example, site('a'), site('b')], 'a', 'a'],
  ['the example too, where it was open last', [example, site('a')], 'example', 'example'],
  ['a site that is gone does not', [example, site('a'), site('b')], 'gone', 'b'],
  ['on another device, an example that was worked in', [{ ...example, isUsed: true }], null, 'example'],
])('%s', (_, sites, last, landing) => expect(landingOf(sites, last)?.id ?? null).toBe(landing));
