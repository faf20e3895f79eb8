import { describe, expect, it, test } from 'vitest';
import { change, currencySign, figure, isZero, money, moreOrLess, sumFigure, sumMoney } from './money';

describe('sums', () => {
  it('keep every digit that came, written the British way', () => {
    expect(money('1083.20', 'GBP')).toBe('£1,083.20');
    expect(money('-3.40', 'EUR')).toBe('−€3.40');
    expect(money('9007199254740993.01', 'GBP')).toBe('£9,007,199,254,740,993.01');
    expect(figure('12000')).toBe('12,000');
    expect(currencySign('JPY')).toContain('¥');
  });

  it('say what a choice would change', () => {
    expect(change('12.00', 'GBP')).toBe('adds £12.00');
    expect(change('-3.40', 'GBP')).toBe('saves £3.40');
    expect(change('0.00', 'GBP')).toBe('changes nothing');
  });

  it('of which a part is not stated never look whole', () => {
    expect(sumMoney({ amount: '83.20', atLeast: false }, 'GBP')).toBe('£83.20');
    expect(sumMoney({ amount: '83.20', atLeast: true }, 'GBP')).toBe('at least £83.20');
    expect(sumFigure({ amount: '0.00', atLeast: true })).toBe('not stated');
    expect(sumFigure({ amount: '0.00', atLeast: false })).toBe('0.00');
  });

  it.each(['0', '0.00', '-0.00'])('%s is nothing', (amount) => expect(isZero(amount)).toBe(true));
  it.each(['0.01', '-0.01', '10'])('%s is something', (amount) => expect(isZero(amount)).toBe(false));
});

test('a difference says which way it goes', () => {
  expect(moreOrLess('-3.40', 'GBP')).toEqual({ sum: '£3.40', word: 'less' });
  expect(moreOrLess('3.40', 'GBP')).toEqual({ sum: '£3.40', word: 'more' });
  expect(change('-3.40', 'GBP')).toBe('saves £3.40');
  expect(change('3.40', 'GBP')).toBe('adds £3.40');
  expect(change('-0.00', 'GBP')).toBe('changes nothing');
});
