import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    projects: [
      {
        test: {
          name: 'core',
          testTimeout: 300_000,
          include: ['core/**/*.test.ts', 'server/**/*.test.ts', 'scripts/**/*.test.ts'],
          benchmark: { include: ['core/**/*.bench.ts'] },
        },
      },
      { test: { name: 'app', testTimeout: 300_000, include: ['app/**/*.test.{ts,tsx}'], environment: 'happy-dom' } },
    ],
  },
})
