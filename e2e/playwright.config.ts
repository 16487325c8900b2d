import { defineConfig } from '@playwright/test'

export const PORT = Number(process.env['E2E_PORT'] ?? 4185)

export const launchOptions = {
  executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
}

const KILLS = 'kills/*.spec.ts'
const LONG = ['absurd.spec.ts', 'everywhere.spec.ts', 'journeys.spec.ts']

export default defineConfig({
  testDir: '.',
  outputDir: '../test-results',
  // The longest take two minutes with three at a time; a machine with other work takes twice that.
  timeout: 300_000,
  expect: { timeout: 25_000 },
  fullyParallel: true,
  // One more than two cores: some of a journey is waiting.
  workers: 3,
  retries: 0,
  forbidOnly: true,
  use: {
    baseURL: `http://localhost:${PORT}`,
    viewport: { width: 1280, height: 800 },
    launchOptions,
    serviceWorkers: 'block',
  },
  // What takes longest begins first.
  projects: [
    { name: 'kills', testMatch: KILLS },
    { name: 'long', testMatch: LONG },
    { name: 'short', testMatch: '**/*.spec.ts', testIgnore: [KILLS, ...LONG] },
  ],
  webServer: {
    command: 'npx tsx ../server/main.ts',
    port: PORT,
    env: { PORT: String(PORT) },
    reuseExistingServer: false,
  },
})
