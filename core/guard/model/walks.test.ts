import { describe, expect, test } from 'vitest'
import { foldJob } from '../../ledger'
import { randomWalk, type Walk } from '../../testing/walks'
import { judgeGuard, severity, type Guard } from '..'
import { whatIsKnown, type Known } from '.'

/* The guard against the model, over random walks. Independently computed. `npm run long -- guard` walks further. */

const WALKS = Number(process.env['GUARD_WALKS'] ?? 1200)
const MERGES = Number(process.env['GUARD_MERGES'] ?? 240)
const SEED = Number(process.env['GUARD_SEED'] ?? 1)

const verdictOf: Record<Known['is'], Guard['verdict']> = {
  safe: 'turn',
  within: 'trim',
  notKnown: 'unknown',
  not: 'doNotTurn',
}

/** What is wrong with the guard on a walk, or nothing. */
function faultOf({ jobs, sheets, entries, jobId }: Walk): string | undefined {
  const job = jobs.find(({ id }) => id === jobId)
  if (!job) throw new Error('Broken invariant: a walk without a job')
  const state = foldJob({ job, jobs, sheets, entries })
  const sheet = sheets.find(({ id }) => id === state.sheetId)
  if (!sheet) throw new Error('Broken invariant: a job without a sheet')
  const guard = judgeGuard(sheet, state)
  const { all, things, told: named } = whatIsKnown({ jobs, sheets, entries }, jobId)
  const told = () =>
    JSON.stringify({
      guard: guard.reasons
        .filter(({ verdict }) => verdict !== 'turn')
        .map(({ code, targetId, verdict, room, trim }) => ({ code, targetId, verdict, room, trim })),
      model: [...things].filter(([, known]) => known.is !== 'safe'),
    })
  if (severity[guard.verdict] < severity[verdictOf[all.is]]) return `freer than the model: ${told()}`
  if (all.is === 'safe' && guard.verdict !== 'turn') return `holds what is known safe: ${told()}`
  if (all.is === 'within' && guard.verdict === 'trim') {
    const { forwardDeg = Infinity, backDeg = Infinity } = guard.limit ?? {}
    if (forwardDeg > all.forwardDeg + 1e-6 || backDeg > all.backDeg + 1e-6) return `a wider trim: ${told()}`
  }
  const silent = [...named].find((id) => guard.reasons.every(({ targetId }) => targetId !== id))
  return silent === undefined ? undefined : `does not name ${silent}: ${told()}`
}

/** The walk cut down to the fewest of its entries that still show the fault. */
function shortest(walk: Walk): Walk {
  let { entries } = walk
  for (let again = true; again;) {
    again = false
    for (const one of entries) {
      const fewer = entries.filter((other) => other !== one)
      if (faultOf({ ...walk, entries: fewer }) === undefined) continue
      entries = fewer
      again = true
      break
    }
  }
  return { ...walk, entries }
}

const lines = (walk: Walk) =>
  walk.entries
    .map(({ id: _id, conditions: _c, typed: _t, at: _at, seenFrom: _s, ...rest }) => JSON.stringify(rest))
    .join('\n')

function walkAll(seeds: readonly number[], how: { devices: number; steps: number }) {
  const seen = { turn: 0, trim: 0, doNotTurn: 0, unknown: 0 }
  for (const seed of seeds) {
    const walk = randomWalk(seed, how)
    const fault = faultOf(walk)
    if (fault !== undefined) {
      const short = shortest(walk)
      throw new Error(
        `seed ${seed}, ${JSON.stringify(how)}: ${faultOf(short)}\n${lines(short)}\n${JSON.stringify(short.jobs)}`,
      )
    }
    const { all } = whatIsKnown(walk, walk.jobId)
    seen[verdictOf[all.is]]++
  }
  return seen
}

const range = (n: number, from: number) => Array.from({ length: n }, (_, i) => from + i)

describe('random walks: the guard is never freer than what is known, and turns what is known safe', () => {
  test('one device', () => {
    const seen = walkAll(range(WALKS, SEED), { devices: 1, steps: 22 })
    // The walks must come by every answer, or they show nothing.
    for (const times of Object.values(seen)) expect(times).toBeGreaterThan(WALKS / 100)
  })
  test('short ones, in which what a job began with still stands', () => {
    walkAll(range(WALKS / 2, SEED + 3e6), { devices: 1, steps: 3 })
  })
  test('two and three devices, merged', () => {
    const two = walkAll(range(MERGES / 2, SEED + 1e6), { devices: 2, steps: 30 })
    walkAll(range(MERGES / 2, SEED + 2e6), { devices: 3, steps: 36 })
    expect(two.unknown).toBeGreaterThan(MERGES / 40)
  })
})
