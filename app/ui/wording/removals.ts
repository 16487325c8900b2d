import type { EntryOf } from '@link-count/core/model'

export const putBackWords: Readonly<Record<EntryOf<'putBack'>['as'], string>> = {
  same: 'Put back as it was',
  turned: 'Put back the other way round',
  another: 'Another part put in its place',
  leftOff: 'Left off on purpose',
}
