import { ensureChromium, ensureInstalled, run } from './run.mjs'

ensureInstalled()
const chromium = ensureChromium()
const built = run('npm', ['run', '--silent', 'build'])
const given = process.argv.slice(2)
const args = given.includes('--config') ? given : ['--config', 'e2e/playwright.config.ts', ...given]
process.exit(built === 0 ? run('npx', ['playwright', 'test', ...args], { CHROMIUM: chromium }) : built)
