import * as z from 'zod'
import * as field from '../fields'
import { nameSchema, sideSchema, trusted } from '../primitives'

/** How far a mark can be trusted to stand where it says: that is asked once. */
const exactSchema = z
  .discriminatedUnion('how', [
    z.strictObject({
      how: field.oneOf(
        'Cut where it belongs, seen by eye; somewhere within its tooth; or a hole that a pin goes into, so that no eye is needed',
        ['exact', 'halfTooth', 'pin'],
      ),
    }),
    z.strictObject({
      how: z.literal('degrees'),
      deg: z.number().min(0.1).max(45).describe('Sure to so many degrees of the shaft it is on, either way'),
    }),
  ])
  .describe('How exact the mark is; missing = nobody was asked')

/** A mark on a sprocket, pulley, gear or hub. */
export const markSchema = z.strictObject({
  id: field.id('This mark'),
  name: nameSchema.describe('What it is called here'),
  memberId: field.id('The part it is on'),
  halfTeeth: field.whole(
    'From the centre of tooth gap 0, counter-clockwise from the timing side, in half teeth: even = in a gap, odd = on a tip',
    0,
    799,
  ),
  face: sideSchema.optional().describe('The face of the part that it is cut on; a part turned over hides it'),
  meetsAtDeg: trusted(z.number().min(0).lt(720))
    .optional()
    .describe(
      'The place of the crank where it meets, degrees of the cycle, when that is not the timing position: another bank’s own event',
    ),
  pointsAtDeg: trusted(z.number().min(0).lt(360))
    .optional()
    .describe('Where it points when it meets, degrees counter-clockwise from +x, seen from the timing side'),
  cutFor: field.oneOf('What it is cut for; paint says nothing of where the crank stands, and is only counted from', [
    'pose',
    'tdc',
    'spark',
    'assembly',
    'casting',
    'paint',
    'unknown',
  ]),
  meets: field.words('What it meets'),
  exact: exactSchema.optional(),
})

/** A mark on a rim of the crank: pulley, damper or flywheel. What it is cut for is a claim until it is read against the zero. */
export const rimMarkSchema = z.strictObject({
  id: field.id('This mark'),
  name: nameSchema.describe('What it is called here'),
  where: field.words('The rim it is on, and what it is held against'),
  seenFrom: sideSchema.describe('The side from which it is read'),
  cutFor: field.oneOf('What it claims to be', ['tdc', 'spark', 'pose', 'assembly', 'casting', 'unknown']),
  cylinderId: field.id('The cylinder it speaks of'),
  claimDeg: trusted(z.number().min(-360).max(360))
    .optional()
    .describe('Where it claims to stand, crank degrees after that cylinder’s TDC; before is minus'),
  errorDeg: trusted(z.number().min(-180).max(180))
    .optional()
    .describe('How far after its claim a job found it, on one turn, crank degrees'),
  exact: exactSchema.optional(),
})

/** What a job reads a camshaft by. */
export const witnessSchema = z.strictObject({
  id: field.id('This witness'),
  kind: field.oneOf('What is read', ['camMark', 'valveEvents', 'count']),
  targetId: field.id('The shaft, cam, or chain or belt it is read of'),
})

/** A count somebody vouches for, in the timing position. */
export const bookCountSchema = z.strictObject({
  id: field.id('This count'),
  loopId: field.id('The chain or belt'),
  fromMarkId: field.id('The mark it is counted from, with the travel of the loop'),
  toMarkId: field.id('The mark it is counted to'),
  run: field.oneOf('Whether the run between is pulled', ['tight', 'slack']),
  pitches: trusted(z.number().min(0).max(2000).multipleOf(0.5)).describe(
    'Pitches from mark to mark along that run without slack, whatever rule of counting it was printed by',
  ),
  printed: z
    .strictObject({
      counted: z.number().int().min(0).max(2000).describe('The number as it is printed'),
      rule: field.countRule,
    })
    .optional()
    .describe('As the book has it, by its own rule; missing = it was given as pitches'),
})

export type Exact = z.output<typeof exactSchema>
export type Mark = z.output<typeof markSchema>
export type RimMark = z.output<typeof rimMarkSchema>
export type BookCount = z.output<typeof bookCountSchema>
