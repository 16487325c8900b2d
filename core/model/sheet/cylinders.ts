import * as z from 'zod'
import * as field from '../fields'
import { nameSchema, trusted } from '../primitives'

export const bankSchema = z.strictObject({
  id: field.id('This bank'),
  name: nameSchema.describe('What it is called here'),
  axisDeg: trusted(z.number().min(0).lt(360))
    .optional()
    .describe('Direction of its cylinder axes, degrees counter-clockwise from +x, seen from the timing side'),
  twelveIs: field.oneOf('Where twelve stands on a clock face told of it', ['alongCylinder', 'straightUp']),
})

export const cylinderSchema = z.strictObject({
  id: field.id('This cylinder'),
  name: nameSchema.describe('What it is called here'),
  bankId: field.id('The bank it stands in'),
  axisDeg: trusted(z.number().min(0).lt(360))
    .optional()
    .describe('Its own axis where its bank does not settle it, as in a radial; degrees counter-clockwise from +x'),
  crankpinDeg: trusted(z.number().min(0).lt(360))
    .optional()
    .describe('Its crankpin after that of the zero cylinder, degrees on the crank in the running direction'),
  tdcShiftDeg: trusted(z.number().min(-20).max(20))
    .optional()
    .describe('How much later its TDC comes than axis and crankpin say (articulated rods of a radial); + = later'),
  firingDeg: trusted(z.number().min(0).lt(720))
    .optional()
    .describe(
      'Its firing TDC after that of the zero cylinder, crank degrees in the running direction, where somebody says so; else it follows from axes, crankpins and firing order',
    ),
})

export type Cylinder = z.output<typeof cylinderSchema>
