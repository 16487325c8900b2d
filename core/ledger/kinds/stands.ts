import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { takeStands } from '../stand/crank'
import { byTheStand, type LedgerKind } from './kind'

export const standsShape = entryShape('stands', 'The crank seen at a place', {
  place: field.oneOf('TDC of the cylinder, or the timing position', ['tdc', 'pose']),
  cylinderId: field.id('The cylinder'),
  wheelDeg: field.onWheel('What the wheel reads there').optional(),
})

export const stands: LedgerKind<'stands'> = {
  inJob: byTheStand,
  onEngine: (soFar, entry, job) => takeStands(soFar, entry, job.arrival === 'chainOff'),
  leansOnWheel: ({ wheelDeg }) => wheelDeg !== undefined,
  samples: [
    { kind: 'stands', place: 'tdc', cylinderId: 'cyl-1' },
    { kind: 'stands', place: 'pose', cylinderId: 'cyl-1', wheelDeg: 5 },
  ],
}
