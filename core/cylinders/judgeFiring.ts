import { byId } from '../byId'
import type { BuildSheet } from '../model/buildSheet'
import { oncePerSheet, partsOf } from '../sheet'
import { wrapToSigned } from '../units'
import { placesInOrder, possibleOrders, type FiringPlaces, type PossibleOrder } from './firingOrder'
import { tdcResidue } from './tdcResidue'

export interface FiringJudgement {
  /** Firing TDC of each cylinder whose place is known, crank degrees after the zero cylinder's, [0, cycle). */
  readonly places: FiringPlaces
  readonly status: 'settled' | 'open' | 'contradiction' | 'missing'
  /** Where a firing order leaves a revolution open: the ways it can be, to be asked about. */
  readonly ways: readonly FiringPlaces[]
  /** Where order and throws cannot both be right, or no order is known: the orders that these throws could fire in. */
  readonly orders: readonly PossibleOrder[]
  readonly ordersInAll: number
  /** Typed places that the axes and throws do not give, + = typed later, on one turn. */
  readonly disagreements: readonly { readonly cylinderId: string; readonly offDeg: number }[]
}

/** A typed place and one from the throws are the same within this: what a maker's figure is rounded to. */
const SAME_PLACE_DEG = 1

/** When each cylinder fires: typed places first, the rest from axes, throws and firing order. A revolution that the order leaves open
 *  is not guessed: it is `open` until one place is typed. */
export const judgeFiring = oncePerSheet(judge)

function judge(sheet: BuildSheet): FiringJudgement {
  const { cycleDeg, cylinders, zeroCylinderId } = sheet
  const typed: FiringPlaces = byId([
    ...cylinders.flatMap(({ id, firingDeg }) => (firingDeg ? [[id, firingDeg.value % cycleDeg] as const] : [])),
    [zeroCylinderId, 0] as const,
  ])
  const residues = cylinders.map((cylinder) => ({ cylinderId: cylinder.id, deg: tdcResidue(sheet, cylinder) }))
  const disagreements = residues.flatMap(({ cylinderId, deg }) => {
    const place = typed[cylinderId]
    if (deg === undefined || place === undefined) return []
    const offDeg = wrapToSigned(place - deg, 360)
    return Math.abs(offDeg) > SAME_PLACE_DEG ? [{ cylinderId, offDeg }] : []
  })
  const none = { ways: [], orders: [], ordersInAll: 0, disagreements }
  const allTyped = cylinders.every(({ id }) => typed[id] !== undefined)
  if (allTyped) return { ...none, places: typed, status: disagreements.length > 0 ? 'contradiction' : 'settled' }
  const onOneTurn = residues.flatMap(({ cylinderId, deg }) => (deg === undefined ? [] : [{ cylinderId, deg }]))
  if (onOneTurn.length < cylinders.length) return { ...none, places: typed, status: 'missing' }
  if (cycleDeg === 360) {
    const places = byId(onOneTurn.map(({ cylinderId, deg }) => [cylinderId, deg]))
    return { ...none, places: { ...places, ...typed }, status: 'settled' }
  }
  const order = fromZero(sheet)
  const sorted = order.flatMap((id) => onOneTurn.filter(({ cylinderId }) => cylinderId === id))
  const ways = placesInOrder(sorted, cycleDeg).filter((places) => agrees(places, typed, cycleDeg))
  const [only] = ways
  if (sorted.length === cylinders.length && only) {
    return ways.length === 1
      ? { ...none, places: { ...only, ...typed }, status: 'settled' }
      : { ...none, places: { ...shared(ways), ...typed }, status: 'open', ways }
  }
  const zeroFirst = [...onOneTurn].sort(
    (a, b) => Number(b.cylinderId === zeroCylinderId) - Number(a.cylinderId === zeroCylinderId),
  )
  const { best, total } = possibleOrders(zeroFirst, cycleDeg)
  const status = sorted.length === cylinders.length ? 'contradiction' : 'missing'
  return { ...none, places: typed, status, orders: best, ordersInAll: total }
}

/** The firing order turned so that the zero cylinder comes first. */
function fromZero({ firingOrder, zeroCylinderId }: BuildSheet): readonly string[] {
  const order = firingOrder?.value ?? []
  const at = order.indexOf(zeroCylinderId)
  return at < 0 ? [] : [...order.slice(at), ...order.slice(0, at)]
}

const agrees = (places: FiringPlaces, typed: FiringPlaces, cycleDeg: number) =>
  Object.entries(typed).every(
    ([id, deg]) => Math.abs(wrapToSigned((places[id] ?? deg) - deg, cycleDeg)) <= SAME_PLACE_DEG,
  )

/** What all the ways have in common. */
function shared(ways: readonly FiringPlaces[]): FiringPlaces {
  const [first = {}, ...rest] = ways
  return byId(Object.entries(first).filter(([id, deg]) => rest.every((way) => Math.abs((way[id] ?? NaN) - deg) < 1e-9)))
}

/** Firing TDC of a cylinder after the zero cylinder's; undefined while it is not known. */
export const firingDegOf = (sheet: BuildSheet, cylinderId: string): number | undefined =>
  judgeFiring(sheet).places[cylinderId]

/** TDC of a cylinder on one turn of the crank, [0, 360): known as soon as the throws are, whatever it fires on. */
export function tdcOnOneTurn(sheet: BuildSheet, cylinderId: string): number | undefined {
  const fires = firingDegOf(sheet, cylinderId)
  if (fires !== undefined) return fires % 360
  const cylinder = partsOf(sheet).cylinder(cylinderId)
  return cylinder && tdcResidue(sheet, cylinder)
}

/** The cylinders that stand at the other TDC when this one stands at one: places exactly a turn apart. An odd-fire engine
 *  may have none, and a two-stroke never has. */
export function companionsOf(sheet: BuildSheet, cylinderId: string): string[] {
  const { places } = judgeFiring(sheet)
  const mine = places[cylinderId]
  if (mine === undefined || sheet.cycleDeg !== 720) return []
  return Object.entries(places)
    .filter(([id, deg]) => id !== cylinderId && Math.abs(Math.abs(deg - mine) - 360) < 0.01)
    .map(([id]) => id)
}
