import { readDrive } from '../../drive'
import type { StepKindRecord } from './step'
import { camshaftsOf, each } from './targets'
import { timed } from './timed'

export const asFound: StepKindRecord = {
  targets: (sheet) => each(camshaftsOf(sheet)),
  needs: ['zero', 'half'],
  gives: ['timingFound'],
  phase: 'found',
  // Those between the crank and its camshaft.
  loops: (sheet, [shaftId = '']) => {
    const way = readDrive(sheet).ways[shaftId] ?? []
    const onWay = sheet.loops.filter(({ id }) => way.some(({ by }) => by.id === id))
    return onWay.length > 0 ? onWay : sheet.loops.slice(0, 1)
  },
  evidence: (looked) => timed('found')(looked, looked.targetIds),
  hindrance: ({ arrival }) => (arrival === 'chainOff' ? 'chainAlreadyOff' : undefined),
}
