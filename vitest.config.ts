import { defineConfig } from 'vitest/config';

// What decides in the screens, tried without a browser; what only a browser shows is in tests/Browser.
export default defineConfig({
  test: {
    include: ['tests/Web/**/*.test.ts'],
    environment: 'jsdom',
    setupFiles: ['fake-indexeddb/auto'],
    restoreMocks: true,
    testTimeout: 60_000,
    cache: false,
  },
});
