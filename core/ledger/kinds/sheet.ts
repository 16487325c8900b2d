import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { nothing, type LedgerKind } from './kind'

export const sheetShape = entryShape('sheet', 'The job goes on with another version of its build sheet', {
  toSheetId: field.id('The build sheet it goes on with'),
})

const first = nothing('Which build sheet a job goes by is settled before its lines are folded.')

export const sheet: LedgerKind<'sheet'> = {
  inJob: first,
  onEngine: first,
  leansOnWheel: false,
  samples: [{ kind: 'sheet', toSheetId: 'sheet' }],
}
