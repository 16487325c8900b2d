import { readFileSync } from 'node:fs'

/* The goals of core's benchmarks. Growth is judged, and not the machine: a fold of a hundred times as many lines may take so many times as long. */

const GROWTH_MOST = 200
const REFOLD_MOST_MS = 150
const ONE_STEP_MOST_MS = 16

/** Says every goal; gives how many were missed. */
export function judge(file) {
  const groups = JSON.parse(readFileSync(file, 'utf8')).files.flatMap(({ groups: all }) => all)
  const named = (group, name) => group.benchmarks.find((one) => one.name.startsWith(name))?.mean
  let missed = 0
  const goal = (what, value, most, unit) => {
    const met = value !== undefined && value <= most
    if (!met) missed++
    console.log(`${met ? 'met   ' : 'MISSED'} ${what}: ${value?.toFixed(2) ?? 'not measured'} ${unit}, goal ${most}`)
  }
  const ledgers = groups.filter(({ fullName }) => fullName.includes('a ledger of '))
  if (ledgers.length === 0) goal('ledgers of three sizes', undefined, GROWTH_MOST, 'times')
  for (const group of ledgers) {
    const growth = named(group, '10000 lines folded') / named(group, '100 lines folded')
    goal(`${group.fullName.split(' > ').at(-1)}, 10,000 lines against 100`, growth, GROWTH_MOST, 'times')
  }
  const long = groups.find(({ fullName }) => fullName.includes('in a job of 5,000 lines')) ?? { benchmarks: [] }
  goal('one line more, in order, at 5,000', named(long, 'one line more, in order'), ONE_STEP_MOST_MS, 'ms')
  goal('one that reaches back, at 5,000', named(long, 'one line more that reaches back'), REFOLD_MOST_MS, 'ms')
  return missed
}
