import * as z from 'zod'
import * as field from '../fields'
import { FOLLOWER_FIGURES, FOLLOWER_KINDS, FOLLOWER_SET_BY } from '../followers'
import { finiteSchema, handSchema, nameSchema, trusted } from '../primitives'

/** A figure that is typed between these; what an old file holds may lie further out. */
const figure = (least: number, most: number) => trusted(finiteSchema.meta({ least, most }))

/** Degrees as a book gives them: of its own shaft, or of the crank. */
const degreesOf = field.oneOf('Whether its degrees are those of its own shaft or of the crank', ['own', 'crank'])

export const followerSchema = z.strictObject({
  id: field.id('This pump, magneto or distributor'),
  name: nameSchema.describe('What it is called here'),
  kind: field.oneOf(
    'An in-line pump, a distributor pump, single pumps on a camshaft; a magneto, a distributor, a breaker of its own, a trigger',
    FOLLOWER_KINDS,
  ),
  shaftId: field.id('The shaft it is on: that is its drive, and its ratio the only one'),
  driveEnd: field
    .oneOf('Where its drive end looks; across = it lies across the engine', ['timing', 'opposite', 'across'])
    .optional(),
  turns: trusted(handSchema)
    .optional()
    .describe('Of one across the engine: which way it turns, looking at its drive end; of the others it is made'),
  setBy: field
    .listOf(z.enum(FOLLOWER_SET_BY), 0, 7)
    .describe(
      'How it is set: its body swung in slots, a coupling with places, one with two rows, a tooth, shims under it, a spline, the points gap',
    ),
  slotRadiusMm: figure(5, 500).optional().describe('From its middle to where its slots are measured, mm'),
  places: trusted(z.number().int().min(1).max(400)).optional().describe('Places to the turn of its coupling'),
  placesTo: trusted(z.number().int().min(1).max(400))
    .optional()
    .describe('Of one with two rows: the places of the other'),
  insideTeeth: trusted(z.number().int().min(5).max(400))
    .optional()
    .describe('Teeth of a gear hidden inside it, where it can be put together a tooth out'),
  impulse: z
    .strictObject({
      lag: figure(0, 90)
        .optional()
        .describe('How much later it lets go than its marks say, degrees; missing = not known'),
      of: degreesOf,
    })
    .optional()
    .describe('It has an impulse coupling, which lets go late when it is turned slowly'),
  advance: z
    .strictObject({
      by: field.oneOf('By a lever, by itself, or both', ['hand', 'automatic', 'both']),
      most: figure(0, 90).optional().describe('How much earlier at the most, degrees'),
      of: degreesOf,
    })
    .optional()
    .describe('It can run earlier than it starts; missing = it cannot'),
  serves: field
    .oneOf('How often it serves each cylinder in a cycle: twice is a spark at every TDC', ['once', 'twice'])
    .optional(),
  outlets: z
    .array(
      z.strictObject({
        name: nameSchema.describe('What is written at it'),
        cylinderId: field.id('The cylinder it serves'),
        plug: field.words('Which of its plugs, where it has several').optional(),
      }),
    )
    .max(56)
    .describe('Its outlets or segments, in the order in which it comes to them, in its own direction'),
  marks: z
    .array(
      z.strictObject({
        name: nameSchema.describe('What it looks like, or what is written at it'),
        is: field.oneOf(
          'What it is for; a casting line, one for assembly and that of another version are no timing marks',
          ['timing', 'casting', 'assembly', 'version'],
        ),
      }),
    )
    .max(24)
    .optional()
    .describe('Its own marks, and lines that look like one'),
  wanted: z
    .strictObject({
      by: field.oneOf(
        'Lift of the pump at firing TDC, mm; before firing TDC in degrees of the crank, mm of piston or mm of rim',
        FOLLOWER_FIGURES,
      ),
      cylinderId: field.id('Of which cylinder; missing = the one whose firing TDC is 0').optional(),
      value: figure(0, 1000).describe('What the book wants'),
      least: figure(0, 1000).optional().describe('No less than this'),
      most: figure(0, 1000).optional().describe('No more than this'),
      brisker: figure(0, 1000).optional().describe('One that some run, earlier'),
      softer: figure(0, 1000).optional().describe('One that some run, later'),
      control: field.oneOf('Where its advance stands for that figure', ['retarded', 'advanced']).optional(),
    })
    .optional()
    .describe('What it is set to by the book; missing = not known'),
})

export type Follower = z.output<typeof followerSchema>
