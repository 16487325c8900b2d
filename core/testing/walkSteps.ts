import type { BuildSheet, Entry, NewEntry } from '../model'
import { itemSteps, type Moment, type Pick, type Step } from './walkItems'

/** One of 38 teeth at half speed, at the crank. */
const TOOTH_DEG = (360 / 38) * 2
const BOOK = 29

export const zeroFound: NewEntry[] = [
  { kind: 'degreeWheel', scale: { kind: 'full', rises: 'running', readToDeg: 0.5 } },
  { kind: 'stopContacts', cylinderId: 'cyl-1', firstDeg: 340, secondDeg: 30 },
  { kind: 'stopContacts', cylinderId: 'cyl-1', firstDeg: 330, secondDeg: 40 },
]
export const stands = (place: 'tdc' | 'pose'): NewEntry => ({ kind: 'stands', place, cylinderId: 'cyl-1' })
export const witness = (evidence: 'thumb' | 'lobes'): NewEntry => ({
  kind: 'witness',
  cylinderId: 'cyl-1',
  evidence,
  says: 'firing',
})

/** The crank at a mark of its own, or past it by so much. */
const atCrankMark = (sheet: BuildSheet, pick: Pick): NewEntry => ({
  kind: 'stands',
  place: 'mark',
  cylinderId: 'cyl-1',
  markId: pick(crankMarks(sheet)),
  offDeg: pick([0, 0, 0, 3, -2, 7]),
})

const crankMarks = (sheet: BuildSheet) =>
  sheet.members.flatMap(({ id, shaftId }) => (shaftId === 'crank' ? [markOn(sheet, id)] : []))

const markOn = (sheet: BuildSheet, id: string) => sheet.marks.find(({ memberId }) => memberId === id)?.id ?? ''

/** What is done to a chain and its tensioner. */
const loopSteps = ({ sheet, pick, loop, driven, tensioners }: Moment): Step[] => [
  () => [{ kind: 'loop', loopId: loop.id, change: 'off' }],
  () => [{ kind: 'loop', loopId: loop.id, change: 'on' }],
  () => [{ kind: 'loop', loopId: loop.id, change: pick(['on', 'off']) }],
  () => [{ kind: 'moved', loopId: loop.id, memberId: driven, teeth: pick([-1, 1]) }],
  () => [
    {
      kind: 'count',
      loopId: loop.id,
      fromMarkId: markOn(sheet, driven),
      toMarkId: markOn(sheet, loop.path[0]?.memberId ?? ''),
      run: 'tight',
      rule: 'lastOnly',
      counted: BOOK + pick([0, 0, 0, 0, 1, -1, 10]),
      phase: pick(['found', 'set', 'set', 'left']),
    },
  ],
  () => [
    {
      kind: 'tensioner',
      memberId: pick(tensioners),
      state: pick([
        'heldBack',
        'fitted',
        'released',
        'released',
        'proven',
        'loose',
        'set',
        'springOnly',
        'levered',
        'locked',
      ]),
    },
  ],
]

function markOfShaft(sheet: BuildSheet, shaftId: string): { readonly markId?: string } {
  const markId = markOn(sheet, sheet.members.find((one) => one.shaftId === shaftId)?.id ?? '')
  return markId === '' ? {} : { markId }
}

/** A camshaft seen at its mark, or off it, the crank at its own. */
const seenAtMark = (sheet: BuildSheet, pick: Pick, shaftId: string): NewEntry => ({
  kind: 'camAtMark',
  shaftId,
  ...markOfShaft(sheet, shaftId),
  phase: pick(['found', 'set', 'left']),
  crank: { by: 'mark', markId: pick(crankMarks(sheet)), offDeg: pick([0, 0, 3]) },
  off: pick([
    { by: 'level' },
    { by: 'level' },
    { by: 'teeth', teeth: pick([0.25, 1, -1]) },
    { by: 'degrees', deg: 4 },
    { by: 'gauge', deg: pick([0, 2]), sureToDeg: 0.05 },
    { by: 'clock', hours: pick([0, -0.5]), sureToHours: 0.5 },
    { by: 'lobes', point: pick(['asInBook', 'opposite']) },
  ]),
})

/** What is done to camshafts, couplings and what can be set. */
const camSteps = ({ sheet, pick, shaftId, coupling }: Moment): Step[] => [
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
  () => [{ kind: 'camSet', shaftId, offDeg: pick([0, 1]), ...markOfShaft(sheet, shaftId) }],
  () => [seenAtMark(sheet, pick, shaftId)],
  () => [seenAtMark(sheet, pick, shaftId)],
  () => [
    {
      kind: 'camMark',
      shaftId,
      markId: markOn(sheet, sheet.members.find((one) => one.shaftId === shaftId)?.id ?? ''),
      phase: pick(['found', 'set', 'left']),
      approach: 'running',
      wheelDeg: pick([5, 5, 5, 8, 20, 40, 105, 350]),
    },
  ],
  () => (coupling ? [{ kind: 'coupling', couplingId: coupling.id, change: 'apart', steps: 0 }] : []),
  () =>
    coupling ? [{ kind: 'coupling', couplingId: coupling.id, change: 'together', steps: pick([0, 0, 1, 10]) }] : [],
  () =>
    coupling?.kind === 'gearMesh'
      ? [
          {
            kind: 'meshCount',
            couplingId: coupling.id,
            phase: pick(['found', 'set', 'set', 'left']),
            teeth: pick([0, 0, 38, 1, -3]),
          },
        ]
      : [],
  () => [
    {
      kind: 'adjusted',
      adjusterId: pick(['nowhere', ...sheet.adjusters.map(({ id }) => id)]),
      words: 'a place on',
      laterDeg: pick([-1, 1, 1, 0.5]) * TOOTH_DEG,
    },
  ],
]

/** Where the crank is said to stand, and how it is turned. */
const crankSteps = ({ pick, sheet, shaftId }: Moment): Step[] => [
  () => [atCrankMark(sheet, pick)],
  () => [atCrankMark(sheet, pick)],
  () => [stands('pose')],
  () => [{ ...stands('pose'), shaftId } as NewEntry],
  () => [stands(pick(['pose', 'tdc']))],
  () => [witness(pick(['thumb', 'lobes']))],
  () => [{ kind: 'turned', deg: pick([1, 2, 3, 3, -3, 90, 290, 355, 360, 720]), ended: 'onMark' }],
  () => [{ kind: 'turned', deg: pick([-2, 3, 360]), ended: 'onMark' }],
  () => [{ kind: 'ranUntilNow', says: pick(['yes', 'yes', 'no', 'notKnown']), role: 'owner' }],
]

/** What somebody settles, and a chain put on as it should be. */
/** A loop on, counted as the book has it, its tensioners released. */
function onRight(sheet: BuildSheet, loop: BuildSheet['loops'][number], tensioners: readonly string[]): NewEntry[] {
  const toothed = loop.path.flatMap(({ memberId }) => sheet.members.filter(({ id, teeth }) => id === memberId && teeth))
  return [
    { kind: 'loop', loopId: loop.id, change: 'on' },
    {
      kind: 'count',
      loopId: loop.id,
      fromMarkId: markOn(sheet, toothed.at(-1)?.id ?? ''),
      toMarkId: markOn(sheet, loop.path[0]?.memberId ?? ''),
      run: 'tight',
      rule: 'lastOnly',
      counted: BOOK,
      phase: 'set',
    },
    ...tensioners.map((memberId): NewEntry => ({ kind: 'tensioner', memberId, state: 'released' })),
  ]
}

/** It ran, a camshaft of it reads far out, and one loop is hung anew: the others are as they ran. */
export function ranAndHungAnew(sheet: BuildSheet, pick: Pick): NewEntry[] {
  const shaftId = pick(sheet.shafts.filter(({ kind }) => kind === 'cam')).id
  const loop = pick(sheet.loops)
  const tensioners = sheet.members.flatMap(({ id, kind }) => (kind === 'tensioner' ? [id] : []))
  return [
    { kind: 'ranUntilNow', says: 'yes', role: 'owner' },
    {
      kind: 'camMark',
      shaftId,
      markId: markOn(sheet, sheet.members.find((one) => one.shaftId === shaftId)?.id ?? ''),
      phase: 'found',
      approach: 'running',
      wheelDeg: 60,
    },
    { kind: 'loop', loopId: loop.id, change: 'off' },
    ...onRight(sheet, loop, tensioners),
  ]
}

function settlingSteps({
  sheet,
  pick,
  loop,
  shaftId,
  tensioners,
  coupling,
  spoken,
  everLoops,
  everItems,
}: Moment): Step[] {
  const chainOnRight = onRight(sheet, loop, tensioners)
  return [
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
    () => chainOnRight,
  ]
}

/** What somebody might write next. */
export function anyStep(
  sheet: BuildSheet,
  { sheets, entries }: { readonly sheets: readonly BuildSheet[]; readonly entries: readonly Entry[] },
  pick: Pick,
  random: () => number,
): NewEntry[] {
  const loop = pick(sheet.loops)
  const moment: Moment = {
    sheet,
    pick,
    loop,
    driven:
      loop.path
        .map(({ memberId }) => memberId)
        .findLast((id) => sheet.members.some((one) => one.id === id && one.teeth)) ?? '',
    shaftId: pick(sheet.shafts.filter(({ kind }) => kind === 'cam').map(({ id }) => id)),
    tensioners: sheet.members.filter(({ kind }) => kind === 'tensioner').map(({ id }) => id),
    coupling: sheet.couplings[0],
    spoken: entries.findLast((one) => one.kind === 'stands'),
    everLoops: [...new Set(sheets.flatMap(({ loops }) => loops.map(({ id }) => id)))],
    everItems: [...new Set(entries.flatMap((one) => (one.kind === 'item' ? [one.itemId] : [])))],
  }
  const steps = [loopSteps, camSteps, itemSteps, crankSteps, settlingSteps].flatMap((some) => some(moment))
  return random() < 0.02 ? [{ kind: 'close', role: 'fitter', reason: '' }] : pick(steps)()
}
