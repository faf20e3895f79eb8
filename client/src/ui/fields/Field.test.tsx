// @vitest-environment jsdom
import { cleanup, render, screen } from '@testing-library/react';
import { afterEach, expect, it } from 'vitest';
import { DateField } from './DateField';
import { SelectField, TextField } from './Field';

afterEach(cleanup);

it('a field says in words and in code whether it must be filled', () => {
  render(
    <>
      <TextField label="Town" required />
      <TextField label="Telephone" optional />
    </>,
  );
  expect(screen.getByRole('textbox', { name: 'Town' })).toHaveProperty('required', true);
  expect(screen.getByRole('textbox', { name: 'Telephone (optional)' })).toHaveProperty('required', false);
});

it('a fault belongs to its field and takes the place of the hint', () => {
  const { rerender } = render(<TextField label="Postcode" hint="As on a letter." />);
  const field = screen.getByRole('textbox', { name: 'Postcode' });
  const described = () => document.getElementById(field.getAttribute('aria-describedby')!)?.textContent;
  expect([described(), field.getAttribute('aria-invalid')]).toEqual(['As on a letter.', null]);
  rerender(<TextField label="Postcode" hint="As on a letter." fault="The postcode is missing." />);
  expect([described(), field.getAttribute('aria-invalid')]).toEqual(['The postcode is missing.', 'true']);
});

it('a choice has its label and its fault as well', () => {
  render(
    <SelectField label="Country" fault="Choose a country.">
      <option>United Kingdom</option>
    </SelectField>,
  );
  const field = screen.getByRole('combobox', { name: 'Country' });
  expect(document.getElementById(field.getAttribute('aria-describedby')!)?.textContent).toBe('Choose a country.');
});

it('a day says how it was read', () => {
  render(<DateField label="It expires on" value="3/12/2027" onChange={() => {}} />);
  const field = screen.getByRole('textbox', { name: 'It expires on' });
  expect(document.getElementById(field.getAttribute('aria-describedby')!)?.textContent).toBe(
    'That is 3 December 2027.',
  );
});
