// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, expect, it } from 'vitest';
import { inSite } from '../../api/site/inSite';
import { keys } from '../../api/wire/keys';
import { Pointing } from './Pointing';

afterEach(cleanup);

const mx = { owner: '@', type: 'MX', preference: 10, data: 'post.elsewhere.example.' };
const found = {
  domain: 'wren.com',
  mailToday: [mx, { ...mx, preference: 20, data: 'spare.elsewhere.example.' }],
  stopsMail: true,
  records: [{ owner: '@', type: 'A', preference: null, data: '192.0.2.7' }, mx],
  nameServers: ['ns1.host.example', 'ns2.host.example'],
  zoneFile: '@ A 192.0.2.7',
};

function said(
  more: object | null,
  {
    hasCounterparts = true,
    plan = 'slipway',
    domain = 'wren.com',
  }: { hasCounterparts?: boolean; plan?: string | null; domain?: string } = {},
) {
  const page = {
    id: 's',
    revision: 4,
    worksheet: { letter: 'A', candidate: { hosting: { plan } } },
  };
  const { whole } = inSite(<Pointing domain={domain} />, page, {
    answers: [
      [keys.session(), { hasCounterparts }],
      [keys.pointing('s', 'A', 4, domain, undefined), { ...found, ...more }],
      [keys.pointing('s', 'A', 4, domain, false), { ...found, ...more, stopsMail: false }],
    ],
  });
  return render(whole).container.textContent;
}

it('mail that arrives somewhere is named, kept unless one says otherwise, and stops with other name servers', () => {
  const words = said({});
  expect(words).toContain('Mail for wren.com goes to post.elsewhere.example and spare.elsewhere.example today.');
  expect(words).toContain('Its mail stops the moment you do this');
  const keep = screen.getByRole('checkbox', { name: /mail stays where it goes today/ });
  expect(keep).toHaveProperty('checked', true);
  expect(screen.getByRole('link').getAttribute('href')).not.toContain('keepMail');
  fireEvent.click(keep);
  expect(screen.getByRole('link').getAttribute('href')).toContain('&keepMail=false');
});

it('where no mail arrives there is none to keep', () => {
  expect(said({ mailToday: [], stopsMail: false })).toContain('No mail arrives at wren.com today.');
  expect(screen.queryByRole('checkbox')).toBeNull();
});

it('where nobody could say, it says so twice and has no box to tick', () => {
  const words = said({ mailToday: null });
  expect(words).toContain('Nobody could say whether mail arrives at wren.com today.');
  expect(words).toContain('Nobody could say where its mail goes.');
  expect(words).not.toContain('Its mail stops the moment');
  expect(screen.queryByRole('checkbox')).toBeNull();
});

it('each record is written as it is typed in: of mail, its preference first', () => {
  said({});
  const rows = screen
    .getAllByRole('row')
    .slice(1)
    .map((row) => row.textContent);
  expect(rows[0]).toContain('@A192.0.2.7');
  expect(rows[1]).toContain('@MX10 post.elsewhere.example.');
  expect(screen.getAllByRole('listitem').map((item) => item.textContent)).toEqual([
    'ns1.host.exampleCopy',
    'ns2.host.exampleCopy',
  ]);
});

it.each([
  [{ hasCounterparts: false }, 'Your host says on its own pages what to set'],
  [{ plan: null }, 'Choose a plan for A first'],
  [{ domain: '' }, 'Type your domain and compare'],
])('with %j there is nothing to set yet', (state, words) => {
  expect(said({}, state)).toContain(words);
  expect(screen.queryByRole('table')).toBeNull();
});
