import * as z from 'zod'

// A strict Content-Security-Policy forbids code made from text, which Zod would otherwise use to go faster.
z.config({ jitless: true })

export const MAX_TEXT = 4000

/** What every object has of its own: never an id, however it is looked up. */
const ofEveryObject = new Set(Object.getOwnPropertyNames(Object.prototype))
export const idSchema = z
  .string()
  .regex(/^[A-Za-z0-9_-]{1,64}$/)
  .refine((id) => !ofEveryObject.has(id) && id !== 'prototype')
export const deviceSchema = idSchema
export const timeSchema = z.iso.datetime()
export const nameSchema = z.string().trim().min(1).max(120)
export const wordsSchema = z.string().max(MAX_TEXT)
export const finiteSchema = z.number().min(-1e6).max(1e6)
export const teethSchema = z.number().int().min(5).max(400)
export const ratioSchema = z.strictObject({
  num: z
    .number()
    .int()
    .min(-10_000)
    .max(10_000)
    .refine((n) => n !== 0)
    .describe('Turns of this shaft; minus = it turns the other way than the crank'),
  den: z.number().int().min(1).max(10_000).describe('for so many turns of the crank'),
})

export const sideSchema = z.enum(['timing', 'opposite'])
export const handSchema = z.enum(['clockwise', 'anticlockwise'])
export const trustSchema = z.enum(['measured', 'manual', 'memory', 'unknown'])
export type Trust = z.output<typeof trustSchema>

/** A value of the build sheet: canonical unit, what was typed, how far it is trusted. Missing = not known. */
export const trusted = <T extends z.ZodType>(value: T) =>
  z.strictObject({
    value: value.describe('In millimetres, degrees or whole numbers, as the name of the figure says'),
    typed: z.string().max(120).describe('As it was typed'),
    trust: trustSchema.describe('Where it comes from'),
    source: z
      .string()
      .max(120)
      .optional()
      .describe('Which book and page, or what it was measured with, as it was said'),
  })

export interface Trusted<T> {
  readonly value: T
  readonly typed: string
  readonly trust: Trust
  readonly source?: string | undefined
}

/** A length of the build sheet. Typed, it lies between these; what an old file holds may lie further out. */
export const trustedMm = (least: number, most: number) => trusted(finiteSchema.meta({ least, most }))
export const trustedDegSchema = trusted(z.number().min(-720).max(720))
