import { expect, test } from 'vitest';
import { chosenOf } from './upload';

const file = (name: string, relative = '') =>
  Object.defineProperty(new File(['x'], name), 'webkitRelativePath', { value: relative });

test('a folder that was chosen is meant as what is in it', () => {
  expect(
    chosenOf([file('a.html', 'site/a.html'), file('b.png', 'site/pictures/b.png')]).map(({ path }) => path),
  ).toEqual(['a.html', 'pictures/b.png']);
  expect(chosenOf([file('a.html')]).map(({ path }) => path)).toEqual(['a.html']);
});
