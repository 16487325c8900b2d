import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    projects: [
      { test: { name: 'core', include: ['core/**/*.test.ts', 'server/**/*.test.ts', 'scripts/**/*.test.ts'] } },
      { test: { name: 'app', include: ['app/**/*.test.{ts,tsx}'], environment: 'happy-dom' } },
    ],
  },
})
