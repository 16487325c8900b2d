import type { BuildSheet } from '../../model'
import { NOT, type Known } from './known'
import type { World } from './world'

/** What stands open above the crank: liners that nothing clamps, and chains that hang where their camshaft is not there. */
export function openAbove(w: World): [string, Known][] {
  const { sheet, all } = w
  const n = all.length
  const items = w.itemsIn(n).map(({ item }) => item)
  const speaks = (kind: string, bankId: string) =>
    items.some(
      ({ item, of }) => item === kind && (!of || of.what === 'all' || (of.what === 'bank' && of.id === bankId)),
    )
  const liners = sheet.banks
    .filter(({ id }) => sheet.wetLiners && speaks('headOff', id) && !speaks('linersClamped', id))
    .map(({ id }): [string, Known] => [`liners ${id}`, NOT])
  const isHeld = (id: string) =>
    items.some(({ item, of }) => ['heldTaut', 'loopAway'].includes(item) && (of?.what !== 'loop' || of.id === id))
  const hanging = sheet.loops
    .filter(({ id }) => w.linkIs({ kind: 'loop', id }, n) === 'off' && !isHeld(id))
    .filter(({ id }) => w.behind({ kind: 'loop', id }, sheet).some((shaft) => isNotThere(w, sheet, shaft)))
    .map(({ id }): [string, Known] => [`hangs ${id}`, NOT])
  return [...liners, ...hanging]
}

/** Out, or everything that it works went with a head. */
function isNotThere(w: World, sheet: BuildSheet, shaft: string): boolean {
  const n = w.all.length
  if (w.camshaftAt(shaft, n).is === 'out') return true
  const heads = w.itemsIn(n).filter(({ item }) => item.item === 'headOff')
  const whole = heads.some(
    ({ item: { of, where } }) =>
      (!of && where.trim() === '') || of?.what === 'all' || (of?.what === 'camshaft' && of.id === shaft),
  )
  const works = sheet.cams.filter((cam) => cam.shaftId === shaft)
  const covers = (of: NonNullable<(typeof heads)[number]['item']['of']>, cam: (typeof works)[number]) =>
    of.what !== 'all' &&
    [cam.id, cam.cylinderId, sheet.cylinders.find(({ id }) => id === cam.cylinderId)?.bankId].includes(of.id)
  return whole || (works.length > 0 && works.every((cam) => heads.some(({ item: { of } }) => of && covers(of, cam))))
}
