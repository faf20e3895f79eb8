// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, expect, it, vi } from 'vitest';
import { BookContext, Fields } from './Parts';
import type { Json, Shape } from './document';

afterEach(cleanup);

const whole: Shape = {
  $defs: {
    flag: { anyOf: [{ type: 'boolean' }, { type: 'null' }] },
    amount: { type: 'string' },
    texts: { items: { type: 'string' } },
    features: { type: 'object', additionalProperties: {} },
  },
};
const ref = (name: string) => ({ $ref: `#/$defs/${name}` });
const shape: Shape = {
  properties: {
    id: { type: 'string' },
    name: { type: 'string' },
    months: { type: 'integer' },
    renews: ref('flag'),
    amount: ref('amount'),
    includes: ref('texts'),
    features: ref('features'),
  },
};

function shown(document: Json, faultAt: (where: string) => string | undefined = () => undefined) {
  const edit = vi.fn();
  render(
    <BookContext value={{ whole, document, faultAt, isBehind: false, edit }}>
      <Fields shape={shape} path={[]} />
    </BookContext>,
  );
  return edit;
}

const book: Json = {
  id: 'oak',
  name: 'Oak',
  months: 12,
  renews: true,
  amount: null,
  includes: ['backup', 'privacy'],
  features: { storageGB: 10, ownThing: 'yes please' },
};

const boxes = () =>
  [...document.querySelectorAll<HTMLInputElement | HTMLSelectElement>('input, select')].map(
    (box) => `${box.labels![0]!.textContent}: ${box.value}`,
  );

it('shows each value as it is typed, an id last', () => {
  shown(book);
  expect(boxes()).toEqual([
    'Name: Oak',
    'months: 12',
    'renews: true',
    'Amount: not stated',
    'Extras it holds (ids): backup, privacy',
    'Id, as other parts name it: oak',
  ]);
});

it('names what a plan has as pages do, and keeps what only this book says', () => {
  shown(book);
  const parts = document.querySelector('details')!;
  parts.open = true;
  fireEvent(parts, new Event('toggle'));
  expect(boxes()).toContain('Storage, GB: 10');
  expect(boxes().at(-1)).toBe('ownThing: yes please');
});

const put = { op: 'add', from: null };

it.each([
  ['Name', 'Elm', [{ ...put, path: '/name', value: 'Elm' }]],
  ['months', '24', [{ ...put, path: '/months', value: 24 }]],
  ['months', 'two', [{ ...put, path: '/months', value: 'two' }]],
  ['Amount', '9.00', [{ ...put, path: '/amount', value: '9.00' }]],
  [
    'Extras it holds (ids)',
    'backup,, malware-watch ',
    [{ ...put, path: '/includes', value: ['backup', 'malware-watch'] }],
  ],
  ['Name', '', [{ op: 'remove', path: '/name', value: undefined, from: null }]],
])('%s becomes “%s”', (label, typed, edits) => {
  const edit = shown(book);
  fireEvent.blur(screen.getByLabelText(label), { target: { value: typed } });
  expect(edit).toHaveBeenCalledWith(edits);
});

it('sends nothing where nothing was changed', () => {
  const edit = shown(book);
  fireEvent.blur(screen.getByLabelText('Amount'), { target: { value: ' not stated ' } });
  expect(edit).not.toHaveBeenCalled();
});

it('says a fault at its field', () => {
  shown(book, (where) => (where === 'months' ? 'A whole number.' : undefined));
  expect(screen.getByLabelText('months').getAttribute('aria-invalid')).toBe('true');
  expect(screen.getByText('A whole number.')).toBeTruthy();
});
