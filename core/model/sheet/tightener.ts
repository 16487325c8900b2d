import * as z from 'zod'
import * as field from '../fields'
import { TIGHTENER_KINDS } from '../tighteners'
import { finiteSchema, handSchema, nameSchema, sideSchema, trusted, trustedMm } from '../primitives'

/** A figure that is typed between these; what an old file holds may lie further out. */
const figure = (least: number, most: number) => trusted(finiteSchema.meta({ least, most }))

export const tightenerSchema = z
  .strictObject({
    kind: field.oneOf(
      'A ratchet that is wound in; a plunger with spring and oil, latched by a key; a blade or shoe clamped by nuts; a live spring whose bolt stays loose for its turns; an eccentric with a lock; a roller in a slot; self-adjusting with a pin hole; a measured spring with two pairs of nuts; the hub or sprocket itself, let round',
      TIGHTENER_KINDS,
    ),
    tightens: handSchema.optional().describe('The turn that tightens, as it is seen from its own side'),
    seenFrom: sideSchema.optional().describe('The side it is worked from, and its turn is told from'),
    oilFilled: field.yesNo('It is filled with oil before it is fitted').optional(),
    throwMm: trustedMm(0.1, 100).optional().describe('Of an eccentric: how far its middle stands off its bolt'),
    mostN: figure(1, 20_000).optional().describe('The most force it may be drawn with, newtons'),
    freeNewMm: trustedMm(1, 3000).optional().describe('Of a measured spring: its length as new, free'),
    setNewMm: trustedMm(1, 3000).optional().describe('Of a measured spring: its length as new, set'),
    lockDeg: figure(0, 720).optional().describe('Of its last lock: so many degrees of the nut beyond touching'),
    plates: z
      .array(
        z.strictObject({
          name: nameSchema.describe('What it is called, or how it is told apart'),
          place: field.words('Where it belongs, and which way round'),
          thickMm: trustedMm(0.1, 100).optional().describe('How thick it is'),
        }),
      )
      .max(12)
      .optional()
      .describe('Of a clamped blade or shoe: its plates'),
    renewWith: field.words('What is renewed with it').optional(),
  })
  .describe('Of a tensioner: how it tightens; missing = not said')

export type Tightener = z.output<typeof tightenerSchema>

export const slackWantedSchema = z
  .strictObject({
    by: field.oneOf('What it is judged by', ['toAndFro', 'oneWay', 'links', 'pitch']),
    least: trusted(z.number().min(0).max(5000)).optional().describe('No less than this: mm, links or hertz'),
    most: trusted(z.number().min(0).max(5000)).optional().describe('No more than this: mm, links or hertz'),
    support: nameSchema.optional().describe('What has to be fitted when it is read: an outer plate, a cover'),
  })
  .describe('How slack it is meant to be at its tightest place; missing = not known')
