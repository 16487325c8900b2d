import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { keep, onlyOfJob, type LedgerKind } from './kind'

export const kitShape = entryShape('kit', 'Whether something that the job wants is at hand', {
  itemId: field.id('The thing; one that was written down by hand begins with own-'),
  is: field.oneOf('It lies here, it is still to be got, or it is not wanted', ['here', 'owed', 'notWanted']),
  words: field.words('What it is, as it was told then'),
})

export const kit: LedgerKind<'kit'> = {
  inJob: keep(({ itemId }) => itemId),
  onEngine: onlyOfJob,
  leansOnWheel: false,
  samples: [
    { kind: 'kit', itemId: 'tool-feelers', is: 'here', words: 'Feeler gauges' },
    { kind: 'kit', itemId: 'own-1', is: 'owed', words: 'gasket of the rocker cover' },
  ],
}
