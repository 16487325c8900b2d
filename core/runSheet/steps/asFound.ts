import { placeOfShaft, readDrive } from '../../drive'
import type { StepKindRecord } from './step'
import { atPlace, camshaftsOf, each } from './targets'
import { timed } from './timed'
import { undrivenSays } from './hindrances'

export const asFound: StepKindRecord = {
  targets: (sheet) => each(camshaftsOf(sheet)),
  needs: ['zero', 'half'],
  gives: ['timingFound'],
  // A camshaft with a place of its own is read there; the others wherever the mark is brought to meet.
  crankAt: (sheet, [shaftId = '']) => {
    const deg = placeOfShaft(sheet, shaftId)
    return deg === sheet.referencePose.crankDeg.value ? undefined : atPlace(sheet, deg)
  },
  phase: 'found',
  // Those between the crank and its camshaft.
  loops: (sheet, [shaftId = '']) => {
    const way = readDrive(sheet).ways[shaftId] ?? []
    const onWay = sheet.loops.filter(({ id }) => way.some(({ by }) => by.id === id))
    return onWay.length > 0 ? onWay : sheet.loops.slice(0, 1)
  },
  evidence: (looked) => timed('found')(looked, looked.targetIds),
  hindrance: undrivenSays,
}
