import { byId } from '../../byId'
import type { BuildSheet } from '../../model/buildSheet'
import type { Entry, EntryOf } from '../../model/entry'
import { rivalSheets } from '../../sheet'
import { startRotation, type Rotation } from '../rotation'
import type { Seats } from '../sectionCounts'
import type { Holding } from '../../drive'
import type { Knew } from './knowing'
import type {
  CamshaftStand,
  Dispute,
  JobFigures,
  LinkStand,
  LostJob,
  PlaceSeen,
  RegisterItem,
  ShaftReading,
  Stand,
  TensionerStand,
} from './stand'

/** The last things said of one part, none of which knew of another. */
export interface Said {
  readonly entry: Entry
  readonly value: string
}

/** What the entries of an engine are folded into, one after the other. */
export interface StandSoFar {
  readonly knew: Knew
  readonly figures: ReadonlyMap<string, JobFigures>
  /** Every sheet that an entry may cite, for what was on it then. */
  readonly sheets: ReadonlyMap<string, BuildSheet>
  jobId: string
  sheet: BuildSheet
  map: Holding
  said: Map<string, readonly Said[]>
  disputes: Map<string, Dispute>
  lost: readonly LostJob[]
  register: RegisterItem[]
  /** Everything that was ever put on the register, as it last went in. */
  items: Map<string, RegisterItem>
  loops: Map<string, LinkStand>
  couplings: Map<string, LinkStand>
  /** Links that are off the engine for good, as they last were: it may yet be said that one became another. */
  gone: Map<string, LinkStand>
  tensioners: Map<string, TensionerStand>
  camshafts: Map<string, CamshaftStand>
  reads: Map<string, ShaftReading>
  rotation: Rotation
  poseSeenDeg: number | undefined
  placeSeen: PlaceSeen | undefined
  /** Sheets on which something of the drive was said: a part that one of them lacks came later. */
  touchedOn: Set<string>
  touchedInJob: boolean
  touchedSinceRan: ReadonlySet<string> | undefined
  ranAsked: EntryOf<'ranUntilNow'> | undefined
  turnedTightDeg: number
  seats: Seats
  seatsAtStart: Seats
  names: Map<string, string>
  jobStartDeg: number
}

export function startStand(
  base: Pick<StandSoFar, 'knew' | 'figures' | 'sheets' | 'jobId' | 'sheet' | 'map'>,
): StandSoFar {
  return {
    ...base,
    said: new Map(),
    disputes: new Map(),
    lost: [],
    register: [],
    items: new Map(),
    loops: new Map(),
    couplings: new Map(),
    gone: new Map(),
    tensioners: new Map(),
    camshafts: new Map(),
    reads: new Map(),
    rotation: startRotation,
    poseSeenDeg: undefined,
    placeSeen: undefined,
    touchedOn: new Set(),
    touchedInJob: false,
    touchedSinceRan: undefined,
    ranAsked: undefined,
    turnedTightDeg: 0,
    seats: byId(),
    seatsAtStart: byId(),
    names: new Map(),
    jobStartDeg: 0,
  }
}

/** A copy that folding on changes, and not what it was copied from: every list that a step changes in place is copied. */
export const copyOfStand = (soFar: StandSoFar): StandSoFar => ({
  ...soFar,
  said: new Map(soFar.said),
  disputes: new Map(soFar.disputes),
  items: new Map(soFar.items),
  loops: new Map(soFar.loops),
  couplings: new Map(soFar.couplings),
  gone: new Map(soFar.gone),
  tensioners: new Map(soFar.tensioners),
  camshafts: new Map(soFar.camshafts),
  reads: new Map(soFar.reads),
  touchedOn: new Set(soFar.touchedOn),
  names: new Map(soFar.names),
})

/** The stand as it is now; nothing that is folded later reaches it. */
export const standOf = (soFar: StandSoFar): Stand => ({
  rivals: rivalSheets([...soFar.sheets.values()].filter(({ engineId }) => engineId === soFar.sheet.engineId)),
  register: soFar.register,
  loops: new Map(soFar.loops),
  couplings: new Map(soFar.couplings),
  tensioners: new Map(soFar.tensioners),
  camshafts: new Map(soFar.camshafts),
  reads: new Map(soFar.reads),
  rotation: soFar.rotation,
  poseSeenDeg: soFar.poseSeenDeg,
  placeSeen: soFar.placeSeen,
  disputes: [...soFar.disputes.values()],
  lost: soFar.lost,
  touchedSinceRan: soFar.touchedSinceRan,
  ranAsked: soFar.ranAsked,
  touchedInJob: soFar.touchedInJob,
  turnedTightDeg: soFar.turnedTightDeg,
  seats: soFar.seats,
  seatsAtStart: soFar.seatsAtStart,
  figures: soFar.figures,
  names: new Map(soFar.names),
  jobStartDeg: soFar.jobStartDeg,
})

const keyOf = (about: Dispute['about'], id: string) => `${about} ${id}`

/** Whether what entries do not agree on has been settled since. */
export const isDisputed = (soFar: StandSoFar, about: Dispute['about'], id: string) =>
  soFar.disputes.has(keyOf(about, id))

/** Notes what an entry says of a part. What it knew of is over; what it did not know of stands beside it, and where the two do not agree nobody knows. */
export function noteSaid(
  soFar: StandSoFar,
  about: Dispute['about'],
  id: string,
  { entry, value }: Said,
  disagree: (a: string, b: string) => boolean = (a, b) => a !== b,
): void {
  const key = keyOf(about, id)
  const beside = (soFar.said.get(key) ?? []).filter((one) => !soFar.knew(entry, one.entry))
  soFar.said.set(key, [...beside, { entry, value }])
  const against = beside.filter((one) => disagree(one.value, value))
  if (against.length === 0) return
  const before = soFar.disputes.get(key)?.entryIds ?? []
  const entryIds = [...new Set([...before, ...against.map((one) => one.entry.id), entry.id])]
  soFar.disputes.set(key, { about, id, entryIds })
}

/** Settles a dispute, if the entry knew of everything in it. */
export function settle(soFar: StandSoFar, about: Dispute['about'], id: string, entry: Entry): void {
  const key = keyOf(about, id)
  const open = (soFar.said.get(key) ?? []).filter((one) => one.entry !== entry && !soFar.knew(entry, one.entry))
  if (open.length === 0) soFar.disputes.delete(key)
}
