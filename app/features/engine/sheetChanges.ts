import { nanoid } from 'nanoid'
import type { FiringPlaces } from '@link-count/core/cylinders'
import { layBolts } from '@link-count/core/fasteners'
import type {
  BoltGroup,
  BoltOrder,
  BoltsLaid,
  BuildSheet,
  Cam,
  Coupling,
  Fastened,
  Follower,
  Loop,
  Mark,
  Member,
  RimMark,
  Shaft,
} from '@link-count/core/model'

/* A change of the build sheet is a function from the old to the new; these make the ones that the editor needs. */
export type SheetChange = (sheet: BuildSheet) => BuildSheet

const patchById =
  <T extends { readonly id: string }>(
    key: 'shafts' | 'members' | 'loops' | 'marks' | 'cams' | 'cylinders' | 'banks' | 'rimMarks' | 'couplings',
  ) =>
  (id: string, change: (one: T) => T): SheetChange =>
  (sheet) => ({ ...sheet, [key]: (sheet[key] as unknown as T[]).map((one) => (one.id === id ? change(one) : one)) })

export const patchShaft = patchById<Shaft>('shafts')
export const patchMember = patchById<Member>('members')
export const patchLoop = patchById<Loop>('loops')
export const patchMark = patchById<Mark>('marks')
export const patchCoupling = patchById<Coupling>('couplings')
export const patchBank = patchById<BuildSheet['banks'][number]>('banks')
export const patchRimMark = patchById<RimMark>('rimMarks')
/** A change of something that follows the cams. */
export const patchFollower =
  (id: string, change: (one: Follower) => Follower): SheetChange =>
  (sheet) => ({ ...sheet, followers: (sheet.followers ?? []).map((one) => (one.id === id ? change(one) : one)) })

/** What sits on a shaft that drives a pump or a magneto: put on the sheet as that, with nothing said of it yet. */
export const addFollower =
  (shaft: Shaft, id: string): SheetChange =>
  (sheet) => ({
    ...sheet,
    followers: [
      ...(sheet.followers ?? []),
      {
        id,
        name: shaft.kind === 'pump' ? 'Injection pump' : 'Magneto',
        kind: shaft.kind === 'pump' ? 'distributorPump' : 'magneto',
        shaftId: shaft.id,
        setBy: ['swing'],
        outlets: (sheet.firingOrder?.value ?? sheet.cylinders.map((one) => one.id)).map((cylinderId) => ({
          name: sheet.cylinders.find((one) => one.id === cylinderId)?.name ?? cylinderId,
          cylinderId,
        })),
      },
    ],
  })

/** Set before the others: they are set in the order in which they stand on the sheet. */
export const setFirst =
  (id: string): SheetChange =>
  (sheet) => ({
    ...sheet,
    followers: (sheet.followers ?? []).toSorted((a, b) => Number(b.id === id) - Number(a.id === id)),
  })

export const removeFollower =
  (id: string): SheetChange =>
  (sheet) => {
    const rest = (sheet.followers ?? []).filter((one) => one.id !== id)
    return withValue(sheet, 'followers', rest.length > 0 ? rest : undefined)
  }

/** A change of a group of bolts. */
export const patchBolts =
  (id: string, change: (one: BoltGroup) => BoltGroup): SheetChange =>
  (sheet) => ({ ...sheet, boltGroups: (sheet.boltGroups ?? []).map((one) => (one.id === id ? change(one) : one)) })

/** A group of bolts as it is begun: laid and ordered as such bolts usually are, with no figure yet. */
export const addBolts =
  (id: string, on: Fastened, { name, n, laid, order, ofId }: BoltsBegun): SheetChange =>
  (sheet) => ({
    ...sheet,
    boltGroups: [
      ...(sheet.boltGroups ?? []),
      { id, name, on, laid, bolts: layBolts(laid, n), order, stages: [], ...(ofId === undefined ? {} : { ofId }) },
    ],
  })

export interface BoltsBegun {
  readonly name: string
  readonly n: number
  readonly laid: Exclude<BoltsLaid, 'touched'>
  readonly order: BoltOrder
  readonly ofId?: string
}

export const removeBolts =
  (id: string): SheetChange =>
  (sheet) => {
    const rest = (sheet.boltGroups ?? []).filter((one) => one.id !== id)
    return withValue(sheet, 'boltGroups', rest.length > 0 ? rest : undefined)
  }

export const patchCylinder = patchById<BuildSheet['cylinders'][number]>('cylinders')

/** The lobes that figures are written for: a valve of every cylinder, or of one. */
export interface LobeSet {
  readonly valve: Cam['valve']
  /** Undefined: of every cylinder. */
  readonly cylinderId?: string | undefined
}
export const lobesOf = ({ cams }: Pick<BuildSheet, 'cams'>, { valve, cylinderId }: LobeSet): Cam[] =>
  cams.filter((cam) => cam.valve === valve && (cylinderId === undefined || cam.cylinderId === cylinderId))

/** The same figure for every lobe of a set. */
export const patchLobes =
  (set: LobeSet, change: (cam: Cam) => Cam): SheetChange =>
  (sheet) => {
    const ids = new Set(lobesOf(sheet, set).map(({ id }) => id))
    return { ...sheet, cams: sheet.cams.map((cam) => (ids.has(cam.id) ? change(cam) : cam)) }
  }

/** Lobes put on another camshaft. */
export const setWorkedBy =
  (lobes: readonly Cam[], shaftId: string): SheetChange =>
  (sheet) => ({
    ...sheet,
    cams: sheet.cams.map((cam) => (lobes.some(({ id }) => id === cam.id) ? { ...cam, shaftId } : cam)),
  })

/** Lobes of a set whose figures are not those of its first. */
export function lobesApart(sheet: Pick<BuildSheet, 'cams'>, set: LobeSet): Cam[] {
  const figures = ({ id: _id, name: _name, shaftId: _shaft, cylinderId: _cylinder, ...rest }: Cam) =>
    JSON.stringify(Object.entries(rest).sort(([a], [b]) => a.localeCompare(b)))
  const [first, ...rest] = lobesOf(sheet, set)
  return rest.filter((cam) => first && figures(cam) !== figures(first))
}

/** A value set, or taken away again when it is not known. */
export function withValue<T extends object, K extends keyof T>(target: T, key: K, value: T[K] | undefined): T {
  const { [key]: _gone, ...rest } = target
  return (value === undefined ? rest : { ...rest, [key]: value }) as T
}

export const setPolar =
  (part: 'distanceMm' | 'directionDeg', value: BuildSheet['strokeMm']) =>
  <T extends Shaft | Member>(one: T): T =>
    one.position?.how === 'polar' ? { ...one, position: withValue(one.position, part, value) } : one

/** A mark more on a part, at its first gap. */
export const addMark = (member: Member): SheetChange => addMarkAt(member, 0)

/** A mark more on a part, so many half teeth from its first gap. */
export const addMarkAt =
  ({ id: memberId, name }: Member, halfTeeth: number): SheetChange =>
  (sheet) => {
    const n = sheet.marks.filter((mark) => mark.memberId === memberId).length + 1
    const mark: Mark = {
      id: `mark-${nanoid(8)}`,
      name: n === 1 ? `${name} mark` : `${name} mark ${n}`,
      memberId,
      halfTeeth,
      cutFor: 'pose',
      meets: '',
    }
    return { ...sheet, marks: [...sheet.marks, mark] }
  }

/** A mark turned by so many half teeth, counter-clockwise. */
export const turnMark =
  (markId: string, by: number): SheetChange =>
  (sheet) =>
    patchMark(markId, (mark) => {
      const teeth = sheet.members.find(({ id }) => id === mark.memberId)?.teeth?.value
      const round = teeth === undefined ? 800 : 2 * teeth
      return { ...mark, halfTeeth: (mark.halfTeeth + by + round) % round }
    })(sheet)

/** A mark taken off, with the counts from it and to it. */
export const removeMark =
  (markId: string): SheetChange =>
  (sheet) => ({
    ...sheet,
    marks: sheet.marks.filter(({ id }) => id !== markId),
    counts: sheet.counts.filter(({ fromMarkId, toMarkId }) => fromMarkId !== markId && toMarkId !== markId),
    witnesses: sheet.witnesses.filter(({ targetId }) => targetId !== markId),
  })

/** Cylinder ids from an order of names; undefined when it does not name each of them once. */
export function orderFromNames(sheet: BuildSheet, text: string): string[] | undefined {
  const parts = text.split(/[^\p{L}\p{N}]+/u).filter(Boolean)
  // 1342, where no name is longer than a sign.
  const single = parts.length === 1 && sheet.cylinders.every(({ name }) => name.length === 1)
  const typed = single ? [...(parts[0] ?? '')] : parts
  const ids = typed.flatMap((name) => sheet.cylinders.find((cylinder) => cylinder.name === name)?.id ?? [])
  const each = ids.length === sheet.cylinders.length && new Set(ids).size === ids.length
  return each && typed.length === ids.length ? ids : undefined
}

/** Firing TDCs evenly spread over the cycle in the sheet's firing order. */
export const firingEvenly: SheetChange = (sheet) => {
  const order = sheet.firingOrder?.value ?? []
  const zeroAt = order.indexOf(sheet.zeroCylinderId)
  const stepDeg = sheet.cycleDeg / order.length
  const places = order.map((id, i) => [id, ((i - zeroAt + order.length) % order.length) * stepDeg] as const)
  return withPlaces(Object.fromEntries(places))(sheet)
}

/** Firing places as somebody said them. */
export const withPlaces =
  (places: FiringPlaces): SheetChange =>
  (sheet) => ({
    ...sheet,
    cylinders: sheet.cylinders.map((cylinder) => {
      const deg = places[cylinder.id]
      return deg === undefined || cylinder.id === sheet.zeroCylinderId
        ? cylinder
        : { ...cylinder, firingDeg: { value: deg, typed: String(deg), trust: 'manual' } }
    }),
  })

/** Crankpins of all cylinders, in the order of the sheet, after the first one's. */
export const withPins =
  (pins: readonly number[]): SheetChange =>
  (sheet) => {
    const zeroAt = sheet.cylinders.findIndex(({ id }) => id === sheet.zeroCylinderId)
    return {
      ...sheet,
      cylinders: sheet.cylinders.map((cylinder, i) => {
        const deg = ((pins[i] ?? 0) - (pins[zeroAt] ?? 0) + 360) % 360
        return { ...cylinder, crankpinDeg: { value: deg, typed: String(deg), trust: 'unknown' } }
      }),
    }
  }
