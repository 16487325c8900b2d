import { nextStamp } from '../ledger'
import type { BuildSheet, Entry, NewEntry, Job } from '../model'
import { makeRandom } from '../random/seeded'
import { oneChainSheet, madeSafe } from './oneChain'
import { gearedBankSheet, ownPlaceSheet, redrawn, twoBankSheet } from './walkSheets'
import { anyStep, ranAndHungAnew, stands, witness, zeroFound } from './walkSteps'

/* Random walks of entries, as mechanics and their devices might write them: jobs after jobs, sheets after sheets, strikes, two and three devices that
 * are merged. A walk is made from its seed alone. */

const AT = '2026-01-05T08:00:00.000Z'
const known = <T>(value: T) => ({ value, typed: String(value), trust: 'measured' as const })

export interface Walk {
  readonly jobs: readonly Job[]
  readonly sheets: readonly BuildSheet[]
  readonly entries: readonly Entry[]
  /** The job it is looked at from. */
  readonly jobId: string
}

interface Device {
  readonly name: string
  jobs: Job[]
  sheets: BuildSheet[]
  entries: Entry[]
}

type Pick = <T>(list: readonly T[]) => T

/** Chance, drawn from the seed alone, and what has been numbered so far. */
interface Draws {
  readonly random: () => number
  readonly pick: Pick
  serial: number
}

/** A walk of so many steps on so many devices. */
export function randomWalk(seed: number, { devices = 1, steps = 24 }: { devices?: number; steps?: number } = {}): Walk {
  const random = makeRandom(seed)
  const pick: Pick = (list) => list[Math.floor(random() * list.length)] as never
  const draws: Draws = { random, pick, serial: 0 }
  const sheet = firstSheet(draws)
  const all: Device[] = Array.from({ length: devices }, (_, i) => ({
    name: `d-${i + 1}`,
    jobs: [],
    sheets: [sheet],
    entries: [],
  }))
  begin(all[0] as Device, draws)
  merge(all)
  for (let i = 0; i < steps; i++) step(pick(all), all, draws)
  merge(all)
  const { jobs, sheets, entries } = all[0] as Device
  return { jobs, sheets, entries, jobId: (jobs.at(-1) as Job).id }
}

function firstSheet({ random, pick }: Draws): BuildSheet {
  const first = pick([oneChainSheet, oneChainSheet, twoBankSheet, ownPlaceSheet, gearedBankSheet])()
  const interference = pick(['yes', 'yes', 'yes', 'unknown', 'no'] as const)
  return {
    ...first,
    interference: { value: interference, typed: interference, trust: 'manual' },
    ...(random() < 0.6 ? { marks: first.marks.map((mark) => ({ ...mark, exact: { how: 'exact' as const } })) } : {}),
    ...(random() < 0.3 ? { wetLiners: true } : {}),
    ...(random() < 0.1 ? { valvesShutBy: pick(['desmodromic', 'opposedPistons'] as const) } : {}),
    ...(random() < 0.2 ? { safeOutDeg: known(pick([5, 12, 30])) } : {}),
  }
}

function step(device: Device, all: Device[], draws: Draws) {
  const { random, pick } = draws
  const sheetNow = sheetOf(device)
  const chance = random()
  if (device.jobs.length === 0 || chance < 0.05) begin(device, draws)
  else if (chance < 0.08 && device.sheets.length < 4) {
    const version = device.sheets.length + 1
    const next = random() < 0.6 ? redrawn(sheetNow, version) : { ...sheetNow, id: `sheet-${version}`, version }
    if (!all.some(({ sheets }) => sheets.some(({ id }) => id === next.id))) {
      device.sheets.push(next)
      say(device, draws, { kind: 'sheet', toSheetId: next.id })
    }
  } else if (chance < 0.13) {
    const job = device.jobs.at(-1) as Job
    const last = device.entries.filter((one) => one.jobId === job.id).slice(-4)
    if (last.length > 0) say(device, draws, { kind: 'strike', targetId: pick(last).id, reason: '' })
  } else if (all.length > 1 && chance < 0.2) merge(all)
  else say(device, draws, ...anyStep(sheetNow, device, pick, random))
}

function begin(device: Device, draws: Draws) {
  const { random } = draws
  newJob(device, draws)
  if (random() < 0.9) say(device, draws, ...madeSafe)
  if (random() < 0.8) say(device, draws, ...zeroFound)
  if (random() < 0.6) say(device, draws, stands('tdc'), witness('thumb'), witness('lobes'))
  if (random() < 0.1) say(device, draws, ...ranAndHungAnew(sheetOf(device), draws.pick))
}

function newJob(device: Device, draws: Draws) {
  const number = device.jobs.reduce((most, job) => Math.max(most, job.number), 0) + 1
  const arrival = draws.random() < 0.15 ? ('everyLoopOff' as const) : ('whole' as const)
  const sheetId = (device.sheets.at(-1) as BuildSheet).id
  const at = new Date(Date.parse(AT) + draws.serial * 1000).toISOString()
  device.jobs.push({
    id: `job-${device.name}-${draws.serial++}`,
    engineId: 'engine',
    number,
    at,
    sheetId,
    arrival,
    reason: '',
  })
}

function say(device: Device, draws: Draws, ...newEntries: NewEntry[]) {
  const job = device.jobs.at(-1) as Job
  const adopted = device.entries.findLast((one) => one.jobId === job.id && one.kind === 'sheet')
  for (const newEntry of newEntries)
    device.entries.push({
      conditions: [],
      typed: [],
      ...newEntry,
      ...nextStamp(device.entries, device.name),
      id: `e-${device.name}-${draws.serial++}`,
      jobId: job.id,
      sheetId: adopted?.kind === 'sheet' ? adopted.toSheetId : job.sheetId,
      device: device.name,
      at: AT,
      seenFrom: 'timing',
    } as Entry)
}

/** Every device gets what the others have. */
function merge(all: Device[]) {
  const byId = <T extends { id: string }>(lists: T[][]) => [
    ...new Map(lists.flat().map((one) => [one.id, one])).values(),
  ]
  const jobs = byId(all.map((one) => one.jobs)).sort((a, b) => a.number - b.number)
  const sheets = byId(all.map((one) => one.sheets)).sort((a, b) => a.version - b.version)
  const entries = byId(all.map((one) => one.entries)).sort((a, b) => a.counter - b.counter)
  for (const device of all) Object.assign(device, { jobs: [...jobs], sheets: [...sheets], entries: [...entries] })
}

function sheetOf(device: Device): BuildSheet {
  const job = device.jobs.at(-1)
  const adopted = device.entries.findLast((one) => one.jobId === job?.id && one.kind === 'sheet')
  const id = adopted?.kind === 'sheet' ? adopted.toSheetId : job?.sheetId
  return device.sheets.find((sheet) => sheet.id === id) ?? (device.sheets.at(-1) as BuildSheet)
}
