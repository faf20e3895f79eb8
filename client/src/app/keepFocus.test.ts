// @vitest-environment jsdom
import { afterAll, beforeAll, expect, it } from 'vitest';
import { keepFocus } from './keepFocus';

let end = () => {};
beforeAll(() => {
  end = keepFocus();
});
afterAll(() => end());

const names = ['one', 'two', 'three'];
const page = (html: string) => (document.body.innerHTML = `<main>${html}</main>`);
const buttons = () => [...document.querySelectorAll('button')];
const list = () => page(`<ul>${names.map((name) => `<li><button>${name}</button></li>`).join('')}</ul>`);
const settled = () => new Promise((done) => setTimeout(done, 150));

it('goes to what follows where a row is removed, and to what stood before where none follows', async () => {
  list();
  buttons()[1]!.focus();
  buttons()[1]!.closest('li')!.remove();
  await settled();
  expect(document.activeElement?.textContent).toBe('three');
  buttons()[1]!.closest('li')!.remove();
  await settled();
  expect(document.activeElement?.textContent).toBe('one');
});

it('goes to what took the place of a form', async () => {
  page('<section><p>words</p><form><button>Send</button></form><a href="/x">Elsewhere</a></section>');
  buttons()[0]!.focus();
  document.querySelector('form')!.outerHTML = '<p>Sent. <button>Send another</button></p>';
  await settled();
  expect(document.activeElement?.textContent).toBe('Send another');
});

it('goes to the part itself where nothing in it can be pressed any more', async () => {
  page('<section><div><button>Only</button></div></section>');
  buttons()[0]!.focus();
  document.querySelector('div')!.outerHTML = '<p>Done.</p>';
  await settled();
  expect(document.activeElement?.tagName).toBe('SECTION');
});

it('goes to the new heading where a page becomes another by itself', async () => {
  page('<div><h1 tabindex="-1">Order</h1></div>');
  document.querySelector('h1')!.focus();
  document.querySelector('div')!.outerHTML = '<button>Print</button><h1>Key sheet</h1>';
  await settled();
  expect(document.activeElement?.textContent).toBe('Key sheet');
});

it('goes to the heading of the page where a sheet over it closes and what opened it has gone', async () => {
  page('<h1>Worksheet</h1><button>Order</button>');
  document.body.insertAdjacentHTML('beforeend', '<div role="dialog"><button>Close</button></div>');
  buttons()[1]!.focus();
  document.querySelector('[role=dialog]')!.remove();
  await settled();
  expect(document.activeElement?.textContent).toBe('Worksheet');
});

it('leaves it where the owner or the page put it', async () => {
  list();
  buttons()[0]!.focus();
  buttons()[0]!.closest('li')!.remove();
  buttons()[1]!.focus();
  await settled();
  expect(document.activeElement?.textContent).toBe('three');
});

it('leaves a change of page to its heading', async () => {
  list();
  buttons()[0]!.focus();
  history.pushState(null, '', '/another');
  buttons()[0]!.closest('li')!.remove();
  await settled();
  expect(document.activeElement).toBe(document.body);
});
