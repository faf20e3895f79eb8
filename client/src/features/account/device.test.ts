import { expect, test } from 'vitest';
import { deviceWords } from './device';

test('browsers are told apart in words, and an unknown one as it stands', () => {
  expect(deviceWords('Mozilla/5.0 (X11; Linux x86_64) AppleWebKit/537.36 Chrome/140.0 Safari/537.36')).toBe(
    'Chrome or the like on Linux',
  );
  expect(deviceWords('Mozilla/5.0 (Windows NT 10.0; rv:140.0) Gecko/20100101 Firefox/140.0')).toBe(
    'Firefox on Windows',
  );
  expect(deviceWords('curl/8')).toBe('curl/8');
});
