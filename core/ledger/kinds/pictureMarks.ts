import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { keep, onlyOfJob, type LedgerKind } from './kind'

const across = (what: string) => field.between(`${what}; part of the picture's width, from its left edge`, 0, 1)
const down = (what: string) => field.between(`${what}; part of the picture's height, from its upper edge`, 0, 1)

const pictureMark = field.eitherBy('shape', [
  field.group({
    shape: field.exactly('arrow'),
    x: across('Where it points to'),
    y: down('Where it points to'),
    fromX: across('Where it comes from'),
    fromY: down('Where it comes from'),
  }),
  field.group({
    shape: field.exactly('circle'),
    x: across('Its middle'),
    y: down('Its middle'),
    radius: field.between("How large, part of the picture's width", 0.01, 1),
  }),
  field.group({
    shape: field.exactly('word'),
    x: across('Its middle'),
    y: down('Its middle'),
    text: field.words('What it says'),
  }),
])

export const pictureMarksShape = entryShape(
  'pictureMarks',
  'What is drawn on a picture, all of it, and whether it is on the card: the picture itself stays as it was taken',
  {
    pictureId: field.id('The picture'),
    marks: field.listOf(pictureMark, 0, 40).describe('Arrows, circles and words'),
    onCard: field.yesNo('It is shown on the card'),
  },
)

export type PictureMark = field.ValueOf<typeof pictureMark>

export const pictureMarks: LedgerKind<'pictureMarks'> = {
  inJob: keep(({ pictureId }) => pictureId),
  onEngine: onlyOfJob,
  leansOnWheel: false,
  samples: [
    {
      kind: 'pictureMarks',
      pictureId: 'p',
      marks: [
        { shape: 'arrow', x: 0.4, y: 0.5, fromX: 0.7, fromY: 0.2 },
        { shape: 'circle', x: 0.4, y: 0.5, radius: 0.1 },
        { shape: 'word', x: 0.7, y: 0.15, text: 'bevel' },
      ],
      onCard: true,
    },
    { kind: 'pictureMarks', pictureId: 'r', marks: [], onCard: false },
  ],
}
