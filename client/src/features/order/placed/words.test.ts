import { expect, it } from 'vitest';
import type { Schemas } from '../../../api/wire/client';
import { stateWords, statusWords, stepWords } from './words';

const step = (more: object) =>
  ({
    kind: 'hold',
    way: 'card',
    seller: 'Tidemarsh',
    amount: '65.15',
    currency: 'GBP',
    domain: 'wren.com',
    ...more,
  }) as unknown as Schemas['OrderStepWire'];

it.each([
  [{}, 'Hold £65.15 on the card for Tidemarsh'],
  [{ way: 'wallet' }, 'Hold £65.15 in your wallet for Tidemarsh'],
  [{ way: 'balance' }, 'Hold £65.15 of your balance for Tidemarsh'],
  [{ way: 'invoice' }, 'Wait for your transfer of £65.15 to Tidemarsh'],
  [{ kind: 'prepare' }, 'Prepare the hosting at Tidemarsh'],
  [{ kind: 'transfer' }, 'Move wren.com to Tidemarsh'],
  [{ kind: 'register' }, 'Register wren.com through Tidemarsh'],
  [{ kind: 'join' }, 'Point wren.com at the hosting'],
  [{ kind: 'capture' }, 'Take the £65.15 for Tidemarsh'],
])('a step %o in the owner’s words', (more, words) => expect(stepWords(step(more))).toBe(words));

it('no two states, and no two steps’ states, are said alike', () => {
  for (const words of [Object.values(stateWords), Object.values(statusWords)]) {
    expect(new Set(words).size).toBe(words.length);
  }
});
