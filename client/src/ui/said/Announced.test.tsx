// @vitest-environment jsdom
import { cleanup, render } from '@testing-library/react';
import { afterEach, beforeEach, expect, it } from 'vitest';
import { Announced } from './Announced';

beforeEach(() => document.body.insertAdjacentHTML('beforeend', '<div id="announcements" role="status"></div>'));
afterEach(() => {
  cleanup();
  document.getElementById('announcements')!.remove();
});

const said = async () => {
  await new Promise((done) => setTimeout(done, 450));
  return [...document.querySelectorAll('#announcements p')].map((line) => line.textContent);
};

it('speaks when it appears, and once more when it says something else', async () => {
  const { rerender } = render(<Announced>The card was refused.</Announced>);
  expect(await said()).toEqual(['The card was refused.']);
  rerender(<Announced>The card was refused.</Announced>);
  expect(await said()).toEqual(['The card was refused.']);
  rerender(<Announced>The card is accepted.</Announced>);
  expect(await said()).toEqual(['The card was refused.', 'The card is accepted.']);
});

it('speaks the whole sentence, without what can be pressed in it or is hidden', async () => {
  render(
    <Announced as="div">
      <span aria-hidden="true">✓</span> Deleted, <b>for good</b>. <button>Bring it back</button>
    </Announced>,
  );
  expect(await said()).toEqual(['Deleted, for good.']);
});

it('is silent of what was read with the page, and of what passes at once', async () => {
  const { rerender } = render(<Announced onlyChanges>12 plans fit.</Announced>);
  expect(await said()).toEqual([]);
  rerender(<Announced onlyChanges>Looking …</Announced>);
  rerender(<Announced onlyChanges>9 plans fit.</Announced>);
  expect(await said()).toEqual(['9 plans fit.']);
});
