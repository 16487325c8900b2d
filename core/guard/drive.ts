import { readDrive, type Holding } from '../drive'
import {
  isRelieved,
  openLinks,
  provedShafts,
  ranSo,
  readsOut,
  type LinkStand,
  type ReadOut,
  type Stand,
} from '../ledger'
import { registerItems } from '../ledger'
import type { BuildSheet } from '../model/buildSheet'
import { severity, type GuardReason, type GuardReasonCode } from './guard'
import { wantedFor } from './wanted'
import { trimAround, trimWhereApart, type ApartTrim, type Trim } from './room'

type Kind = 'loop' | 'coupling'

interface Link {
  readonly kind: Kind
  readonly id: string
  readonly at: LinkStand
  /** Camshafts behind it whose valves may meet something. */
  readonly threatens: readonly string[]
  readonly vanished: string | undefined
}

const linksOf = (sheet: BuildSheet, stand: Stand, threatened: ReadonlySet<string>): Link[] => {
  const map = readDrive(sheet)
  const link = (kind: Kind, [id, at]: [string, LinkStand]): Link => ({
    kind,
    id,
    at,
    threatens: map.behind(id).filter((shaftId) => threatened.has(shaftId)),
    vanished: (kind === 'loop' ? sheet.loops : sheet.couplings).some((one) => one.id === id)
      ? undefined
      : (stand.names.get(id) ?? id),
  })
  return [
    ...[...stand.loops].map((one) => link('loop', one)),
    ...[...stand.couplings].map((one) => link('coupling', one)),
  ]
}

/** Camshafts of an engine whose valves and pistons may meet, and whose valves are not relieved. Not known to meet counts as meeting. */
export const threatenedShafts = (sheet: BuildSheet, stand: Stand): ReadonlySet<string> =>
  new Set(
    sheet.interference.value === 'no'
      ? []
      : readDrive(sheet).camshafts.filter((shaftId) => !isRelieved(sheet, stand, shaftId)),
  )

/** What loops and couplings that are undone, laid otherwise or not known, and camshafts that are not proved, do to turning the crank. */
export function driveReasons(sheet: BuildSheet, stand: Stand, hidden: ReadonlySet<string> = new Set()): GuardReason[] {
  const threatened = threatenedShafts(sheet, stand)
  const links = linksOf(sheet, stand, threatened)
  const undone = links.flatMap((link) => undoneReason(sheet, stand, link) ?? [])
  return [
    ...undone,
    ...camshaftReasons(sheet, stand, { links, threatened, hidden }),
    ...heldReasons(sheet, stand, links),
  ]
}

const offCodes: Record<
  Kind,
  Record<ApartTrim['why'] | 'free' | 'twoWays' | 'newOnSheet' | 'jobLost', GuardReasonCode>
> = {
  loop: {
    trim: 'loopOff',
    elsewhere: 'loopOffAwayFromPose',
    placeUnknown: 'loopOffPlaceUnknown',
    lookAgain: 'loopOffLookAgain',
    free: 'loopOffFree',
    twoWays: 'loopSaidTwoWays',
    newOnSheet: 'loopNewOnSheet',
    jobLost: 'loopJobLost',
  },
  coupling: {
    trim: 'couplingApart',
    elsewhere: 'couplingApartAwayFromPose',
    placeUnknown: 'couplingApartPlaceUnknown',
    lookAgain: 'couplingApartLookAgain',
    free: 'couplingApartFree',
    twoWays: 'couplingSaidTwoWays',
    newOnSheet: 'couplingNewOnSheet',
    jobLost: 'couplingJobLost',
  },
}

function undoneReason(sheet: BuildSheet, stand: Stand, link: Link): GuardReason | undefined {
  const { kind, id, at, threatens, vanished } = link
  if (at.is === 'on') return undefined
  const codes = offCodes[kind]
  const common = { targetId: id, ...(vanished === undefined ? {} : { vanished }) }
  if (at.is === 'unknown') {
    const code = at.why === 'newOnSheet' || at.why === 'jobLost' ? codes[at.why] : codes.twoWays
    return { ...common, code, verdict: threatens.length > 0 ? 'unknown' : 'turn' }
  }
  if (threatens.length === 0) return { ...common, code: codes.free, verdict: 'turn' }
  const { why, ...trim } = trimWhereApart(sheet, stand, { apart: at.apart, linkId: id })
  return { ...common, ...trim, code: codes[why] }
}

/** Camshafts that everything on their way holds to the crank: whether they are proved, and whether they read out. */
function camshaftReasons(
  sheet: BuildSheet,
  stand: Stand,
  {
    links,
    threatened,
    hidden,
  }: {
    readonly links: readonly Link[]
    readonly threatened: ReadonlySet<string>
    readonly hidden: ReadonlySet<string>
  },
): GuardReason[] {
  const map = readDrive(sheet)
  const proving = { ...stand, sheet }
  const proved = provedShafts(proving)
  const reasons = new Map<string, GuardReason>()
  for (const shaftId of threatened) {
    const way = onWay(map, links, shaftId)
    if (way.some(({ at }) => at.is !== 'on')) continue
    const is = stand.camshafts.get(shaftId)?.is
    if (is === 'unknown') {
      const twoWays: GuardReason = { code: 'camshaftSaidTwoWays', verdict: 'unknown', targetId: shaftId }
      reasons.set(`two ways ${shaftId}`, twoWays)
      continue
    }
    const out = readsOut(proving, shaftId)
    const found = out
      ? outReason(sheet, stand, way, shaftId, out)
      : proved.has(shaftId)
        ? []
        : unproved(sheet, stand, { way, notRight: openLinks(proving, shaftId), hidden })
    for (const reason of found) {
      const key = `${reason.code} ${reason.targetId}`
      reasons.set(key, worseOf(reasons.get(key), reason))
    }
  }
  return [...reasons.values()]
}

/** Two camshafts may wait for the same link: the less of what they allow. */
function worseOf(one: GuardReason | undefined, other: GuardReason): GuardReason {
  if (!one) return other
  if (one.verdict !== other.verdict) return severity[one.verdict] > severity[other.verdict] ? one : other
  if (!one.room || !other.room) return other
  const room = {
    forwardDeg: Math.min(one.room.forwardDeg, other.room.forwardDeg),
    backDeg: Math.min(one.room.backDeg, other.room.backDeg),
  }
  return { ...other, room }
}

/** The links of a camshaft's way; all of them where the sheet does not tell it, and what is on no sheet any more always. */
function onWay(map: Holding, links: readonly Link[], shaftId: string): Link[] {
  const way = map.holdsBy(shaftId)
  return links.filter(({ id, vanished }) => vanished !== undefined || !way || way.some((one) => one.id === id))
}

/** The smallest trim that the links which were undone leave; without one, round where it was read. */
function trimOfWay(sheet: BuildSheet, stand: Stand, way: readonly Link[], readAtDeg: number | undefined): Trim {
  const apart = way.filter(({ at }) => at.apart !== undefined)
  if (apart.length === 0) return trimAround(sheet, stand, readAtDeg)
  const trims = apart.map(({ at, id }) => {
    const { why: _why, ...trim } = trimWhereApart(sheet, stand, { apart: at.apart, linkId: id })
    return trim
  })
  const held =
    trims.find(({ verdict }) => verdict === 'doNotTurn') ?? trims.find(({ verdict }) => verdict === 'unknown')
  if (held) return held
  return {
    verdict: 'trim',
    room: {
      forwardDeg: Math.min(...trims.map(({ room }) => room?.forwardDeg ?? 0)),
      backDeg: Math.min(...trims.map(({ room }) => room?.backDeg ?? 0)),
    },
  }
}

function outReason(
  sheet: BuildSheet,
  stand: Stand,
  way: readonly Link[],
  shaftId: string,
  out: ReadOut,
): GuardReason[] {
  const read = {
    latenessDeg: out.latenessDeg,
    safeDeg: out.safeDeg,
    ...(sheet.safeOutDeg ? {} : { safeIsUsual: true as const }),
    ...(out.disagrees ? { disagrees: true as const } : {}),
  }
  if (ranSo(sheet, stand, shaftId))
    return [{ code: 'camshaftReadsOutRanSo', verdict: 'turn', targetId: shaftId, ...read }]
  const trim = trimOfWay(sheet, stand, way, out.totalDeg)
  const counted = out.loopId !== undefined && (stand.loops.get(out.loopId)?.changes.length ?? 0) > 0
  return counted
    ? [{ code: 'loopCountedOut', targetId: out.loopId ?? '', ...trim, ...read }]
    : [{ code: 'camshaftReadsOut', targetId: shaftId, ...trim, ...read }]
}

function unproved(
  sheet: BuildSheet,
  stand: Stand,
  {
    way,
    notRight,
    hidden,
  }: {
    readonly way: readonly Link[]
    readonly notRight: readonly string[] | undefined
    readonly hidden: ReadonlySet<string>
  },
): GuardReason[] {
  const trim = trimOfWay(sheet, stand, way, undefined)
  const open = way.filter(({ id, at, vanished }) =>
    notRight && vanished === undefined ? notRight.includes(id) : at.changes.length > 0 || at.suspect,
  )
  return (open.length > 0 ? open : way).map(({ kind, id, vanished }) => ({
    code: kind === 'loop' ? 'loopNotCounted' : 'couplingNotRead',
    targetId: id,
    ...trim,
    ...(vanished === undefined ? { wanted: wantedFor(sheet, stand, id, hidden) } : { vanished }),
  }))
}

/** A camshaft that is held and driven at once: the crank would pull against what holds it. */
function heldReasons(sheet: BuildSheet, stand: Stand, links: readonly Link[]): GuardReason[] {
  const map = readDrive(sheet)
  return [...stand.camshafts].flatMap(([shaftId, { is }]): GuardReason[] =>
    is === 'held' && onWay(map, links, shaftId).every(({ at }) => at.is !== 'off')
      ? [{ code: 'camshaftHeld', verdict: 'doNotTurn', targetId: shaftId }]
      : [],
  )
}

/** Whether a camshaft, and not the crank, may be moved. */
export function camshaftVerdict(sheet: BuildSheet, stand: Stand): GuardReason['verdict'] {
  if (stand.register.some(({ item }) => registerItems[item].stopsCamshafts)) return 'doNotTurn'
  const threatened = threatenedShafts(sheet, stand)
  const links = linksOf(sheet, stand, threatened)
  if (links.some(({ at, threatens }) => at.is === 'unknown' && threatens.length > 0)) return 'unknown'
  const off = links.filter(({ at, threatens }) => at.is === 'off' && threatens.length > 0)
  // With the loop off at the timing position a camshaft is moved with care; anywhere else nobody knows what it meets.
  return off.every(({ at, id }) => trimWhereApart(sheet, stand, { apart: at.apart, linkId: id }).verdict === 'trim')
    ? off.length > 0
      ? 'trim'
      : 'turn'
    : 'unknown'
}
