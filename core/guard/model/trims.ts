import { NOT, NOT_KNOWN, type Known } from './known'
import type { Link, Undone, World } from './world'

/** A trim round a place of the crank's ledger, as things stand at the end. */
export function around(w: World, centre: number | undefined): Known {
  const n = w.all.length
  const { rotation, against } = w.crankAt(n)
  if (centre === undefined || against || rotation.wheelDisagreesDeg !== undefined || w.crankDisputed(n))
    return NOT_KNOWN
  const away = rotation.totalDeg - centre
  return Math.abs(away) > w.trim + 1e-9 ? NOT : { is: 'within', forwardDeg: w.trim - away, backDeg: w.trim + away }
}

/** Round where something came undone at the timing position; else only round the timing position, once seen there. */
export function aroundUndone(w: World, link: Link, undone: Undone): Known {
  const crank = w.crankAt(w.all.length)
  const poseSeen = w.placeOf(link, w.sheet) === w.sheet.referencePose.crankDeg.value ? crank.poseSeen : crank.ownSeen
  if (undone?.at === 'pose') return around(w, undone.total)
  if (poseSeen !== undefined && (undone?.at === 'ended' || around(w, poseSeen).is === 'within'))
    return around(w, poseSeen)
  return undone?.at === 'elsewhere' ? NOT : NOT_KNOWN
}
