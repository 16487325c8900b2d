import * as z from 'zod'
import { idSchema, nameSchema, timeSchema, wordsSchema } from './primitives'

/** One physical engine; everything fixed about it is on its build sheets. */
export const engineSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  description: wordsSchema,
  at: timeSchema,
})

/** One visit. Its whole state is the fold of its entries. */
export const jobSchema = z.strictObject({
  id: idSchema,
  engineId: idSchema,
  number: z.number().int().min(1).max(100_000),
  at: timeSchema,
  /** The build sheet it started from; an entry may take it to a newer one. */
  sheetId: idSchema,
  arrival: z.enum(['chainOn', 'chainOff']),
  reason: wordsSchema,
  /** What the engine had run by then. */
  meter: z
    .strictObject({ value: z.number().min(0).max(10_000_000), unit: z.enum(['hours', 'miles', 'km']) })
    .optional(),
  /** Its ledger could not be read and was taken out. What it did to the engine is not known until somebody looks; `counter`: its last. */
  removed: z.strictObject({ at: timeSchema, counter: z.number().int().min(0).max(1e9) }).optional(),
})

export type Engine = z.output<typeof engineSchema>
export type Job = z.output<typeof jobSchema>
