import * as z from 'zod'
import { invariant } from '../result'
import { buildSheetSchema } from './buildSheet'
import { entrySchema, type EntryKind } from './entry'

/** From where to where a quantity may be typed. */
export interface Limits {
  readonly least: number
  readonly most: number
  readonly whole: boolean
}

/** The limits of a field of the build sheet: `sheetLimits('members', 'teeth')`. Lists and what may be missing are stepped through; of a figure with its trust it
 *  is the value's. What may be typed can be narrower than what an old file may hold: then the schema says so beside it. */
export const sheetLimits = (...path: readonly string[]): Limits => limitsAt(buildSheetSchema, path)

/** The limits of a field of one kind of entry: `entryLimits('lash', 'gapMm')`. */
export function entryLimits(kind: EntryKind, ...path: readonly string[]): Limits {
  const schema = entrySchema.options.find((one) => one.shape.kind.value === kind)
  invariant(schema, `no kind of entry ${kind}`)
  return limitsAt(schema, path)
}

/** The limits of a schema of one number. */
export const limitsOf = (schema: z.ZodType): Limits => limitsAt(schema, [])

function limitsAt(schema: z.ZodType, path: readonly string[]): Limits {
  const [key, ...rest] = path
  if (schema instanceof z.ZodOptional) return limitsAt(schema.unwrap() as z.ZodType, path)
  if (schema instanceof z.ZodArray) return limitsAt(schema.element as z.ZodType, path)
  if (schema instanceof z.ZodDiscriminatedUnion || schema instanceof z.ZodUnion) {
    const with_ = (schema.options as z.ZodType[]).find((one) => one instanceof z.ZodObject && (key ?? '') in one.shape)
    invariant(with_, `no field ${key ?? ''}`)
    return limitsAt(with_, path)
  }
  if (schema instanceof z.ZodObject) {
    const shape = schema.shape as Record<string, z.ZodType>
    const next = shape[key ?? 'value']
    invariant(next, `no field ${key ?? 'value'}`)
    return limitsAt(next, rest)
  }
  invariant(schema instanceof z.ZodNumber && key === undefined, `no number at ${path.join('.')}`)
  const typed = schema.meta() as { readonly least?: number; readonly most?: number } | undefined
  const whole = schema.format === 'safeint'
  const under = schema._zod.bag['exclusiveMaximum'] as number | undefined
  // Up to a figure and not on it: the last hundredth before it.
  const most = typed?.most ?? (under === undefined ? (schema.maxValue ?? 1e6) : under - 0.01)
  return { least: typed?.least ?? schema.minValue ?? -1e6, most, whole }
}

const within = (least: number, most: number, whole = false): Limits => ({ least, most, whole })

/** Of what is typed to reckon with and not kept. */
export const typedLimits = {
  screwPitchMm: within(0.2, 10),
  screwTurnDeg: within(0, 1080),
  acrossMm: within(1, 5000),
  pitchLineMm: within(0, 10),
  pitchesMeasured: within(1, 200, true),
  chainPartMm: within(0.5, 200),
  halfTurnDeg: within(0, 180),
  printedWheelMm: within(60, 2000),
  boltMm: within(0, 200),
} as const
