import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { takeStands } from '../stand/crank'
import { byTheStand, type LedgerKind } from './kind'

export const standsShape = entryShape('stands', 'The crank seen at a place', {
  place: field.oneOf('TDC of the cylinder, the timing position, or where a mark of the crank says', [
    'tdc',
    'pose',
    'mark',
  ]),
  cylinderId: field.id('The cylinder'),
  wheelDeg: field.onWheel('What the wheel reads there').optional(),
  shaftId: field.id('The camshaft whose own place it is, where that is not the timing position').optional(),
  markId: field.id('The mark of the crank that it is seen by').optional(),
  offDeg: field.between('How far past that mark it stands, crank degrees, + = past it', -45, 45).optional(),
})

export const stands: LedgerKind<'stands'> = {
  inJob: byTheStand,
  onEngine: (soFar, entry, job) => takeStands(soFar, entry, job.arrival === 'everyLoopOff'),
  leansOnWheel: ({ wheelDeg }) => wheelDeg !== undefined,
  samples: [
    { kind: 'stands', place: 'tdc', cylinderId: 'cyl-1' },
    { kind: 'stands', place: 'pose', cylinderId: 'cyl-1', wheelDeg: 5 },
    { kind: 'stands', place: 'mark', cylinderId: 'cyl-1', markId: 'crank-mark', offDeg: 2 },
  ],
}
