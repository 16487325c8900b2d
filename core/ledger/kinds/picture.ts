import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { nothing, onlyOfJob, type LedgerKind } from './kind'

export const pictureShape = entryShape('picture', 'A picture taken, or a sound recorded', {
  pictureId: field.id('The picture or recording'),
  mediaType: field.oneOf('What kind of file it is', ['image/jpeg', 'image/png', 'image/webp', 'audio/wav']),
  bytes: field.whole('How large it is, bytes', 1, 30_000_000),
  caption: field.words('What it shows, or what was listened to'),
  of: field
    .group({
      what: field.oneOf('What it is a picture of', ['removal', 'finding', 'part', 'mark', 'bolts', 'entry']),
      id: field.id('Which of those'),
    })
    .optional()
    .describe('What it is a picture of; missing = of the step it was taken in'),
})

export const picture: LedgerKind<'picture'> = {
  inJob: nothing('Pictures are looked at by people.'),
  onEngine: onlyOfJob,
  leansOnWheel: false,
  samples: [
    { kind: 'picture', pictureId: 'p', mediaType: 'image/png', bytes: 10, caption: 'As found' },
    {
      kind: 'picture',
      pictureId: 'r',
      mediaType: 'image/jpeg',
      bytes: 10,
      caption: 'Bevel outward',
      of: { what: 'removal', id: 'guide' },
    },
    { kind: 'picture', pictureId: 's', mediaType: 'audio/wav', bytes: 400_000, caption: 'Belt, plucked' },
  ],
}
