// @vitest-environment jsdom
import { cleanup, render, screen } from '@testing-library/react';
import { afterEach, expect, it, vi } from 'vitest';
import { inSite } from '../../../api/site/inSite';
import { sessionQuery } from '../../../api/wire/queries';
import { WhatNow } from './WhatNow';

vi.mock('@tanstack/react-router', () => ({
  Link: ({ to, children }: { to: string; children: string }) => <a href={to}>{children}</a>,
}));

afterEach(cleanup);

const order = {
  id: 'o',
  siteId: 's',
  letter: 'A',
  state: 'needs-patience',
  total: '65.15',
  currency: 'GBP',
  charged: false,
  canCancel: true,
  problem: null,
  steps: [],
  receipts: [],
};
const pending = {
  kind: 'hold',
  way: 'card',
  status: 'pending',
  seller: 'Tidemarsh',
  domain: null,
  amount: '65.15',
  currency: 'GBP',
  page: '/pages/1',
  until: null,
  said: null,
};

const said = (more: object) => {
  const { whole } = inSite(
    <WhatNow order={{ ...order, ...more } as never} />,
    {},
    { answers: [[sessionQuery.queryKey, { cardProcessor: 'http://bank' }]] },
  );
  return render(whole).container.textContent;
};

it.each([
  [{}, '£65.15 is held; nothing has been taken. Try again, or call it off'],
  [{ charged: true, canCancel: false }, 'Part of the money has been taken, for what was delivered. A domain is yours'],
  [{ state: 'undoing' }, 'What was done is being undone.'],
  [{ state: 'working' }, 'This takes a few seconds.'],
  [{ state: 'needs-payment' }, 'Nothing was charged and nothing was bought.'],
  [{ problem: { code: 'no-answer', step: 'register' } }, 'The registrar is not answering.'],
  [{ problem: { code: 'no-answer', step: 'capture' } }, 'Everything is delivered, but the payment processor'],
  [{ problem: { code: 'refused', step: 'hold', message: 'The bank says no.' } }, 'The bank says no.'],
])('of an order that is %j it says: %s', (more, words) => expect(said(more)).toContain(words));

it.each([
  [{ code: 'name-taken', message: '' }, 'Choose another name', '/sites/$siteId/domain', false],
  [{ code: 'transfer-refused', message: '' }, 'Back to the worksheet', '/sites/$siteId/worksheet', true],
  [null, 'Back to the worksheet', '/sites/$siteId/worksheet', false],
])('a cancelled one (%j) leads on', (problem, words, to, asksWhy) => {
  expect(said({ state: 'cancelled', problem }).includes('Ask the present seller why')).toBe(asksWhy);
  expect(screen.getByRole('link', { name: words }).getAttribute('href')).toBe(to);
});

it.each([
  [{ state: 'needs-patience' }, ['Try again', 'Call it off']],
  [{ state: 'needs-patience', canCancel: false }, ['Try again']],
  [{ state: 'needs-confirmation' }, ['Look again', 'Call it off']],
  [{ state: 'needs-time', canCancel: false }, ['Look again']],
  [{ state: 'needs-payment' }, ['Pay with this card', 'Call it off']],
  [{ state: 'undoing' }, []],
])('of one that is %j these can be decided: %j', (more, buttons) => {
  said(more);
  expect(screen.queryAllByRole('button').map((button) => button.textContent)).toEqual(buttons);
});

it.each([
  [{}, 'Your bank wants you to say yes to £65.15 for Tidemarsh, on its own page.Go to the bank’s page'],
  [{ way: 'wallet' }, 'Your wallet wants you to say yes to £65.15 for Tidemarsh, on its own page.Go to the wallet'],
  [{ way: 'invoice', until: '2026-12-15' }, 'by bank transfer until 15 December 2026, and give'],
  [
    { kind: 'transfer', domain: 'wren.com', page: null, until: '2026-12-06' },
    'wren.com is on its way to Tidemarsh, and should be there on 6 December 2026.',
  ],
  [{ kind: 'transfer', domain: 'wren.com', page: null }, 'wren.com is on its way to Tidemarsh. '],
])('of a step that waits (%j) it says: %s', (step, words) =>
  expect(said({ state: 'needs-confirmation', steps: [{ ...pending, ...step }] })).toContain(words),
);

it('leads to the page of the bank or wallet, and says nothing of steps that are done', () => {
  said({
    state: 'needs-confirmation',
    steps: [
      { ...pending, way: 'wallet' },
      { ...pending, status: 'done' },
    ],
  });
  expect(screen.getAllByRole('link').map((link) => link.getAttribute('href'))).toEqual(['http://bank/pages/1']);
});
