import { ensureInstalled, run } from './run.mjs'

ensureInstalled()
const core = run('npx', ['vitest', 'bench', '--run', '--project', 'core'])
process.exit(core === 0 ? run('node', ['scripts/endToEnd.mjs', '--config', 'e2e/bench.config.ts']) : core)
