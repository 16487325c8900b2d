import { ensureInstalled, run } from './run.mjs'

ensureInstalled()
const built = run('npm', ['run', '--silent', 'build'])
process.exit(built === 0 ? run('npx', ['tsx', 'server/main.ts', ...process.argv.slice(2)]) : built)
