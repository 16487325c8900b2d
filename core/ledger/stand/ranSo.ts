import { readDrive } from '../../drive'
import type { BuildSheet } from '../../model/buildSheet'
import type { Stand } from './stand'

/** Whether the engine ran with a camshaft where it is: nothing on its way was touched since, and nothing on the way of a camshaft that works another valve of
 *  one of its cylinders, which could be met by it now. */
export function ranSo(
  sheet: BuildSheet,
  { touchedSinceRan }: Pick<Stand, 'touchedSinceRan'>,
  shaftId: string,
): boolean {
  if (!touchedSinceRan) return false
  if (touchedSinceRan.size === 0) return true
  const map = readDrive(sheet)
  const way = map.holdsBy(shaftId)
  const isHere = (id: string) => [...sheet.loops, ...sheet.couplings].some((one) => one.id === id)
  if (!way || ![...touchedSinceRan].every(isHere) || way.some(({ id }) => touchedSinceRan.has(id))) return false
  const moved = new Set([...touchedSinceRan].flatMap((id) => map.behind(id)))
  const cylindersOf = (id: string) => sheet.cams.flatMap((cam) => (cam.shaftId === id ? [cam.cylinderId] : []))
  const own = cylindersOf(shaftId)
  return own.length > 0 && [...moved].every((id) => cylindersOf(id).every((cylinderId) => !own.includes(cylinderId)))
}
