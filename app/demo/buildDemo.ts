import { PART_IDS as ids, beginSheet } from '@link-count/core/starters'
import {
  entrySchema,
  type BuildSheet,
  type Engine,
  type Entry,
  type EntryDraft,
  type Job,
  type Records,
  type Trusted,
} from '@link-count/core/model'
import { parseDirection, parseLength } from '@link-count/core/units'
import { demoJobs, type DemoJob } from './demoJobs'
import type { DemoEngine } from './demoEngine'
import { demoEngines } from './scenario'

const STARTED = '2026-09-14T08:00:00.000Z'

/** Turns the readable scenario into the records of a workshop: the same ones each time. */
export function buildDemo(): Records {
  const engines = demoEngines.map(({ id, name, description }, i): Engine => ({
    id,
    name,
    description,
    at: later(STARTED, i),
  }))
  const sheets = demoEngines.map(sheetOf)
  const jobs = demoJobs.map(({ id, engineId, number, at, arrival, reason }): Job => ({
    id,
    engineId,
    number,
    at,
    sheetId: `sheet-${engineId}`,
    arrival,
    reason,
  }))
  return { engines, sheets, jobs, entries: demoJobs.flatMap(entriesOf) }
}

const later = (iso: string, minutes: number) => new Date(Date.parse(iso) + minutes * 60_000).toISOString()

function entriesOf(job: DemoJob): Entry[] {
  const drafts: EntryDraft[] = job.says(demoEngines.find(({ id }) => id === job.engineId) as DemoEngine)
  return drafts.map((draft, i) =>
    entrySchema.parse({
      conditions: [],
      typed: [],
      ...draft,
      id: `${job.id}-${String(i + 1).padStart(3, '0')}`,
      jobId: job.id,
      sheetId: `sheet-${job.engineId}`,
      device: 'd-bench',
      counter: i + 1,
      at: later(job.at, i * 4),
      seenFrom: 'timing',
    }),
  )
}

function sheetOf(engine: DemoEngine): BuildSheet {
  const base = beginSheet({
    id: `sheet-${engine.id}`,
    engineId: engine.id,
    at: STARTED,
    cylinders: engine.cylinders,
    layout: engine.layout ?? 'inLine',
    drive: engine.drive?.shape ?? 'oneChain',
    guide: engine.guide !== undefined,
    tensioner: engine.tensioner,
  })
  const { guide } = engine
  const { drive } = engine
  const teeth: Readonly<Record<string, number | undefined>> = drive?.teeth ?? {
    [ids.crankSprocket]: engine.crankTeeth,
    [ids.camSprocket]: engine.camTeeth,
  }
  const marks: Record<string, string | undefined> = { [ids.crankMark]: engine.crankMark, [ids.camMark]: engine.camMark }
  return {
    ...base,
    sides: { timing: engine.sides[0], opposite: engine.sides[1] },
    ...(engine.running ? { running: { value: engine.running, typed: engine.running, trust: 'measured' } } : {}),
    interference: {
      value: engine.interference,
      typed: engine.interference,
      trust: engine.interference === 'unknown' ? 'unknown' : 'manual',
    },
    fuel: engine.fuel,
    starting: engine.starting,
    ...lengths({
      strokeMm: engine.stroke,
      rodMm: engine.rod,
      pinOffsetMm: engine.pinOffset,
      plugDepthMm: engine.plugDepth,
      rimMm: engine.rim,
    }),
    banks: base.banks.map((bank, i) => {
      const typed = engine.banks?.[i]
      return typed === undefined ? bank : { ...bank, axisDeg: trusted(typed, read(parseDirection(typed))) }
    }),
    ...(engine.firingOrder
      ? {
          firingOrder: {
            value: engine.firingOrder.split('-').map((name) => `cyl-${name}`),
            typed: engine.firingOrder,
            trust: 'manual' as const,
          },
        }
      : {}),
    rimMarks: (engine.rimMarks ?? []).map(({ claim, ...mark }) => ({
      ...mark,
      seenFrom: 'timing',
      cylinderId: base.zeroCylinderId,
      ...(claim === undefined ? {} : { claimDeg: { value: claim, typed: String(claim), trust: 'unknown' as const } }),
    })),
    ...(engine.tolerance === undefined
      ? {}
      : { toleranceDeg: { value: engine.tolerance, typed: String(engine.tolerance), trust: 'manual' } }),
    cylinders: base.cylinders.map((cylinder, i) => {
      const [deg, pin] = [engine.firingDeg[i], engine.crankpins?.[i]]
      return {
        ...cylinder,
        ...(deg === undefined ? {} : { firingDeg: trusted(String(deg), deg, i === 0 ? 'measured' : 'manual') }),
        ...(pin === undefined ? {} : { crankpinDeg: trusted(String(pin), pin) }),
      }
    }),
    shafts: base.shafts.map((shaft) =>
      drive
        ? { ...shaft, ...placed(drive.places?.[shaft.id]) }
        : shaft.id === ids.cam
          ? { ...shaft, position: polar(engine.distance, engine.direction) }
          : shaft,
    ),
    members: base.members.map((member) => ({
      ...member,
      ...(teeth[member.id]
        ? { teeth: { value: teeth[member.id] as number, typed: String(teeth[member.id]), trust: 'measured' as const } }
        : {}),
      ...(drive ? { ...lengths({ radiusMm: drive.radii?.[member.id] }), ...placed(drive.places?.[member.id]) } : {}),
      ...(!drive && member.id === ids.tensioner ? lengths({ radiusMm: engine.tensionerRadius }) : {}),
      ...(member.id === ids.guide && guide
        ? { ...lengths({ radiusMm: guide.radius }), position: polar(guide.distance, guide.direction) }
        : {}),
    })),
    loops: base.loops.map((loop) => ({
      ...loop,
      ...lengths({ pitchMm: drive ? drive.pitches?.[loop.id] : engine.pitch }),
      ...whole(drive ? drive.links?.[loop.id] : engine.links),
    })),
    couplings: base.couplings.map((coupling) => {
      const n = drive?.splines?.[coupling.toId]
      return n === undefined ? coupling : { ...coupling, positions: trusted(String(n), n) }
    }),
    marks: base.marks.map((mark) => {
      const text = drive ? drive.marks?.[mark.memberId] : marks[mark.id]
      const onCam = base.members.some(
        ({ id, shaftId }) =>
          id === mark.memberId && base.shafts.some((one) => one.id === shaftId && one.kind === 'cam'),
      )
      const meets = onCam ? engine.camMarkMeets : ''
      return text === undefined
        ? { ...mark, meets }
        : { ...mark, meets, pointsAtDeg: trusted(text, read(parseDirection(text))) }
    }),
    ...(engine.school ? { school: engine.school } : {}),
    adjusters: [
      ...base.adjusters,
      ...Object.entries(engine.hubs ?? {}).map(([memberId, positions]) => ({
        id: `hub-${memberId}`,
        kind: 'hub' as const,
        memberId,
        positions,
      })),
    ],
    cams: base.cams.map((cam) => {
      const [opens, closes] = engine[cam.valve] ?? []
      const lash = engine.lash?.[cam.valve === 'inlet' ? 0 : 1]
      const deg = (value: number) => ({ value, typed: String(value), trust: 'manual' as const })
      return {
        ...cam,
        ...(opens === undefined ? {} : { opensDeg: deg(opens) }),
        ...(closes === undefined ? {} : { closesDeg: deg(closes) }),
        ...lengths({
          checkingLiftMm: engine.checkingLift,
          lashMm: lash,
          topLiftMm: engine.topLift?.[cam.valve === 'inlet' ? 0 : 1],
        }),
        ...(engine.fullLiftClock ? { fullLiftClock: deg(engine.fullLiftClock[cam.valve === 'inlet' ? 0 : 1]) } : {}),
      }
    }),
  }
}

const trusted = (typed: string, value: number, trust: Trusted<number>['trust'] = 'measured'): Trusted<number> => ({
  value,
  typed,
  trust,
})

function read(parsed: { ok: true; value: number } | { ok: false; error: unknown }): number {
  if (!parsed.ok) throw new Error(`The demo has a figure that cannot be read: ${JSON.stringify(parsed.error)}`)
  return parsed.value
}

function lengths<K extends string>(texts: Record<K, string | undefined>): { [P in K]?: Trusted<number> } {
  const known = Object.entries<string | undefined>(texts).flatMap(([key, text]) => {
    if (text === undefined) return []
    const parsed = parseLength(text)
    return [[key, trusted(text, read(parsed.ok ? { ok: true, value: parsed.value.value } : parsed))]]
  })
  return Object.fromEntries(known) as { [P in K]?: Trusted<number> }
}

const whole = (n: number | undefined) =>
  n === undefined ? {} : { pitches: { value: n, typed: String(n), trust: 'measured' as const } }

const placed = (place: readonly [string, string] | undefined) => (place ? { position: polar(place[0], place[1]) } : {})

function polar(distance: string | undefined, direction: string | undefined) {
  const parts = lengths({ distanceMm: distance })
  return {
    how: 'polar' as const,
    fromShaftId: ids.crank,
    ...parts,
    ...(direction === undefined ? {} : { directionDeg: trusted(direction, read(parseDirection(direction))) }),
  }
}
