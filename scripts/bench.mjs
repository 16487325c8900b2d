import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { judge } from './benchGoals.mjs'
import { ensureInstalled, run } from './run.mjs'

/* How fast it is, beside its goals; it fails where one is missed. On a machine that does nothing else. */
ensureInstalled()
const report = join(mkdtempSync(join(tmpdir(), 'link-count-')), 'core.json')
const core = run('npx', ['vitest', 'bench', '--run', '--project', 'core', '--outputJson', report])
const missed = core === 0 ? judge(report) : 0
const page = run('node', ['scripts/endToEnd.mjs', '--config', 'e2e/bench.config.ts'])
process.exit(core !== 0 || missed > 0 || page !== 0 ? 1 : 0)
