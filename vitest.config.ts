import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    maxWorkers: '100%',
    projects: [
      {
        test: {
          name: 'core',
          testTimeout: 300_000,
          // Functions without a state: a fresh set of modules for each file would cost more than its tests.
          isolate: false,
          include: ['core/**/*.test.ts', 'server/**/*.test.ts', 'scripts/**/*.test.ts'],
          benchmark: { include: ['core/**/*.bench.ts'] },
        },
      },
      { test: { name: 'app', testTimeout: 300_000, include: ['app/**/*.test.{ts,tsx}'], environment: 'happy-dom' } },
    ],
  },
})
