// @vitest-environment jsdom
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { focusOnceThere } from './useHeadingFocus';

const focused = () => document.activeElement?.textContent;
const find = (what: string) => document.querySelector<HTMLElement>(what)!;
const changed = () => vi.advanceTimersByTimeAsync(0);
let giveUp = () => {};

beforeEach(() => {
  vi.useFakeTimers();
  document.body.innerHTML = '<header><a href="/order">Order</a></header><main></main>';
  find('a').focus();
});
afterEach(() => {
  giveUp();
  vi.useRealTimers();
});

it('is at once at a heading that is there', () => {
  find('main').innerHTML = '<h1>Order A</h1>';
  giveUp = focusOnceThere('');
  expect(focused()).toBe('Order A');
});

it('comes to the heading however long its page takes', async () => {
  giveUp = focusOnceThere('');
  await vi.advanceTimersByTimeAsync(60_000);
  find('main').innerHTML = '<p>Coming</p>';
  await changed();
  expect(focused()).toBe('Order');
  find('main').innerHTML = '<h1>Order A</h1>';
  await changed();
  expect(focused()).toBe('Order A');
});

it('comes to the part that the address names, not to the heading', async () => {
  giveUp = focusOnceThere('keys');
  find('main').innerHTML = '<h1>Order A</h1>';
  await changed();
  expect(focused()).toBe('Order');
  find('main').innerHTML += '<section id="keys">Keys</section>';
  await changed();
  expect(focused()).toBe('Keys');
});

it('stays where the owner has gone on to meanwhile', async () => {
  giveUp = focusOnceThere('');
  find('header').insertAdjacentHTML('beforeend', '<button>Account</button>');
  find('button').focus();
  find('main').innerHTML = '<h1>Order A</h1>';
  await changed();
  expect(focused()).toBe('Account');
});

it('leaves the field of the new page that has it', () => {
  find('main').innerHTML = '<h1>Order A</h1><input />';
  find('input').focus();
  giveUp = focusOnceThere('');
  expect(document.activeElement?.tagName).toBe('INPUT');
});

it('moves nothing once it was given up', async () => {
  focusOnceThere('')();
  find('main').innerHTML = '<h1>Order A</h1>';
  await changed();
  expect(focused()).toBe('Order');
});
