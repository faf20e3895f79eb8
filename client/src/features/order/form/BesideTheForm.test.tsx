// @vitest-environment jsdom
import { cleanup, render, screen } from '@testing-library/react';
import { useForm } from 'react-hook-form';
import { afterEach, expect, it } from 'vitest';
import { inSite } from '../../../api/site/inSite';
import { BesideTheForm } from './BesideTheForm';
import type { OrderForm } from './form';

afterEach(cleanup);

const somebody = (name: string) => ({
  name,
  organisation: '',
  street: '4 Mill Lane',
  town: 'Hexworth',
  postcode: 'HX4 2AB',
  country: 'GB',
  mail: 'ada@wren.example',
  telephone: '',
});

function Form({ isHeldByOther }: { isHeldByOther: boolean }) {
  const { control } = useForm<OrderForm>({
    defaultValues: { contact: somebody('Ada Wren'), holder: somebody('Hal Ostler'), isHeldByOther } as never,
  });
  return <BesideTheForm control={control} />;
}

const seen = { domain: 'wren.com', seller: 'Tidemarsh', privacy: null, isPrivate: false, shown: null };
const registered = { route: 'register', name: 'wren', ending: 'com' };

function shown(record: object | null, candidate: object = {}, isHeldByOther = false) {
  const worksheet = { publicRecord: record, candidate: { hosting: {}, domains: [registered], ...candidate } };
  render(inSite(<Form isHeldByOther={isHeldByOther} />, { worksheet }).whole);
}

const row = (name: string) => screen.getByText(name, { selector: 'dt' }).nextElementSibling!.textContent;
const steps = () => screen.getAllByRole('listitem').map((item) => item.textContent.split(/[.,:] /)[0]);

it.each([
  [{}, 'the price list does not say'],
  [{ isPrivate: true }, 'Tidemarsh stands in your place'],
  [{ shown: ['name'], privacy: 'forbidden', isPrivate: true }, 'This registry hides nobody'],
  [{ shown: [], privacy: 'by-default' }, 'leaves a private person’s details out'],
  [{ shown: [], privacy: 'by-default', isPrivate: true }, 'Tidemarsh stands in your place'],
  [{ shown: ['name'], privacy: 'allowed' }, 'anybody can read what is shown here in black'],
  [{ shown: [], privacy: 'allowed', isPrivate: true }, 'Tidemarsh stands in your place'],
])('of a record that is %j it says: … %s …', (record, words) => {
  shown({ ...seen, ...record });
  expect(screen.getByText(words, { exact: false })).toBeTruthy();
});

it('hides what the registry does not show, and says what is not given yet', () => {
  shown({ ...seen, shown: ['name', 'telephone'] });
  expect([row('Domain'), row('Holder'), row('Street'), row('Telephone')]).toEqual([
    'wren.com',
    'Ada Wren',
    'not shown',
    'not given yet',
  ]);
});

it.each([
  [false, 'Ada Wren'],
  [true, 'not shown'],
])('where the price list does not say, privacy (%s) decides what is seen', (isPrivate, holder) => {
  shown({ ...seen, isPrivate });
  expect(row('Holder')).toBe(holder);
});

it('shows the holder, where that is somebody else', () => {
  shown(seen, {}, true);
  expect(row('Holder')).toBe('Hal Ostler');
});

it('tells the steps of hosting with a new name', () => {
  shown(seen);
  expect(steps()).toEqual([
    'The money is held',
    'The host prepares your account.',
    'wren.com is registered',
    'The domain is pointed at the hosting.',
    'Only now is the money taken',
  ]);
  expect(screen.getByText(/The hosting works within minutes\. A new name/)).toBeTruthy();
});

it('tells the steps of a name that is moved, without hosting', () => {
  shown(seen, { hosting: null, domains: [{ ...registered, route: 'transfer' }] });
  expect(steps()).toEqual(['The money is held', 'wren.com is moved in', 'Only now is the money taken']);
  expect(screen.getByText(/^A domain that is moved goes on working/)).toBeTruthy();
});

it('of hosting alone it shows no record', () => {
  shown(null, { domains: [] });
  expect(screen.queryByText('What everybody can read')).toBeNull();
  expect(steps()).toHaveLength(3);
});
