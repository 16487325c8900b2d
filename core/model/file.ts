import * as z from 'zod'
import { buildSheetSchema } from './buildSheet'
import { engineSchema, jobSchema } from './engine'
import { entrySchema } from './entry'
import { timeSchema } from './primitives'

export const FILE_FORMAT = 'link-count'
export const FILE_VERSION = 5

const sumSchema = z.string().regex(/^[0-9a-f]{8}$/)

/** The open file: one engine with its jobs, or a whole workshop. */
export const fileSchema = z.strictObject({
  format: z.literal(FILE_FORMAT),
  version: z.literal(FILE_VERSION),
  savedAt: timeSchema,
  engines: z.array(engineSchema).max(5000),
  sheets: z.array(buildSheetSchema).max(50_000),
  jobs: z.array(jobSchema).max(50_000),
  entries: z.array(entrySchema).max(1_000_000),
  /** Records that could not be read when the file was made, each as the text of its JSON: to be looked at, and left out when it is opened. */
  aside: z.array(z.string()).max(1_000_000).optional(),
  /** CRC-32 of each record's canonical JSON, in the order of its list, and of what stands round them: against damage. May be left out. */
  checksums: z
    .strictObject({
      file: sumSchema,
      engines: z.array(sumSchema),
      sheets: z.array(sumSchema),
      jobs: z.array(sumSchema),
      entries: z.array(sumSchema),
    })
    .optional(),
})

export type LinkCountFile = z.output<typeof fileSchema>
/** Every record of a workshop: what a file holds and what a database holds. */
export type Records = Pick<LinkCountFile, 'engines' | 'sheets' | 'jobs' | 'entries'>
