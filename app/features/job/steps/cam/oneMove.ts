import { drivenShaftOf, gearsOf, readDrive } from '@link-count/core/drive'
import type { BuildSheet, Coupling, NewEntry } from '@link-count/core/model'
import { laidBy, movesIn, type CountsOfLoop, type FoundMoves, type Move, type MoveSet } from '@link-count/core/search'
import { partsOf } from '@link-count/core/sheet'
import { fixed, ratioValue, type Side } from '@link-count/core/units'
import { inSentence, adjusterWords, couplingName, handWords, placesWords } from '../../../../ui/wording'
import { moveWords } from '../../moveWords'

/** One move in words, from the side stood at. */
export function oneMoveWords(move: Move, sheet: BuildSheet, side: Side): string {
  const { moverId, of, amount, laterDeg } = move
  const laid = laidBy(move, sheet)
  const loop = partsOf(sheet).loop(laid?.loopId)
  if (laid && loop) return moveWords({ layTeeth: laid.teeth, memberId: laid.memberId }, loop, sheet, side)
  if (of?.part === 'coupling') {
    const coupling = partsOf(sheet).coupling(of.couplingId)
    if (coupling?.kind === 'gearMesh') return meshMoveWords(coupling, amount, sheet, side)
    const name = coupling ? couplingName(coupling, sheet) : of.couplingId
    return `${name}${of.end === 'far' ? ', other end' : ''}: put together ${placesWords(-amount)}.`
  }
  const adjuster = of?.part === 'adjuster' && partsOf(sheet).adjuster(of.adjusterId)
  const member = adjuster && partsOf(sheet).member(adjuster.memberId)
  const shaft = member && partsOf(sheet).shaft(member.shaftId)
  if (!adjuster || !member || !shaft) return moverId
  const ratio = ratioValue(readDrive(sheet).ratioOf(shaft))
  const ownDeg = Math.abs(laterDeg * ratio)
  // Later is against the way it runs, for a shaft in the wheel that drives it and for a wheel on the shaft that it is driven by.
  const turned = `${fixed(ownDeg, 2)}° ${handWords(laterDeg > 0 ? -Math.sign(ratio) : Math.sign(ratio), sheet, side)}`
  const done = adjusterWords(adjuster, member.name, amount)
  return drives(sheet, member.id)
    ? `${done}: the ${inSentence(member.name)} ${turned} on the ${inSentence(shaft.name)}.`
    : `${done}: the ${inSentence(shaft.name)} ${turned} in its ${member.kind}.`
}

/** A gear meshed again by teeth: which way, what stays on, and that an idler may come out instead. */
function meshMoveWords(mesh: Coupling, amount: number, sheet: BuildSheet, side: Side): string {
  const gears = gearsOf(sheet, mesh)
  const shaft = drivenShaftOf(sheet, mesh)
  const name = couplingName(mesh, sheet)
  if (!gears || !shaft) return name
  const runs = Math.sign(ratioValue(readDrive(sheet).ratioOf(shaft)))
  const way = handWords(amount > 0 ? -runs : runs, sheet, side)
  const n = Math.abs(amount)
  const loop = sheet.loops.find(({ path }) =>
    path.some(({ memberId }) => partsOf(sheet).member(memberId)?.shaftId === shaft.id),
  )
  const idler = [gears.driver, gears.driven].some(({ shaftId }) => partsOf(sheet).shaft(shaftId)?.kind === 'idler')
  const how = loop ? ` The ${inSentence(loop.name)} stays on.` : idler ? ' The idler may come out for it.' : ''
  return `${name}: out of mesh, and the ${inSentence(gears.driven.name)} in again ${n} ${n === 1 ? 'tooth' : 'teeth'} ${way}.${how}`
}

/** Whether camshafts are driven from this wheel, and its own shaft not through it. */
const drives = (sheet: BuildSheet, memberId: string): boolean =>
  Object.values(readDrive(sheet).ways).some((way) => way.some(({ teeth }) => teeth?.driver.id === memberId))

/** What a set of moves writes into the ledger, the teeth last: where a loop's wheels then stand on purpose goes with the last of its teeth. */
export function newEntriesOf(
  set: MoveSet,
  after: readonly CountsOfLoop[],
  { sheet, side, stepId }: { readonly sheet: BuildSheet; readonly side: Side; readonly stepId: string },
): NewEntry[] {
  const moves = movesIn(set)
  const laid = moves.flatMap((move) => laidBy(move, sheet) ?? [])
  const teeth = laid.map((one, i): NewEntry => {
    const last = laid.findLastIndex(({ loopId }) => loopId === one.loopId) === i
    const seats = last ? after.find(({ loop }) => loop.id === one.loopId)?.seats : undefined
    return { kind: 'moved', ...one, ...(seats && Object.keys(seats).length > 0 ? { seats } : {}), stepId }
  })
  const others = moves.flatMap((move): NewEntry[] => {
    const { of, amount, laterDeg } = move
    switch (of?.part) {
      case 'coupling': {
        const steps = -amount + 0
        const change = { kind: 'coupling', couplingId: of.couplingId, change: 'together', stepId } as const
        return [of.end === 'near' ? { ...change, steps } : { ...change, steps: 0, stepsTo: steps }]
      }
      case 'adjuster': {
        const words = oneMoveWords(move, sheet, side)
        return [{ kind: 'adjusted', adjusterId: of.adjusterId, words, laterDeg, stepId }]
      }
      // Teeth are written last.
      case 'tooth':
      case undefined:
        return []
    }
  })
  return [...others, ...teeth]
}

/** The nearest of all and those with less trouble, without the one that is to be done. */
export const othersOf = ({ nearest, front }: FoundMoves, toDo: MoveSet): MoveSet[] => {
  const same = (a: MoveSet, b: MoveSet) => a.misses === b.misses && a.effort === b.effort
  return [...nearest.slice(0, 1), ...[...front].reverse()]
    .filter((set, i, all) => !same(set, toDo) && all.findIndex((one) => same(one, set)) === i)
    .slice(0, 4)
}
