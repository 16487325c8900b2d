import type { BuildSheet } from '../model/buildSheet'
import { oncePerSheet, partsOf } from '../sheet'
import { wrapToSigned } from '../units'
import { readHolding } from './holding'

/** Two places of the crank that are the same: what a sheet is written to. */
const SAME_PLACE_DEG = 0.5

interface Places {
  readonly ofShaft: (shaftId: string) => number
  readonly ofLink: (linkId: string) => number
  /** Every place at which something meets, the timing position first, each once. */
  readonly all: readonly number[]
}

/** Where the crank has to stand for each camshaft to meet, and for each chain, belt and coupling to be undone and put together: crank degrees of the cycle. A
 *  camshaft has the place of its mark, else its own, else that of what drives it; a link that of the camshafts behind it, where they have one in common; all
 *  else the timing position. */
const placesOf = oncePerSheet((sheet: BuildSheet): Places => {
  const reference = sheet.referencePose.crankDeg.value
  const { holdsBy, behind, camshafts } = readHolding(sheet)
  const own = (shaftId: string) =>
    sheet.marks.find(
      ({ memberId, cutFor, meetsAtDeg }) =>
        cutFor === 'pose' && meetsAtDeg && partsOf(sheet).member(memberId)?.shaftId === shaftId,
    )?.meetsAtDeg?.value ?? partsOf(sheet).shaft(shaftId)?.meetsAtDeg?.value
  const told = (shaftId: string) => {
    const way = holdsBy(shaftId) ?? []
    const shafts = [shaftId, ...way.map(({ fromShaftId }) => fromShaftId).reverse()]
    for (const id of shafts) {
      const deg = partsOf(sheet).shaft(id)?.kind === 'crank' ? undefined : own(id)
      if (deg !== undefined) return deg
    }
    return reference
  }
  const isSame = (a: number, b: number) => Math.abs(wrapToSigned(a - b, sheet.cycleDeg)) <= SAME_PLACE_DEG
  const all = [reference]
  for (const id of camshafts) if (!all.some((known) => isSame(known, told(id)))) all.push(told(id))
  // Places that are the same are one number.
  const ofShaft = (shaftId: string) => all.find((known) => isSame(known, told(shaftId))) ?? reference
  /** Camshafts that a loop runs round itself; else all that it holds. */
  const heldBy = (linkId: string) => {
    const path = partsOf(sheet).loop(linkId)?.path ?? []
    const own = path.flatMap(({ memberId }) => partsOf(sheet).shaftOfMember(memberId) ?? [])
    const round = own.filter(({ kind }) => kind === 'cam').map(({ id }) => id)
    return round.length > 0 ? round : behind(linkId)
  }
  const ofLink = (linkId: string) => {
    const places = new Set(heldBy(linkId).map(ofShaft))
    const [only] = places
    return places.size === 1 && only !== undefined ? only : reference
  }
  return { ofShaft, ofLink, all }
})

/** Where the crank stands when a camshaft meets its mark: its own place, or the timing position. */
export const placeOfShaft = (sheet: BuildSheet, shaftId: string): number => placesOf(sheet).ofShaft(shaftId)

/** Where the crank stands when a chain, belt or coupling is undone and put together. */
export const placeOfLink = (sheet: BuildSheet, linkId: string): number => placesOf(sheet).ofLink(linkId)

/** Every place of the crank at which something meets, the timing position first. */
export const timingPlaces = (sheet: BuildSheet): readonly number[] => placesOf(sheet).all
