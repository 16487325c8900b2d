import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { keep, onlyOfJob, type LedgerKind } from './kind'

export const toldApartShape = entryShape('toldApart', 'Parts that look alike, told apart by what differs', {
  alikeId: field.id('These parts: told again they are told under the same id'),
  what: field.words('What they are'),
  by: field.oneOf('What differs: length, bore, teeth, what is stamped, how letters stand', [
    'length',
    'bore',
    'teeth',
    'stamp',
    'letters',
  ]),
  ones: field
    .listOf(
      field.group({
        name: field.words('Which of them, by where it belongs'),
        reads: field.words('What is measured, counted or read on it'),
        book: field.words('What a book or the model year says of it; empty = nothing'),
      }),
      1,
      24,
    )
    .describe('Each of them'),
})

export const toldApart: LedgerKind<'toldApart'> = {
  inJob: keep(({ alikeId }) => alikeId),
  onEngine: onlyOfJob,
  leansOnWheel: false,
  samples: [
    {
      kind: 'toldApart',
      alikeId: 'rods',
      what: 'push rods',
      by: 'length',
      ones: [
        { name: 'inlet', reads: '148.0 mm', book: '' },
        { name: 'exhaust', reads: '151.5 mm', book: '150 mm' },
      ],
    },
  ],
}
