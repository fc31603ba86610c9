import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

const ALIKE = '{src/core,src/cli,src/paper,src/sound,src/server,demo,bench,fuzz}/**/*.test.ts';

export default defineConfig({
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  test: {
    projects: [
      {
        extends: true,
        // They keep nothing between files: what they import is loaded once.
        test: { name: 'core', include: [ALIKE], isolate: false },
      },
      {
        extends: true,
        // Around it are workers, storage and stubs of the browser: each file stands alone.
        test: { name: 'around', include: ['src/**/*.test.{ts,tsx}'], exclude: [ALIKE] },
      },
    ],
    globalSetup: ['scripts/compile.mjs'],
    setupFiles: ['src/testing/setup.ts'],
    testTimeout: 120_000,
    // The usual number leaves one of two cores idle.
    maxWorkers: '100%',
    reporters: ['default'],
    coverage: {
      provider: 'v8',
      include: ['src/**/*.{ts,tsx}'],
      exclude: ['src/testing/**', 'src/**/*.test.{ts,tsx}'],
      reporter: ['json-summary', 'html'],
    },
  },
});
