import * as z from 'zod'
import * as field from '../fields'
import { trustedDegSchema, trustedMm } from '../primitives'

/** Where something stands in the plane: the crank axis is the origin. */
export const positionSchema = z.discriminatedUnion('how', [
  z.strictObject({ how: z.literal('origin') }),
  z.strictObject({
    how: z.literal('polar'),
    fromShaftId: field.id('The shaft it is measured from'),
    distanceMm: trustedMm(1, 20_000).optional().describe('From that shaft, mm'),
    directionDeg: trustedDegSchema
      .optional()
      .describe('From that shaft, degrees counter-clockwise from +x, seen from the timing side'),
  }),
  z.strictObject({
    how: z.literal('xy'),
    xMm: trustedMm(-20_000, 20_000).describe('Right of the crank axis, mm, seen from the timing side'),
    yMm: trustedMm(-20_000, 20_000).describe('Above the crank axis, mm'),
  }),
  z.strictObject({
    how: z.literal('distances'),
    from: z
      .array(
        z.strictObject({
          shaftId: field.id('A shaft that is placed already'),
          distanceMm: trustedMm(1, 20_000).optional().describe('From its axis by calliper, mm'),
        }),
      )
      .min(2)
      .max(6)
      .describe('Two at least; two leave a mirror image'),
    side: field.oneOf('Left or right of the line from the first to the second, seen from the timing side', [
      'left',
      'right',
    ]),
  }),
])

export type Position = z.output<typeof positionSchema>
