import { layBolts } from '@link-count/core/fasteners'
import { PART_IDS as ids, beginSheet } from '@link-count/core/starters'
import type { BuildSheet, Trusted } from '@link-count/core/model'
import { parseDirection, parseLength, parseTorque } from '@link-count/core/units'
import type { DemoEngine } from './demoEngine'

/** The build sheet of an engine of the scenario: a fresh one, with what the scenario knows written in. */
export function sheetOf(engine: DemoEngine, at: string): BuildSheet {
  const base = beginSheet({
    id: `sheet-${engine.id}`,
    engineId: engine.id,
    at,
    cylinders: engine.cylinders,
    layout: engine.layout ?? 'inLine',
    drive: engine.drive?.shape ?? 'oneChain',
    guide: engine.guide !== undefined,
    tensioner: engine.tensioner,
  })
  return {
    ...base,
    sides: { timing: engine.sides[0], opposite: engine.sides[1] },
    fuel: engine.fuel,
    starting: engine.starting,
    turnsWith: engine.turnsWith,
    ...running(engine),
    ...crank(engine),
    ...cylinders(engine, base),
    rimMarks: rimMarks(engine, base),
    shafts: base.shafts.map((shaft) => ({ ...shaft, ...shaftPlace(engine, shaft.id), ...ownPlace(engine, shaft.id) })),
    members: base.members.map((member) => ({
      ...member,
      ...memberFigures(engine, member.id),
      ...tightener(engine, member.id),
    })),
    loops: base.loops.map((loop) => ({ ...loop, ...loopFigures(engine, loop.id), ...slackWanted(engine, loop.id) })),
    couplings: base.couplings.map((coupling) => {
      const n = engine.drive?.splines?.[coupling.toId]
      return n === undefined ? coupling : { ...coupling, positions: trusted(String(n), n) }
    }),
    marks: base.marks.map((mark) => ({ ...mark, ...markFigures(engine, base, mark) })),
    adjusters: [...base.adjusters, ...hubs(engine)],
    ...followers(engine, base),
    ...boltGroups(engine),
    cams: base.cams.map((cam) => ({ ...cam, ...camFigures(engine, cam) })),
  }
}

/** What follows the cams; its outlets in the order in which the cylinders stand on the sheet. */
function followers({ followers: own }: DemoEngine, { cylinders: all }: BuildSheet): Pick<BuildSheet, 'followers'> {
  if (!own) return {}
  return {
    followers: own.map(({ order, slotRadiusMm, lagDeg, advanceDeg, by, wanted, band, brisker, ...rest }) => ({
      ...rest,
      ...(slotRadiusMm === undefined ? {} : { slotRadiusMm: trusted(`${slotRadiusMm} mm`, slotRadiusMm) }),
      ...(lagDeg === undefined ? {} : { impulse: { lag: byBook(lagDeg), of: 'own' as const } }),
      ...(advanceDeg === undefined
        ? {}
        : { advance: { by: 'automatic' as const, most: byBook(advanceDeg), of: 'own' as const } }),
      outlets: (order?.split('-') ?? all.map(({ name }) => name)).map((name) => ({ name, cylinderId: `cyl-${name}` })),
      wanted: {
        by,
        value: byBook(wanted),
        least: byBook(band[0]),
        most: byBook(band[1]),
        ...(brisker === undefined ? {} : { brisker: byBook(brisker) }),
      },
    })),
  }
}

/** Bolts and nuts, laid and ordered as they are. */
const boltGroups = ({ bolts }: DemoEngine): Pick<BuildSheet, 'boltGroups'> =>
  bolts
    ? {
        boltGroups: bolts.map(({ laid, n, torques, angleDeg, ...rest }) => ({
          ...rest,
          laid,
          bolts: layBolts(laid, n),
          stages: [
            ...torques.map((typed) => ({ by: 'torque' as const, nm: byTheBook(typed, torqueOf(typed)) })),
            ...(angleDeg === undefined ? [] : [{ by: 'angle' as const, deg: byBook(angleDeg) }]),
          ],
        })),
      }
    : {}

const byTheBook = (typed: string, value: number) => trusted(typed, value, 'manual')

function torqueOf(typed: string): number {
  const parsed = parseTorque(typed)
  return read(parsed.ok ? { ok: true, value: parsed.value.value } : parsed)
}

function running({ running, interference, tolerance, school }: DemoEngine): Partial<BuildSheet> {
  return {
    ...(running ? { running: { value: running, typed: running, trust: 'measured' } } : {}),
    interference: {
      value: interference,
      typed: interference,
      trust: interference === 'unknown' ? 'unknown' : 'manual',
    },
    ...(tolerance === undefined ? {} : { toleranceDeg: byBook(tolerance) }),
    ...(school ? { school } : {}),
  }
}

const crank = (engine: DemoEngine): Partial<BuildSheet> => ({
  ...(engine.plugLeans === undefined ? {} : { plugAngleDeg: trusted(`${engine.plugLeans}°`, engine.plugLeans) }),
  ...(engine.crown ? { crown: engine.crown } : {}),
  ...lengths({
    strokeMm: engine.stroke,
    rodMm: engine.rod,
    pinOffsetMm: engine.pinOffset,
    plugDepthMm: engine.plugDepth,
    rimMm: engine.rim,
  }),
})

function cylinders(engine: DemoEngine, base: BuildSheet): Pick<BuildSheet, 'banks' | 'cylinders' | 'firingOrder'> {
  const { firingOrder } = engine
  return {
    banks: base.banks.map((bank, i) => {
      const typed = engine.banks?.[i]
      return typed === undefined ? bank : { ...bank, axisDeg: trusted(typed, read(parseDirection(typed))) }
    }),
    ...(firingOrder
      ? {
          firingOrder: {
            value: firingOrder.split('-').map((name) => `cyl-${name}`),
            typed: firingOrder,
            trust: 'manual' as const,
          },
        }
      : {}),
    cylinders: base.cylinders.map((cylinder, i) => {
      const [deg, pin] = [engine.firingDeg[i], engine.crankpins?.[i]]
      return {
        ...cylinder,
        ...(deg === undefined ? {} : { firingDeg: trusted(String(deg), deg, i === 0 ? 'measured' : 'manual') }),
        ...(pin === undefined ? {} : { crankpinDeg: trusted(String(pin), pin) }),
      }
    }),
  }
}

const rimMarks = ({ rimMarks: marks = [], sharpMarks }: DemoEngine, base: BuildSheet): BuildSheet['rimMarks'] =>
  marks.map(({ claim, cylinder, ...mark }) => ({
    ...mark,
    ...(sharpMarks ? { exact: { how: 'exact' as const } } : {}),
    seenFrom: 'timing',
    cylinderId: cylinder ? `cyl-${cylinder}` : base.zeroCylinderId,
    ...(claim === undefined ? {} : { claimDeg: trusted(String(claim), claim, 'unknown') }),
  }))

function shaftPlace({ drive, distance, direction }: DemoEngine, shaftId: string) {
  if (drive) return placed(drive.places?.[shaftId])
  return shaftId === ids.cam ? { position: polar(distance, direction) } : {}
}

function ownPlace({ ownPlaces }: DemoEngine, shaftId: string) {
  const deg = ownPlaces?.[shaftId]
  return deg === undefined ? {} : { meetsAtDeg: trusted(String(deg), deg, 'manual') }
}

function memberFigures({ drive, crankTeeth, camTeeth, tensionerRadius, guide }: DemoEngine, memberId: string) {
  const teeth: Readonly<Record<string, number | undefined>> = drive?.teeth ?? {
    [ids.crankSprocket]: crankTeeth,
    [ids.camSprocket]: camTeeth,
  }
  const n = teeth[memberId]
  return {
    ...(n ? { teeth: trusted(String(n), n) } : {}),
    ...(drive ? { ...lengths({ radiusMm: drive.radii?.[memberId] }), ...placed(drive.places?.[memberId]) } : {}),
    ...(!drive && memberId === ids.tensioner ? lengths({ radiusMm: tensionerRadius }) : {}),
    ...(memberId === ids.guide && guide
      ? { ...lengths({ radiusMm: guide.radius }), position: polar(guide.distance, guide.direction) }
      : {}),
  }
}

function loopFigures({ drive, pitch, links }: DemoEngine, loopId: string) {
  const pitches = drive ? drive.links?.[loopId] : links
  return {
    ...lengths({ pitchMm: drive ? drive.pitches?.[loopId] : pitch }),
    ...(pitches === undefined ? {} : { pitches: trusted(String(pitches), pitches) }),
  }
}

function tightener({ tighteners }: DemoEngine, memberId: string): Pick<BuildSheet['members'][number], 'tightener'> {
  const of = tighteners?.[memberId]
  if (!of) return {}
  const { throwMm, freeNewMm, setNewMm, lockDeg, ...rest } = of
  return {
    tightener: {
      ...rest,
      ...lengths({ throwMm, freeNewMm, setNewMm }),
      ...(lockDeg === undefined ? {} : { lockDeg: byBook(lockDeg) }),
    },
  }
}

function slackWanted({ slackWanted: wanted }: DemoEngine, loopId: string): Partial<BuildSheet['loops'][number]> {
  const of = wanted?.[loopId]
  if (!of) return {}
  const { by, least, most, support, kgPerM } = of
  return {
    slackWanted: { by, least: byBook(least), most: byBook(most), ...(support ? { support } : {}) },
    ...(kgPerM === undefined ? {} : { massKgPerM: trusted(String(kgPerM), kgPerM) }),
  }
}

function markFigures(engine: DemoEngine, base: BuildSheet, { id, memberId }: BuildSheet['marks'][number]) {
  const { drive, crankMark, camMark } = engine
  const marks: Record<string, string | undefined> = { [ids.crankMark]: crankMark, [ids.camMark]: camMark }
  const text = drive ? drive.marks?.[memberId] : marks[id]
  const shaftId = base.members.find((member) => member.id === memberId)?.shaftId
  const onCam = base.shafts.some((shaft) => shaft.id === shaftId && shaft.kind === 'cam')
  return {
    meets: onCam ? engine.camMarkMeets : '',
    ...(engine.sharpMarks ? { exact: { how: 'exact' as const } } : {}),
    ...(text === undefined ? {} : { pointsAtDeg: trusted(text, read(parseDirection(text))) }),
  }
}

const hubs = (engine: DemoEngine): BuildSheet['adjusters'] =>
  Object.entries(engine.hubs ?? {}).map(([memberId, positions]) => ({
    id: `hub-${memberId}`,
    kind: 'hub',
    memberId,
    positions,
  }))

function camFigures(engine: DemoEngine, { valve }: BuildSheet['cams'][number]) {
  const [opens, closes] = engine[valve] ?? []
  const of = <T>(two: readonly [inlet: T, exhaust: T] | undefined) => two?.[valve === 'inlet' ? 0 : 1]
  const hour = of(engine.fullLiftClock)
  return {
    ...(opens === undefined ? {} : { opensDeg: byBook(opens) }),
    ...(closes === undefined ? {} : { closesDeg: byBook(closes) }),
    ...lengths({ checkingLiftMm: engine.checkingLift, lashMm: of(engine.lash), topLiftMm: of(engine.topLift) }),
    ...(hour === undefined ? {} : { fullLiftClock: byBook(hour) }),
  }
}

const byBook = (value: number) => trusted(String(value), value, 'manual')

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
