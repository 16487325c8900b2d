import { nextStamp } from '../ledger'
import type { BuildSheet, Entry, EntryDraft, Job } from '../model'
import { PART_IDS as ids } from '../starters'
import { makeRandom } from '../random/seeded'
import { benchSheet, madeSafe } from './bench'

/* Random walks of entries, as mechanics and their devices might write them: jobs after jobs, sheets after sheets, strikes, two and three devices that
 * are merged. A walk is made from its seed alone. */

const AT = '2026-01-05T08:00:00.000Z'
/** One of 38 teeth at half speed, at the crank. */
const TOOTH_DEG = (360 / 38) * 2
const known = <T>(value: T) => ({ value, typed: String(value), trust: 'measured' as const })

/** Two banks, each camshaft on its own chain from the crank, and a third camshaft behind a quill at the end of the second. */
export function twoBankSheet(change: Partial<BuildSheet> = {}): BuildSheet {
  const base = benchSheet()
  const wheel = (id: string, shaftId: string, teeth: number) => ({
    id,
    name: id,
    kind: 'sprocket' as const,
    shaftId,
    teeth: known(teeth),
  })
  const shaft = (id: string) => ({ id, name: id, kind: 'cam' as const, ratio: { num: 1, den: 2 } })
  const mark = (id: string, memberId: string) => ({
    id,
    name: id,
    memberId,
    halfTeeth: 0,
    cutFor: 'pose' as const,
    meets: '',
  })
  const loop = (of: 'a' | 'b') => ({
    id: `chain-${of}`,
    name: `Chain ${of}`,
    kind: 'rollerChain' as const,
    pitches: known(70),
    path: [
      { memberId: `crank-${of}`, passed: 'inside' as const },
      { memberId: `tensioner-${of}`, passed: 'outside' as const },
      { memberId: `wheel-${of}`, passed: 'inside' as const },
    ],
  })
  const [first] = base.cylinders
  if (!first) throw new Error('Broken invariant: a bench without a cylinder')
  const cam = (id: string, shaftId: string, cylinderId: string, valve: 'inlet' | 'exhaust') => ({
    id,
    name: id,
    shaftId,
    cylinderId,
    valve,
  })
  return {
    ...base,
    cylinders: [first, { ...first, id: 'cyl-2', name: '2', firingDeg: known(360) }],
    shafts: [...base.shafts.filter(({ kind }) => kind === 'crank'), shaft('cam-a'), shaft('cam-b'), shaft('cam-c')],
    members: [
      ...(['a', 'b'] as const).flatMap((of) => [
        wheel(`crank-${of}`, ids.crank, 19),
        wheel(`wheel-${of}`, `cam-${of}`, 38),
        { id: `tensioner-${of}`, name: `Tensioner ${of}`, kind: 'tensioner' as const },
      ]),
    ],
    loops: [loop('a'), loop('b')],
    couplings: [{ id: 'quill', kind: 'quill', fromId: 'cam-b', toId: 'cam-c', positions: known(24) }],
    marks: (['a', 'b'] as const).flatMap((of) => [
      mark(`crank-mark-${of}`, `crank-${of}`),
      mark(`cam-mark-${of}`, `wheel-${of}`),
    ]),
    counts: (['a', 'b'] as const).map((of) => ({
      id: `book-${of}`,
      loopId: `chain-${of}`,
      fromMarkId: `cam-mark-${of}`,
      toMarkId: `crank-mark-${of}`,
      run: 'tight',
      pitches: known(29),
    })),
    cams: [
      cam('in-1', 'cam-a', 'cyl-1', 'inlet'),
      cam('ex-1', 'cam-a', 'cyl-1', 'exhaust'),
      cam('in-2', 'cam-b', 'cyl-2', 'inlet'),
      cam('ex-2', 'cam-c', 'cyl-2', 'exhaust'),
    ],
    witnesses: [],
    adjusters: (['a', 'b'] as const).map((of) => ({
      id: `hub-${of}`,
      kind: 'hub',
      memberId: `wheel-${of}`,
      positions: 19,
    })),
    ...change,
  }
}

/** The same engine, a chain of it deleted from the sheet and drawn anew. */
export function redrawn(sheet: BuildSheet, version: number): BuildSheet {
  const old = sheet.loops.at(-1)?.id ?? ''
  const id = `${old.replace(/-v\d+$/, '')}-v${version}`
  const fresh = (loopId: string) => (loopId === old ? id : loopId)
  return {
    ...sheet,
    id: `sheet-${version}`,
    version,
    loops: sheet.loops.map((loop) => ({ ...loop, id: fresh(loop.id) })),
    counts: sheet.counts.map((count) => ({ ...count, loopId: fresh(count.loopId) })),
  }
}

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

/** A walk of so many steps on so many devices. */
export function randomWalk(seed: number, { devices = 1, steps = 24 }: { devices?: number; steps?: number } = {}): Walk {
  const random = makeRandom(seed)
  const pick: Pick = (list) => list[Math.floor(random() * list.length)] as never
  const first = random() < 0.5 ? benchSheet() : twoBankSheet()
  const interference = pick(['yes', 'yes', 'yes', 'unknown', 'no'] as const)
  const sheet: BuildSheet = {
    ...first,
    interference: { value: interference, typed: interference, trust: 'manual' },
    ...(random() < 0.2 ? { safeOutDeg: known(pick([5, 12, 30])) } : {}),
  }
  const all: Device[] = Array.from({ length: devices }, (_, i) => ({
    name: `d-${i + 1}`,
    jobs: [],
    sheets: [sheet],
    entries: [],
  }))
  let serial = 0
  const newJob = (device: Device) => {
    const number = device.jobs.reduce((most, job) => Math.max(most, job.number), 0) + 1
    const arrival = random() < 0.15 ? ('chainOff' as const) : ('chainOn' as const)
    const sheetId = (device.sheets.at(-1) as BuildSheet).id
    const at = new Date(Date.parse(AT) + serial * 1000).toISOString()
    device.jobs.push({
      id: `job-${device.name}-${serial++}`,
      engineId: 'engine',
      number,
      at,
      sheetId,
      arrival,
      reason: '',
    })
  }
  const say = (device: Device, ...drafts: EntryDraft[]) => {
    const job = device.jobs.at(-1) as Job
    const adopted = device.entries.findLast((one) => one.jobId === job.id && one.kind === 'sheet')
    for (const draft of drafts)
      device.entries.push({
        conditions: [],
        typed: [],
        ...draft,
        ...nextStamp(device.entries, device.name),
        id: `e-${device.name}-${serial++}`,
        jobId: job.id,
        sheetId: adopted?.kind === 'sheet' ? adopted.toSheetId : job.sheetId,
        device: device.name,
        at: AT,
        seenFrom: 'timing',
      } as Entry)
  }
  const merge = () => {
    const byId = <T extends { id: string }>(lists: T[][]) => [
      ...new Map(lists.flat().map((one) => [one.id, one])).values(),
    ]
    const jobs = byId(all.map((one) => one.jobs)).sort((a, b) => a.number - b.number)
    const sheets = byId(all.map((one) => one.sheets)).sort((a, b) => a.version - b.version)
    const entries = byId(all.map((one) => one.entries)).sort((a, b) => a.counter - b.counter)
    for (const device of all) Object.assign(device, { jobs: [...jobs], sheets: [...sheets], entries: [...entries] })
  }
  const begin = (device: Device) => {
    newJob(device)
    if (random() < 0.9) say(device, ...madeSafe)
    if (random() < 0.8) say(device, ...zeroFound)
    if (random() < 0.6) say(device, stands('tdc'), witness('thumb'), witness('lobes'))
  }
  begin(all[0] as Device)
  merge()
  for (let i = 0; i < steps; i++) {
    const device = pick(all)
    const sheetNow = sheetOf(device)
    const chance = random()
    if (device.jobs.length === 0 || chance < 0.05) begin(device)
    else if (chance < 0.08 && device.sheets.length < 4) {
      const version = device.sheets.length + 1
      const next = random() < 0.6 ? redrawn(sheetNow, version) : { ...sheetNow, id: `sheet-${version}`, version }
      if (!all.some(({ sheets }) => sheets.some(({ id }) => id === next.id))) {
        device.sheets.push(next)
        say(device, { kind: 'sheet', toSheetId: next.id })
      }
    } else if (chance < 0.13) {
      const job = device.jobs.at(-1) as Job
      const last = device.entries.filter((one) => one.jobId === job.id).slice(-4)
      if (last.length > 0) say(device, { kind: 'strike', targetId: pick(last).id, reason: '' })
    } else if (devices > 1 && chance < 0.2) merge()
    else say(device, ...anyStep(sheetNow, device, pick, random))
  }
  merge()
  const { jobs, sheets, entries } = all[0] as Device
  return { jobs, sheets, entries, jobId: (jobs.at(-1) as Job).id }
}

function sheetOf(device: Device): BuildSheet {
  const job = device.jobs.at(-1)
  const adopted = device.entries.findLast((one) => one.jobId === job?.id && one.kind === 'sheet')
  const id = adopted?.kind === 'sheet' ? adopted.toSheetId : job?.sheetId
  return device.sheets.find((sheet) => sheet.id === id) ?? (device.sheets.at(-1) as BuildSheet)
}

const zeroFound: EntryDraft[] = [
  { kind: 'degreeWheel', scale: { kind: 'full', rises: 'running', readToDeg: 0.5 } },
  { kind: 'stopContacts', cylinderId: 'cyl-1', firstDeg: 340, secondDeg: 30 },
  { kind: 'stopContacts', cylinderId: 'cyl-1', firstDeg: 330, secondDeg: 40 },
]
const stands = (place: 'tdc' | 'pose'): EntryDraft => ({ kind: 'stands', place, cylinderId: 'cyl-1' })
const witness = (evidence: 'thumb' | 'lobes'): EntryDraft => ({
  kind: 'witness',
  cylinderId: 'cyl-1',
  evidence,
  says: 'firing',
})

/** What somebody might write next. */
function anyStep(sheet: BuildSheet, device: Device, pick: Pick, random: () => number): EntryDraft[] {
  const camshafts = sheet.shafts.filter(({ kind }) => kind === 'cam').map(({ id }) => id)
  const tensioners = sheet.members.filter(({ kind }) => kind === 'tensioner').map(({ id }) => id)
  const loop = pick(sheet.loops)
  const driven =
    loop.path
      .map(({ memberId }) => memberId)
      .findLast((id) => sheet.members.some((one) => one.id === id && one.teeth)) ?? ''
  const markOn = (id: string) => sheet.marks.find(({ memberId }) => memberId === id)?.id ?? ''
  const shaftId = pick(camshafts)
  const [coupling] = sheet.couplings
  const spoken = device.entries.findLast((one) => one.kind === 'stands')
  // What was worked on before a sheet was drawn anew may be on it no more.
  const everLoops = [...new Set(device.sheets.flatMap(({ loops }) => loops.map(({ id }) => id)))]
  const everItems = [...new Set(device.entries.flatMap((one) => (one.kind === 'item' ? [one.itemId] : [])))]
  const item = (kind: 'stop' | 'lock' | 'capsLoose' | 'rag' | 'tabsNotBent', change: 'in' | 'out'): EntryDraft => ({
    kind: 'item',
    itemId: kind,
    item: kind,
    where: '',
    change,
  })
  const relief = (change: 'in' | 'out'): EntryDraft => {
    const whose = pick([
      { itemId: 'relief-all', of: { what: 'all' as const } },
      { itemId: 'relief-all', of: { what: 'all' as const } },
      { itemId: 'relief-cylinder', of: { what: 'cylinder' as const, id: 'cyl-1' } },
      { itemId: `relief-${shaftId}`, of: { what: 'camshaft' as const, id: shaftId } },
      { itemId: 'relief-words', where: 'cylinder 1 inlet only' },
    ])
    return { kind: 'item', item: 'valvesRelieved', where: '', change, ...whose }
  }
  const book = 29
  const steps: (() => EntryDraft[])[] = [
    () => [{ kind: 'loop', loopId: loop.id, change: 'off' }],
    () => [{ kind: 'loop', loopId: loop.id, change: 'on' }],
    () => [{ kind: 'loop', loopId: loop.id, change: pick(['on', 'off']) }],
    () => [{ kind: 'moved', loopId: loop.id, memberId: driven, teeth: pick([-1, 1]) }],
    () => [
      {
        kind: 'count',
        loopId: loop.id,
        fromMarkId: markOn(driven),
        toMarkId: markOn(loop.path[0]?.memberId ?? ''),
        run: 'tight',
        rule: 'lastOnly',
        counted: book + pick([0, 0, 0, 0, 1, -1, 10]),
        phase: pick(['found', 'set', 'set', 'left']),
      },
    ],
    () => [
      {
        kind: 'tensioner',
        memberId: pick(tensioners),
        state: pick(['heldBack', 'fitted', 'released', 'released', 'proven']),
      },
    ],
    () => [
      {
        kind: 'camshaft',
        shaftId,
        is: pick(['out', 'free', 'held', 'held', 'driven', 'driven', 'seenShut', 'seenShut']),
      },
    ],
    () => [
      { kind: 'camshaft', shaftId, is: 'held' },
      { kind: 'camshaft', shaftId, is: 'seenShut' },
    ],
    () => [{ kind: 'camSet', shaftId, offDeg: pick([0, 0, 0, 1, 12, -40]) }],
    () => [
      {
        kind: 'camMark',
        shaftId,
        markId: markOn(sheet.members.find((one) => one.shaftId === shaftId)?.id ?? ''),
        phase: pick(['found', 'set', 'left']),
        approach: 'running',
        wheelDeg: pick([5, 5, 5, 8, 20, 40, 105, 350]),
      },
    ],
    () => (coupling ? [{ kind: 'coupling', couplingId: coupling.id, change: 'apart', steps: 0 }] : []),
    () =>
      coupling ? [{ kind: 'coupling', couplingId: coupling.id, change: 'together', steps: pick([0, 0, 1, 10]) }] : [],
    () => [
      {
        kind: 'adjusted',
        adjusterId: pick(['nowhere', ...sheet.adjusters.map(({ id }) => id)]),
        words: 'a place on',
        laterDeg: pick([-1, 1, 1, 0.5]) * TOOTH_DEG,
      },
    ],
    () => [item(pick(['stop', 'rag', 'lock', 'capsLoose', 'tabsNotBent']), pick(['in', 'out', 'out']))],
    () => [item('stop', 'out'), item('rag', 'out'), item('lock', 'out'), item('capsLoose', 'out')],
    () => [relief('in')],
    () => [relief('out')],
    () => [stands('pose')],
    () => [stands(pick(['pose', 'tdc']))],
    () => [witness(pick(['thumb', 'lobes']))],
    () => [{ kind: 'turned', deg: pick([1, 2, 3, 3, -3, 90, 355, 360, 720]), ended: 'onMark' }],
    () => [{ kind: 'turned', deg: pick([-2, 3, 360]), ended: 'onMark' }],
    () => [{ kind: 'ranUntilNow', says: pick(['yes', 'yes', 'no', 'notKnown']), role: 'owner' }],
    () => [
      {
        kind: 'settled',
        role: 'fitter',
        part: pick([
          { about: 'loop', id: pick(everLoops), is: pick(['on', 'off', 'asItRan', 'gone']) },
          { about: 'loop', id: pick(everLoops), is: 'became', became: loop.id },
          { about: 'tensioner', id: pick(tensioners), is: pick(['released', 'heldBack']) },
          { about: 'camshaft', id: shaftId, is: pick(['driven', 'held', 'out']) },
          ...(everItems.length > 0
            ? [{ about: 'item' as const, id: pick(everItems), is: pick(['in', 'out'] as const) }]
            : []),
          ...(spoken ? [{ about: 'crank' as const, id: spoken.id, is: 'asSeen' as const }] : []),
          ...(coupling
            ? [{ about: 'coupling' as const, id: coupling.id, is: pick(['together', 'apart', 'asItRan'] as const) }]
            : []),
        ] as const),
      },
    ],
    // A chain put on as it should be, said whole: walks must reach an engine that may be turned.
    () => [
      { kind: 'loop', loopId: loop.id, change: 'on' },
      {
        kind: 'count',
        loopId: loop.id,
        fromMarkId: markOn(driven),
        toMarkId: markOn(loop.path[0]?.memberId ?? ''),
        run: 'tight',
        rule: 'lastOnly',
        counted: book,
        phase: 'set',
      },
      ...tensioners.map((memberId): EntryDraft => ({ kind: 'tensioner', memberId, state: 'released' })),
    ],
  ]
  return random() < 0.02 ? [{ kind: 'close', role: 'fitter', reason: '' }] : pick(steps)()
}
