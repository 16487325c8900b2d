import * as z from 'zod'
import { BOLT_ORDERS, BOLTS_LAID, FASTENED, LOCKED_BY, THREAD_WITH } from '../fasteners'
import * as field from '../fields'
import { finiteSchema, idSchema, nameSchema, trusted } from '../primitives'

/** A figure that is typed between these; what an old file holds may lie further out. */
const figure = (least: number, most: number) => trusted(finiteSchema.meta({ least, most }))

const boltSchema = z.strictObject({
  id: field.id('This bolt or nut'),
  x: field.between('Where it lies, to the right of the middle, in halves of the pattern', -1, 1),
  y: field.between('Where it lies, above the middle, in halves of the pattern', -1, 1),
  name: field.words('What is stamped at it, where its place in the order is not enough').optional(),
})

const stageSchema = z.discriminatedUnion('by', [
  z.strictObject({ by: z.literal('torque'), nm: figure(0.1, 5000).describe('To this torque, N·m') }),
  z.strictObject({ by: z.literal('angle'), deg: figure(1, 720).describe('Then this much further, degrees') }),
  z.strictObject({
    by: z.literal('halfTurns'),
    rounds: field.whole('Half a turn each, so many times round', 1, 12),
  }),
  z.strictObject({ by: z.literal('hand').describe('By hand, on purpose') }),
])

export const boltGroupSchema = z.strictObject({
  id: field.id('These bolts or nuts'),
  name: nameSchema.describe('What they are called here'),
  on: field.oneOf('What they hold', FASTENED),
  ofId: field.id('The shaft, sprocket, pump or chain that they belong to, where it is on the sheet').optional(),
  laid: field.oneOf('How they were laid on the drawing', BOLTS_LAID),
  bolts: z
    .array(boltSchema)
    .min(1)
    .max(80)
    .describe('Each of them, in the order in which they are stamped or were laid'),
  order: field.oneOf('The order in which they are tightened; loosened the other way round', BOLT_ORDERS),
  own: field.listOf(idSchema, 0, 80).optional().describe('Of an order by touch: the bolts in that order'),
  stages: z.array(stageSchema).max(6).describe('What each is tightened to, one stage after the other'),
  alsoNm: figure(0.1, 5000).optional().describe('What another source has for the last torque, N·m'),
  thread: field.words('Its thread, as M10 x 1.5 or 3/8-24 UNF').optional(),
  strength: field.words('Its strength, as it is stamped on the head: 8.8, 10.9, grade 5').optional(),
  into: field.oneOf('What it goes into', ['steel', 'castIron', 'lightMetal']).optional(),
  lengths: field.words('Lengths, where they are not alike, and which goes where').optional(),
  leftHand: field.yesNo('A left-hand thread').optional(),
  newEachTime: field.yesNo('New ones each time').optional(),
  stretch: field.yesNo('Stretch bolts').optional(),
  threadWith: field.listOf(z.enum(THREAD_WITH), 0, 4).optional().describe('What goes on its thread; empty = dry'),
  lockerGrade: field.words('Which grade of thread-locker').optional(),
  lockedBy: field.oneOf('What else keeps it from coming undone', LOCKED_BY).optional(),
  locks: field
    .oneOf(
      'Of bolts that are tightened with timing locks about: the locks stay in until they are tight and a counter-hold takes the torque, or the locks come out first. Missing = nobody said',
      ['stayIn', 'outFirst'],
    )
    .optional(),
  againAfterRun: field.words('Tightened again after the first run, by this source; missing = it is not').optional(),
})

export type BoltGroup = z.output<typeof boltGroupSchema>
export type Bolt = BoltGroup['bolts'][number]
export type BoltStage = BoltGroup['stages'][number]
