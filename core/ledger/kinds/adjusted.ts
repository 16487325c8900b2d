import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { forgetReadings } from '../takeDrive'
import { takeAdjusted } from '../stand/links'
import { keep, type LedgerKind } from './kind'

export const adjustedShape = entryShape('adjusted', 'An adjuster moved', {
  adjusterId: field.id('The adjuster'),
  words: field.words('What was done'),
  laterDeg: field.between('What it does to the lateness of the cams behind it, crank degrees, + = later', -720, 720),
})

const keepIt = keep<'adjusted'>()

export const adjusted: LedgerKind<'adjusted'> = {
  // A wheel set otherwise on its shaft: its loops want counting by other figures.
  inJob: (soFar, entry) => {
    keepIt(soFar, entry)
    forgetReadings(soFar)
  },
  onEngine: takeAdjusted,
  leansOnWheel: false,
  samples: [{ kind: 'adjusted', adjusterId: 'nowhere', words: 'Hub, 1 place', laterDeg: 4 }],
}
