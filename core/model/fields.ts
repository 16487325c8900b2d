import * as z from 'zod'
import { finiteSchema, idSchema, wordsSchema } from './primitives'

/* The fields that lines of the ledger are made of. Each is described where it is used: what it is, its unit, its sign. */

/** An id of a part, a record or a line. */
export const id = (what: string) => idSchema.describe(what)
/** Words that somebody wrote; may be empty. */
export const words = (what: string) => wordsSchema.describe(what)
export const yesNo = (what: string) => z.boolean().describe(what)
export const oneOf = <const T extends readonly [string, ...string[]]>(what: string, values: T) =>
  z.enum(values).describe(what)
/** A number from the first up to and including the second. */
export const between = (what: string, least: number, most: number) => z.number().min(least).max(most).describe(what)
/** A number from the first up to, and not including, the second. */
export const upTo = (what: string, least: number, end: number) => z.number().min(least).lt(end).describe(what)
export const whole = (what: string, least: number, most: number) => z.number().int().min(least).max(most).describe(what)
/** A number that is typed between these; what an old file holds may lie further out. */
export const typedBetween = (what: string, least: number, most: number) =>
  finiteSchema.meta({ least, most }).describe(what)
export const listOf = <T extends z.ZodType>(of: T, least: number, most: number) => z.array(of).min(least).max(most)
export const byIdOf = <T extends z.ZodType>(what: string, of: T) => z.record(idSchema, of).describe(what)
export const group = z.strictObject
/** One of several shapes, told apart by one field. */
export const eitherBy = z.discriminatedUnion
export const exactly = z.literal

/** A reading of the degree wheel: normalised to rise in the running direction, before its zero is found. */
export const onWheel = (what: string) => upTo(`${what}; degrees of the wheel`, 0, 360)
/** A place of the crank on the cycle. */
export const onCycle = (what: string) => upTo(`${what}; crank degrees after firing TDC of the zero cylinder`, 0, 720)

export const phase = oneOf('As the engine came, while it is being set, or as it is left', ['found', 'set', 'left'])
export const approach = oneOf('The direction of the last movement before the reading', ['running', 'against'])

/** Which of the two marked ends somebody counts with. */
export const countRule = oneOf('Which of the two marked ends are counted with', [
  'both',
  'firstOnly',
  'lastOnly',
  'neither',
])

export type Phase = z.output<typeof phase>
export type Approach = z.output<typeof approach>

/** What a field holds once it is read. */
export type ValueOf<T extends z.ZodType> = z.output<T>
