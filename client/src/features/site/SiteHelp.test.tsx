// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { inSite } from '../../api/site/inSite';
import { SiteHelp } from './SiteHelp';

const navigate = vi.hoisted(() => vi.fn());
vi.mock('@tanstack/react-router', () => ({ useNavigate: () => navigate }));
vi.mock('../../ui/frame/Help', () => ({
  HelpSheet: ({ open, children }: { open: boolean; children: object }) => (
    <div data-testid="help" data-open={open}>
      {children as never}
    </div>
  ),
}));

beforeEach(() => {
  localStorage.clear();
  navigate.mockReset();
});
afterEach(cleanup);

function onSite({ single }: { single: boolean }) {
  localStorage.setItem('home-start-single-keys', single ? 'on' : 'off');
  const page = { id: 's', shortlist: [{ letter: 'A' }, { letter: 'D' }], worksheet: { letter: 'A' } };
  const { whole, change } = inSite(
    <>
      <SiteHelp />
      <input aria-label="typed" />
      <button>pressed</button>
    </>,
    page,
  );
  render(whole);
  return change;
}

const press = (key: string, more: object = {}, at: Element = document.body) => fireEvent.keyDown(at, { key, ...more });

it.each([
  ['n', 'needs'],
  ['s', 'scan'],
  ['w', 'worksheet'],
  ['c', 'compare'],
  ['d', 'domain'],
  ['b', 'shelf'],
  ['o', 'orders'],
  ['K', 'upkeep'],
])('the key %s leads to %s, at the candidate looked at', (key, sheet) => {
  onSite({ single: true });
  press(key);
  expect(navigate).toHaveBeenCalledWith({
    to: `/sites/$siteId/${sheet}`,
    params: { siteId: 's' },
    search: { view: 'A' },
  });
});

it('a digit leads to that place on the shortlist, and to none where there is none', () => {
  onSite({ single: true });
  press('2');
  expect(navigate).toHaveBeenCalledWith({
    to: '/sites/$siteId/worksheet',
    params: { siteId: 's' },
    search: { view: 'D' },
  });
  navigate.mockReset();
  press('3');
  press('0');
  press('x');
  expect(navigate).not.toHaveBeenCalled();
});

it('undo and redo have their usual keys always, and single ones once they are switched on', () => {
  const change = onSite({ single: false });
  press('u');
  press('z');
  expect(change).not.toHaveBeenCalled();
  press('z', { ctrlKey: true });
  press('Z', { metaKey: true, shiftKey: true });
  expect(change.mock.calls).toEqual([[{ kind: 'undo' }], [{ kind: 'redo' }]]);
  fireEvent.click(screen.getByRole('checkbox', { name: /single keys/ }));
  expect(localStorage.getItem('home-start-single-keys')).toBe('on');
  press('u');
  press('r');
  expect(change.mock.calls.slice(2)).toEqual([[{ kind: 'undo' }], [{ kind: 'redo' }]]);
  expect(screen.getByTestId('help').dataset.open).toBe('false');
  press('?');
  expect(screen.getByTestId('help').dataset.open).toBe('true');
});

it('what is typed is typed, and no single key is taken from a control or a sheet', () => {
  const change = onSite({ single: true });
  press('u', {}, screen.getByRole('textbox'));
  press('z', { ctrlKey: true }, screen.getByRole('textbox'));
  press('u', {}, screen.getByRole('button'));
  press('u', { altKey: true });
  press('u', { ctrlKey: true });
  expect(change).not.toHaveBeenCalled();
  press('z', { ctrlKey: true }, screen.getByRole('button'));
  expect(change).toHaveBeenCalledTimes(1);
  const sheet = document.body.appendChild(document.createElement('div'));
  sheet.setAttribute('role', 'dialog');
  press('z', { ctrlKey: true });
  sheet.remove();
  expect(change).toHaveBeenCalledTimes(1);
});
