import * as z from 'zod'
import * as field from './fields'
import { idSchema, nameSchema, timeSchema } from './primitives'
import { ARRIVALS } from './arrivals'
import { PURPOSES } from './purposes'
import { schoolsSchema, templateSchema } from './schools'

const deletedAt = timeSchema.describe('When, ISO 8601, UTC')
const restoredAt = timeSchema.describe('When it was brought back: from then on it is not deleted').optional()

const meterUnit = field.oneOf('of these', ['hours', 'miles', 'km', 'races'])

/** Something that is done every so often. */
export const dueSchema = z.strictObject({
  id: field.id('This one'),
  what: nameSchema.describe('What is done'),
  every: z
    .strictObject({ value: field.between('Every so many', 0.1, 10_000_000), unit: meterUnit })
    .optional()
    .describe('By what it has run'),
  months: field.between('Or every so many months', 0.1, 1200).optional(),
  lastAt: timeSchema.describe('When it was last done, ISO 8601, UTC').optional(),
  lastMeter: field.between('What the engine had run then, in the unit of `every`', 0, 10_000_000).optional(),
  source: field.words('Where the figure comes from'),
})

/** One physical engine; everything fixed about it is on its build sheets. */
export const engineSchema = z.strictObject({
  id: field.id('This engine'),
  name: nameSchema.describe('What it is called here'),
  description: field.words('What it is, in words'),
  at: timeSchema.describe('When it was put in, ISO 8601, UTC'),
  tags: z.array(nameSchema).max(20).describe('Words it is found by').optional(),
  archived: field.yesNo('Put away: it stands on no stand any more, and is kept').optional(),
  due: z.array(dueSchema).max(60).optional().describe('What is done again and again, and when it was last'),
  templates: z.array(templateSchema).max(40).optional().describe('Run sheets kept on it'),
  removed: z
    .strictObject({ at: deletedAt, restoredAt })
    .optional()
    .describe('It was deleted, with its build sheets, jobs and ledgers: no copy or file brings them back by itself'),
})

/** One visit. Its whole state is the fold of its entries. */
export const jobSchema = z.strictObject({
  id: field.id('This job'),
  engineId: field.id('The engine it is on'),
  number: field.whole('Its number on that engine; two copies that went on apart may give one twice', 1, 100_000),
  at: timeSchema.describe('When it was begun, ISO 8601, UTC'),
  sheetId: field.id('The build sheet it started from; a line may take it to a newer one'),
  arrival: field.oneOf(
    'How it came in; the parts that were off or out are lines of its ledger, and this alone frees nothing',
    ARRIVALS,
  ),
  without: z
    .array(idSchema)
    .max(60)
    .optional()
    .describe(
      'What it came in without: chains and belts that were off, camshafts that were out, banks whose head was off',
    ),
  reason: field.words('Why it is here'),
  purpose: field.oneOf('What it is here for; missing = the whole of it', PURPOSES).optional(),
  schools: schoolsSchema.optional().describe('How it is done in this job, where it is not as on the build sheet'),
  asKept: templateSchema.optional().describe('The run sheet it goes by, as it was kept then'),
  meter: z
    .strictObject({
      value: field.between('So many', 0, 10_000_000),
      unit: field.oneOf('of these', ['hours', 'miles', 'km', 'races']),
    })
    .optional()
    .describe('What the engine had run by then'),
  archived: field.yesNo('Put away: it stands at the end of the list, and is kept').optional(),
  removed: z
    .strictObject({
      at: deletedAt,
      counter: field.whole('The counter of its last line', 0, 1e9),
      saidNothing: field.yesNo('No line of it said anything of how the engine stands').optional(),
      restoredAt,
    })
    .optional()
    .describe(
      'It was deleted, or taken out because its ledger could not be read: what it did to the engine is not known until somebody looks',
    ),
})

export type Due = z.output<typeof dueSchema>
export type Engine = z.output<typeof engineSchema>
export type Job = z.output<typeof jobSchema>
