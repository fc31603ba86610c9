import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  test: {
    include: ['src/**/*.test.{ts,tsx}', 'demo/**/*.test.ts', 'bench/**/*.test.ts', 'fuzz/**/*.test.ts'],
    setupFiles: ['src/testing/setup.ts'],
    testTimeout: 60_000,
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
