import { readDrive } from '../../drive'
import type { BuildSheet } from '../../model/buildSheet'
import type { CamshaftStand, Stand } from './stand'

/** How a camshaft is, by what was said of it and by what drives it: one whose loop or coupling is undone, and of which nothing else was said, is free. */
export function camshaftNow(
  sheet: BuildSheet,
  { camshafts, loops, couplings }: Pick<Stand, 'camshafts' | 'loops' | 'couplings'>,
  shaftId: string,
): { readonly is: CamshaftStand['is']; readonly loose: boolean; readonly seenShut: boolean } {
  const said = camshafts.get(shaftId)
  const way = readDrive(sheet).holdsBy(shaftId)
  const links = way
    ? way.map(({ kind, id }) => (kind === 'loop' ? loops : couplings).get(id)?.is)
    : [...loops.values(), ...couplings.values()].map(({ is }) => is)
  const loose = links.some((is) => is === 'off')
  const is = said?.is ?? 'driven'
  return { is: is === 'driven' && loose ? 'free' : is, loose, seenShut: said?.seenShut ?? false }
}
