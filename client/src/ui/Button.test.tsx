// @vitest-environment jsdom
import { fireEvent, render, screen } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { Button } from './Button';

function shown(disabled: boolean) {
  const [pressed, sent] = [vi.fn(), vi.fn()];
  render(
    <form
      onSubmit={(event) => {
        event.preventDefault();
        sent();
      }}
    >
      <Button type="submit" disabled={disabled} onClick={pressed}>
        {disabled ? 'Busy' : 'Send'}
      </Button>
    </form>,
  );
  return { button: screen.getByRole('button', { name: disabled ? 'Busy' : 'Send' }), pressed, sent };
}

test('a button that cannot be pressed keeps the focus, does nothing and sends nothing', () => {
  const { button, pressed, sent } = shown(true);
  button.focus();
  fireEvent.click(button);
  expect(document.activeElement).toBe(button);
  expect(button.getAttribute('aria-disabled')).toBe('true');
  expect([pressed, sent].map((known) => known.mock.calls.length)).toEqual([0, 0]);
});

test('one that can be pressed does what it says', () => {
  const { button, pressed, sent } = shown(false);
  fireEvent.click(button);
  expect(button.hasAttribute('aria-disabled')).toBe(false);
  expect([pressed, sent].map((known) => known.mock.calls.length)).toEqual([1, 1]);
});
