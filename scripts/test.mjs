import { mkdtempSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { ensureChromium, ensureInstalled, run, runBeside } from './run.mjs'

/* Everything that must hold: lint and format, types, unit, end-to-end. Ends with one plain line of counts. */
ensureInstalled()
const chromium = ensureChromium()
const folder = mkdtempSync(join(tmpdir(), 'link-count-'))
let passed = 0
let failed = 0

function count(name, code) {
  if (code === 0) passed++
  else failed++
  console.log(`${name}: ${code === 0 ? 'passed' : 'failed'}`)
}

function countReport(name, code, file, read) {
  let counts
  try {
    counts = read(JSON.parse(readFileSync(file, 'utf8')))
  } catch {
    counts = undefined
  }
  if (!counts || counts.passed + counts.failed === 0) return count(name, code || 1)
  passed += counts.passed
  failed += counts.failed
  if (code !== 0 && counts.failed === 0) failed++
}

const npm = (name) => runBeside('npm', ['run', '--silent', name])
const [lint, types] = await Promise.all([npm('lint'), npm('types')])
count('lint', lint)
count('types', types)

const unit = join(folder, 'unit.json')
countReport(
  'unit',
  run('npx', ['vitest', 'run', '--reporter=dot', '--reporter=json', `--outputFile.json=${unit}`]),
  unit,
  (report) => ({
    passed: report.numPassedTests,
    failed: report.numFailedTests + (report.numPendingTests ?? 0),
  }),
)

const built = run('npm', ['run', '--silent', 'build'])
count('build', built)
if (built === 0) {
  const report = join(folder, 'e2e.json')
  const code = run('npx', ['playwright', 'test', '--config', 'e2e/playwright.config.ts', '--reporter=line,json'], {
    CHROMIUM: chromium,
    PLAYWRIGHT_JSON_OUTPUT_FILE: report,
  })
  countReport('end-to-end', code, report, ({ stats }) => ({
    passed: stats.expected + stats.flaky,
    failed: stats.unexpected + stats.skipped,
  }))
}

console.log(`${passed} passed, ${failed} failed`)
process.exit(failed === 0 ? 0 : 1)
