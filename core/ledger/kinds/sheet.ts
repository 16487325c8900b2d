import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { beforeAll, type LedgerKind } from './kind'

export const sheetShape = entryShape('sheet', 'The job goes on with another version of its build sheet', {
  toSheetId: field.id('The build sheet it goes on with'),
})

export const sheet: LedgerKind<'sheet'> = {
  inJob: beforeAll,
  onEngine: beforeAll,
  leansOnWheel: false,
  samples: [{ kind: 'sheet', toSheetId: 'sheet' }],
}
