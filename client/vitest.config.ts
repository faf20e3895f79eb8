import { defineConfig } from 'vitest/config';

// Few tests need a page: those say so in their first line, since making one takes far longer than a test.
export default defineConfig({
  test: { environment: 'node', include: ['src/**/*.test.{ts,tsx}'], restoreMocks: true },
});
