import { byId } from '../../byId'
import { shaftsBehind } from '../../drive'
import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { dropStaleReadings, forgetMeshCounts } from '../takeDrive'
import { takeCoupling } from '../stand/links'
import { keep, type LedgerKind } from './kind'

export const couplingShape = entryShape(
  'coupling',
  'A coupling or two gears drawn apart, or put together again so many places or teeth on',
  {
    couplingId: field.id('The coupling or mesh'),
    change: field.oneOf('Drawn apart, or put together', ['apart', 'together']),
    steps: field.whole(
      'So many places on, + = the driven shaft further in its running direction, so earlier',
      -400,
      400,
    ),
    stepsTo: field.whole('The same at the other end of a quill', -400, 400).optional(),
  },
)

const keepIt = keep<'coupling'>()

export const coupling: LedgerKind<'coupling'> = {
  inJob: (soFar, entry, sheet) => {
    if (!sheet.couplings.some(({ id }) => id === entry.couplingId)) return
    keepIt(soFar, entry)
    // Every shaft behind it was let loose.
    const behind = shaftsBehind(sheet, entry.couplingId)
    dropStaleReadings(soFar, sheet, behind)
    forgetMeshCounts(soFar, entry.couplingId)
    soFar.camSet = byId(Object.entries(soFar.camSet).filter(([shaftId]) => !behind.includes(shaftId)))
  },
  onEngine: takeCoupling,
  leansOnWheel: false,
  samples: [{ kind: 'coupling', couplingId: 'nowhere', change: 'together', steps: 1, stepsTo: -1 }],
}
