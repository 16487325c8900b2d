import type { Entry } from '../../model'
import type { Happening } from './history'
import { NOT_KNOWN, SAFE, type Known } from './known'
import { around } from './trims'
import type { World } from './world'

/** A tensioner: what is known of it, and whether it has to be named. `sheetsWorkedOn`: those that the drive was worked on by. */
export function tensionerKnown(
  w: World,
  id: string,
  sheetsWorkedOn: World['history']['sheets'],
): { readonly known: Known; readonly named: boolean } {
  const { sheet, all } = w
  const n = all.length
  const on = (one: typeof sheet) => one.members.some((member) => member.id === id)
  const last = lastSaid(w, id)
  const missed = last.is === 'asArrived' && on(sheet) && sheetsWorkedOn.some((one) => !on(one))
  const is = missed ? 'unknown' : last.is
  if (last.gone || isReleased(is)) return { known: SAFE, named: false }
  const own = sheet.loops.filter(({ path }) => path.some(({ memberId }) => memberId === id))
  const loops = own.length > 0 ? own : sheet.loops
  const allOff = loops.length > 0 && loops.every((loop) => w.linkIs({ kind: 'loop', id: loop.id }, n) === 'off')
  // Held by its spring alone the loop lies as it will run.
  if (allOff || is === 'springOnly') return { known: SAFE, named: true }
  const letGo = last.letGo === undefined ? undefined : w.stoodThen(last.letGo, n)
  return { known: is === 'unknown' ? NOT_KNOWN : around(w, letGo), named: true }
}

const isReleased = (is: string) => is === 'asArrived' || is === 'released' || is === 'proven' || is === 'locked'

/** What was last said of it, and when it was let go of. */
function lastSaid(
  w: World,
  id: string,
): { readonly is: string; readonly letGo: number | undefined; readonly gone: boolean } {
  let [is, gone]: [string, boolean] = ['asArrived', false]
  let letGo: number | undefined
  w.all.forEach((one, i) => {
    // As it will run: released, or held by its spring alone.
    const holds = isReleased(is) || is === 'springOnly'
    const onSheet = w.sheetAt(i + 1).members.some((member) => member.id === id)
    if (one.kind === 'begins' && one.job.arrival === 'everyLoopOff' && holds && onSheet) [is, letGo] = ['out', i]
    if (holds && letsGo(w, id, one, i)) [is, letGo] = ['notSaid', i]
    if (one.kind === 'tensioner' && one.memberId === id) {
      if (holds) letGo = i
      is = w.tensionerDisputed(id, i + 1) ? 'unknown' : one.state
      gone = false
    }
    if (one.kind !== 'settled' || !w.settledOf('tensioner', id)(one) || w.tensionerDisputed(id, i + 1)) return
    if (one.part.is === 'gone' && !onSheet) gone = true
    else if (one.part.is === 'released' || one.part.is === 'heldBack') {
      if (holds) letGo = i
      is = one.part.is
    }
  })
  return { is, letGo, gone }
}

/** Its chain came off. */
function letsGo(w: World, id: string, one: Happening, i: number): boolean {
  if (one.kind !== 'loop' || one.change !== 'off') return false
  const cited = w.history.sheets.find((other) => other.id === (one as Entry).sheetId) ?? w.sheetAt(i + 1)
  const loop = cited.loops.find((other) => other.id === one.loopId)
  return (
    cited.members.some((member) => member.id === id) && (!loop || loop.path.some(({ memberId }) => memberId === id))
  )
}
