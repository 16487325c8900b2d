import { ensureChromium, ensureInstalled, run } from './run.mjs'

/* What takes too long for every change, in named parts that run alone: npm run long -- guard. Without a name, all of them. Each at most 60 minutes on
 * two cores. */

/** The guard held against its model: random walks on one device, and on two and three that are merged. GUARD_SEED starts them elsewhere. */
const guard = () =>
  run('npx', ['vitest', 'run', '--project', 'core', 'core/guard/model', '--testTimeout=3600000'], {
    GUARD_WALKS: process.env.GUARD_WALKS ?? '10000',
    GUARD_MERGES: process.env.GUARD_MERGES ?? '3000',
    GUARD_SEED: process.env.GUARD_SEED ?? '100000',
  })

/** Spoilt files, random workshops there and back, copies put together. FUZZ_SEED starts it elsewhere. */
const fuzz = () =>
  run('npx', ['vitest', 'run', '--project', 'app', 'app/shell/fuzz', '--testTimeout=3600000'], {
    FUZZ: process.env.FUZZ ?? '10000',
    FUZZ_SEED: process.env.FUZZ_SEED ?? '100000',
  })

/** Engines with every fault and pairs of them, and what is said of each. FAULTS_SEED draws others. */
const faults = () =>
  run('npx', ['vitest', 'run', '--project', 'core', 'core/diagnose/diagnose', '--testTimeout=3600000'], {
    FAULTS: process.env.FAULTS ?? '20000',
    FAULTS_SEED: process.env.FAULTS_SEED ?? '100000',
  })

/** The ± of every mix of two to six readings of top dead centre. */
const zeros = () =>
  run('npx', ['vitest', 'run', '--project', 'core', 'core/zero/honestError', '--testTimeout=3600000'], {
    ZERO_MIXES: '456',
  })

/** The ear over 2,000 simulated plucks, and as many harder ones in part. */
const ear = () =>
  run('npx', ['vitest', 'run', '--project', 'core', 'core/ear', '--testTimeout=3600000'], {
    EAR_PLUCKS: process.env.EAR_PLUCKS ?? '2000',
  })

const inBrowser = (names, env) => {
  const chromium = ensureChromium()
  const built = run('npm', ['run', '--silent', 'build'])
  const args = ['playwright', 'test', '--config', 'e2e/playwright.config.ts', '--reporter=list', ...names]
  return built === 0 ? run('npx', args, { CHROMIUM: chromium, ...env }) : built
}

/** The browser killed again and again while it writes. KILL_SEED draws other moments. */
const kills = () =>
  inBrowser(['kills'], { KILLS: process.env.KILLS ?? '500', KILL_SEED: process.env.KILL_SEED ?? '100000' })

/** All forty absurd things into every field of every engine of the demo. */
const absurd = () => inBrowser(['absurd'], { ABSURD: 'all' })

/** Whole journeys that npm test leaves out. */
const journeys = () =>
  inBrowser(['journeys', 'byMarks', 'drive', 'ear.spec', 'panels', 'purposes', 'shapes', 'tension.spec'], {
    JOURNEYS: 'all',
  })

const parts = { guard, faults, zeros, ear, fuzz, kills, absurd, journeys }

ensureInstalled()
const named = process.argv.slice(2)
const unknown = named.filter((name) => !(name in parts))
if (unknown.length > 0) {
  console.error(`No such part: ${unknown.join(', ')}. There are: ${Object.keys(parts).join(', ')}.`)
  process.exit(1)
}
let failed = 0
for (const name of named.length > 0 ? named : Object.keys(parts)) {
  const start = Date.now()
  const code = parts[name]()
  console.log(`${name}: ${code === 0 ? 'passed' : 'failed'} in ${Math.round((Date.now() - start) / 1000)} s`)
  if (code !== 0) failed++
}
process.exit(failed === 0 ? 0 : 1)
