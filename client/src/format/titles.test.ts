import { expect, it } from 'vitest';
import { slipTitle } from './titles';

const slip = (more: object) =>
  ({ name: null, plan: null, provider: null, everyMonths: null, domain: null, ...more }) as unknown as Parameters<
    typeof slipTitle
  >[0];

it.each([
  [{ name: 'The cheap one', plan: 'Slipway' }, 'The cheap one'],
  [{ plan: 'Slipway', provider: 'Tidemarsh Hosting', everyMonths: 12 }, 'Tidemarsh Slipway, yearly'],
  [{ plan: 'Slipway', provider: 'Tidemarsh Hosting' }, 'Tidemarsh Slipway'],
  [{ domain: 'wren.com' }, 'wren.com'],
  [{}, 'Nothing chosen yet'],
])('%o is called %s', (more, words) => expect(slipTitle(slip(more))).toBe(words));
