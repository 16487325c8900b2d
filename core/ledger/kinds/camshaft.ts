import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { dropStaleReadings } from '../takeDrive'
import { takeCamshaft } from '../stand/parts'
import type { LedgerKind } from './kind'

export const camshaftShape = entryShape(
  'camshaft',
  'A camshaft taken out, in and free to spring round, in and held still (lock, bar, tie, hand), driven by its loop again; or, held, seen with every valve of it shut',
  {
    shaftId: field.id('The camshaft'),
    is: field.oneOf('Out; in and free; in and held; driven again; or, held, seen with every valve of it shut', [
      'out',
      'free',
      'held',
      'driven',
      'seenShut',
    ]),
    by: field.oneOf('What holds it: one that is held', ['lock', 'bar', 'tie', 'hand', 'oneScrew']).optional(),
  },
)

export const camshaft: LedgerKind<'camshaft'> = {
  inJob: (soFar, { is, shaftId }, sheet) => {
    if (is === 'out') dropStaleReadings(soFar, sheet, [shaftId])
  },
  onEngine: takeCamshaft,
  leansOnWheel: false,
  samples: [
    { kind: 'camshaft', shaftId: 'camshaft', is: 'held' },
    { kind: 'camshaft', shaftId: 'camshaft', is: 'held', by: 'bar' },
    { kind: 'camshaft', shaftId: 'camshaft', is: 'seenShut' },
    { kind: 'camshaft', shaftId: 'camshaft', is: 'out' },
  ],
}
