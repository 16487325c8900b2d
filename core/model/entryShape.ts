import * as z from 'zod'
import { deviceSchema, idSchema, sideSchema, timeSchema } from './primitives'

export const conditionSchema = z.enum([
  'cold',
  'hot',
  'plugsOut',
  'chainOff',
  'tensionerHeld',
  'tensionerReleased',
  'gearAhead',
  'gearAstern',
])
export type Condition = z.output<typeof conditionSchema>

const counter = z.number().int().min(1).max(1e9)

/** What every line of a ledger has. */
const common = {
  id: idSchema.describe('Its own id'),
  jobId: idSchema.describe('The job whose ledger it is a line of'),
  sheetId: idSchema.describe('The build sheet it was made against'),
  device: deviceSchema.describe('The device that wrote it'),
  counter: counter.describe(
    'One more than the highest that the device knew on this engine, so that order agrees wherever files are merged; of a line without `seen`, in this job',
  ),
  seen: z
    .record(deviceSchema, counter)
    .optional()
    .describe(
      'The highest counter it knew of every other device that worked on this engine. Lines from before version 4 have none',
    ),
  at: timeSchema.describe('When it was written, ISO 8601, UTC'),
  stepId: idSchema.optional().describe('The step of the run sheet it was written in'),
  seenFrom: sideSchema.describe(
    'The side that the engine was looked at from; what is written is always as from the timing side',
  ),
  conditions: z.array(conditionSchema).max(12).describe('How the engine was when it was read'),
  typed: z
    .array(
      z.strictObject({
        field: idSchema.describe('The field it was typed into'),
        text: z.string().max(200).describe('As it was typed'),
      }),
    )
    .max(24)
    .describe('What was typed, as it was typed'),
}

/** The shape of one kind of line: what it says, what every line has, and its own fields. */
export const entryShape = <K extends string, S extends z.ZodRawShape>(kind: K, says: string, fields: S) =>
  z.strictObject({ ...common, kind: z.literal(kind), ...fields }).describe(says)
