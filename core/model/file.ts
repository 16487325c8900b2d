import * as z from 'zod'
import { buildSheetSchema } from './buildSheet'
import { engineSchema, jobSchema } from './engine'
import { entrySchema } from './entry'
import { timeSchema } from './primitives'

export const FILE_FORMAT = 'link-count'
export const FILE_VERSION = 12

const sumSchema = z.string().regex(/^[0-9a-f]{8}$/)

/** The open file: one engine with its jobs, or a whole workshop. */
export const fileSchema = z.strictObject({
  format: z.literal(FILE_FORMAT),
  version: z.literal(FILE_VERSION),
  savedAt: timeSchema.describe('When it was saved, ISO 8601, UTC'),
  engines: z.array(engineSchema).max(5000).describe('Physical engines'),
  sheets: z.array(buildSheetSchema).max(50_000).describe('Build sheets, every version'),
  jobs: z.array(jobSchema).max(50_000).describe('Visits'),
  entries: z.array(entrySchema).max(1_000_000).describe('All lines of all ledgers'),
  aside: z
    .array(z.string())
    .max(1_000_000)
    .optional()
    .describe(
      'Records that could not be read when the file was made, each as the text of its JSON: to be looked at, and left out when it is opened',
    ),
  checksums: z
    .strictObject({
      file: sumSchema.describe('Of what stands round the records'),
      engines: z.array(sumSchema).describe('In the order of that list'),
      sheets: z.array(sumSchema).describe('In the order of that list'),
      jobs: z.array(sumSchema).describe('In the order of that list'),
      entries: z.array(sumSchema).describe('In the order of that list'),
    })
    .optional()
    .describe('CRC-32 of each record’s canonical JSON: against damage; may be left out'),
})

export type LinkCountFile = z.output<typeof fileSchema>
/** Every record of a workshop: what a file holds and what a database holds. */
export type Records = Pick<LinkCountFile, 'engines' | 'sheets' | 'jobs' | 'entries'>
