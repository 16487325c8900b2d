import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { takeWitness } from '../stand/crank'
import { byTheStand, type LedgerKind } from './kind'

export const evidence = field.oneOf('What was looked at', ['thumb', 'lobes', 'rocking', 'companionRocking', 'lockFits'])

export const witnessShape = entryShape('witness', 'Which of its two TDCs a cylinder stands at, by what was looked at', {
  cylinderId: field.id('The cylinder'),
  evidence,
  says: field.oneOf('Which of its TDCs it stands at by that', ['firing', 'overlap', 'undecided']),
})

export type Evidence = field.ValueOf<typeof evidence>

export const witness: LedgerKind<'witness'> = {
  inJob: byTheStand,
  onEngine: takeWitness,
  leansOnWheel: false,
  samples: [{ kind: 'witness', cylinderId: 'cyl-1', evidence: 'thumb', says: 'firing' }],
}
