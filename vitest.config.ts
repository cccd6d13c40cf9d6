import { defineConfig } from 'vitest/config';
import { slowness } from './scripts/lib/slowness.ts';

/** How slow this machine is: a test that hangs costs a minute or two, one that is slow is not broken off. */
const slow = slowness();

export default defineConfig({
  resolve: { tsconfigPaths: true },
  test: {
    // One worker more than the package takes on two cores: files wait for clocks and databases, not for each other.
    maxWorkers: 2,
    coverage: { provider: 'v8', include: ['src/core/**/*.ts'], exclude: ['**/*.test.ts'], reporter: ['text-summary'] },
    // Faults that a test makes on purpose.
    env: { SHELF_LOG: 'silent' },
    projects: [
      {
        extends: true,
        test: {
          name: 'core',
          include: ['src/**/*.test.ts', 'tests/{cli,house,ui,simulators,print}/**/*.test.ts'],
          testTimeout: 120_000 * slow,
          // Nothing here changes what others read: modules are loaded once and not once a file.
          isolate: false,
        },
      },
      {
        extends: true,
        test: {
          name: 'store',
          include: ['tests/store/**/*.test.ts'],
          pool: 'forks',
          globalSetup: 'tests/store/cluster.ts',
          testTimeout: 120_000 * slow,
          hookTimeout: 120_000 * slow,
        },
      },
    ],
  },
});
