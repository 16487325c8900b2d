import * as z from 'zod'
import * as field from '../fields'
import { nameSchema, trusted, trustedMm } from '../primitives'

/** The lobe of one valve, and what the book says of it. */
export const camSchema = z.strictObject({
  id: field.id('This cam: one lobe, or one set of lobes'),
  name: nameSchema.describe('What it is called here'),
  shaftId: field.id('The camshaft it is on'),
  cylinderId: field.id('The cylinder whose valve it works'),
  valve: field.oneOf('Which valve', ['inlet', 'exhaust']),
  opensDeg: trusted(z.number().min(-180).max(180))
    .optional()
    .describe('As printed, crank degrees: an inlet before TDC, an exhaust before BDC; minus = after'),
  closesDeg: trusted(z.number().min(-180).max(180))
    .optional()
    .describe('As printed, crank degrees: an inlet after BDC, an exhaust after TDC; minus = before'),
  checkingLiftMm: trustedMm(0, 50).optional().describe('The lift at which those are told, mm'),
  durationDeg: trusted(z.number().min(90).max(400))
    .optional()
    .describe('Open for so long at the checking lift, crank degrees'),
  centreDeg: trusted(z.number().min(40).max(190))
    .optional()
    .describe('Lobe centre as printed, crank degrees: of an inlet after overlap TDC, of an exhaust before it'),
  topLiftMm: trustedMm(0, 100).optional().describe('The most it lifts, mm'),
  tdcLiftMm: trustedMm(0, 100).optional().describe('Lift at overlap TDC, mm'),
  rockerRatio: trusted(z.number().min(0.3).max(4)).optional().describe('Valve lift over follower lift'),
  measuredAt: field.oneOf('Where the lifts of this sheet are told', ['valve', 'follower']).optional(),
  lashMm: trustedMm(0, 10).optional().describe('The gap it is to have, mm'),
  lashToMm: trustedMm(0, 10).optional().describe('The widest gap that is still right, where the book gives two, mm'),
  fullLiftClock: trusted(z.number().min(0).lt(12))
    .optional()
    .describe('Where the lobe points at full lift, hours of a clock face seen from the timing side'),
  liftTable: z
    .array(
      z.strictObject({
        deg: z.number().min(-360).max(360).describe('Crank degrees from the lobe centre, + = later'),
        liftMm: z.number().min(-1).max(100).describe('Lift there, mm'),
      }),
    )
    .min(4)
    .max(1500)
    .optional()
    .describe('The lobe, measured or published'),
})

export const shimsSchema = z.strictObject({
  stepMm: z.number().min(0.001).max(1).describe('The step in which they are sold, mm'),
  leastMm: z.number().min(0.1).max(30).describe('The thinnest, mm'),
  mostMm: z.number().min(0.1).max(30).describe('The thickest, mm'),
})

export type Cam = z.output<typeof camSchema>
