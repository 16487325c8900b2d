import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { keep, onlyOfJob, type LedgerKind } from './kind'

export const symptomShape = entryShape('symptom', 'What an engine does that it should not', {
  symptom: field.oneOf('What it does', ['hardStarting', 'smoke', 'noPower', 'noiseAtIdle', 'badAfterBelt']),
  is: field.oneOf('Whether it does', ['there', 'not']),
})

export const symptom: LedgerKind<'symptom'> = {
  inJob: keep(({ symptom: which }) => which),
  onEngine: onlyOfJob,
  leansOnWheel: false,
  samples: [{ kind: 'symptom', symptom: 'noPower', is: 'there' }],
}
