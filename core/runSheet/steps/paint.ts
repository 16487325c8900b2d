import { readLoop } from '../../ledger'
import { partsOf } from '../../sheet'
import type { StepKindRecord } from './step'
import { each } from './targets'

/** A tooth of every sprocket painted and the chain that faces it, and counted from one to the next before it comes off: the new one is laid by the same
 *  counts. */
export const paint: StepKindRecord = {
  targets: ({ loops }) => each(loops),
  needs: ['madeSafe', 'timingFound'],
  gives: ['painted'],
  phase: 'found',
  loops: ({ loops }, [loopId]) => loops.filter(({ id }) => id === loopId),
  evidence: ({ sheet, state, targetIds: [loopId = ''] }) => {
    const loop = partsOf(sheet).loop(loopId)
    const counts = state.counts.filter((one) => one.loopId === loopId && one.phase === 'found')
    if (!loop || counts.length === 0) return 'none'
    const { sections } = readLoop(sheet, loop, counts, 'found')
    const wheels = new Set(sections.flatMap(({ from, to }) => [from.memberId, to.memberId]))
    const counted = new Set(counts.map(({ fromMarkId, toMarkId }) => `${fromMarkId} ${toMarkId}`))
    // Until there is a number to lay the new one by, a count is worth nothing.
    if (sections.some(({ expected, from, to }) => !expected && counted.has(`${from.id} ${to.id}`))) return 'part'
    // From wheel to wheel once round but for the last stretch, which follows from the rest.
    return counted.size >= wheels.size - 1 ? 'read' : 'part'
  },
  hindrance: (came, _sheet, [loopId = '']) => (came.loopOff(loopId) ? 'chainAlreadyOff' : undefined),
}
