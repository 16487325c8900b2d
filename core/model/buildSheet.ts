import * as z from 'zod'
import * as field from './fields'
import { schoolsSchema } from './schools'
import { handSchema, idSchema, nameSchema, sideSchema, timeSchema, trusted, trustedMm } from './primitives'
import { camSchema, shimsSchema } from './sheet/cams'
import { bankSchema, cylinderSchema } from './sheet/cylinders'
import { adjusterSchema, couplingSchema, loopSchema, memberSchema, shaftSchema } from './sheet/drive'
import { boltGroupSchema } from './sheet/fasteners'
import { followerSchema } from './sheet/follower'
import { bookCountSchema, markSchema, rimMarkSchema, witnessSchema } from './sheet/marks'

export const buildSheetSchema = z.strictObject({
  id: field.id('This version of the build sheet'),
  engineId: field.id('The engine it is of'),
  version: field.whole('Its number; two copies that went on apart may make the same', 1, 100_000),
  at: timeSchema.describe('When it was made, ISO 8601, UTC'),
  cycleDeg: z
    .union([z.literal(720), z.literal(360)])
    .describe('Crank degrees of one cycle: four-stroke 720, two-stroke 360'),
  sides: z
    .strictObject({
      timing: nameSchema.describe('What the side with the drive is called here'),
      opposite: nameSchema.describe('What the other side is called here'),
    })
    .describe('The mechanic’s own names of the two sides'),
  running: trusted(handSchema).optional().describe('Which way the crank runs, seen from the timing side'),
  interference: trusted(z.enum(['yes', 'no', 'unknown'])).describe(
    'Whether valves and pistons, or valves and valves, can meet; unknown counts as yes',
  ),
  valvesShutBy: field
    .oneOf(
      'What shuts its valves, missing = springs; of the others no valve is free because a head or camshaft is off',
      ['springs', 'desmodromic', 'opposedPistons'],
    )
    .optional(),
  wetLiners: field
    .yesNo('Its liners stand loose in the block: with a head off they are clamped before it is turned')
    .optional(),
  turnsWith: z
    .array(
      field.oneOf('Wheels through its gear, a propeller, or what a take-off drives', [
        'vehicle',
        'propeller',
        'takeOff',
      ]),
    )
    .max(3)
    .optional()
    .describe('What is turned with its crank, and may turn it; missing = nobody said'),
  fuel: field.oneOf('What it burns', ['petrol', 'paraffin', 'diesel', 'gas']),
  starting: field.oneOf('What starts it', ['battery', 'hand', 'air']),
  reversing: field.oneOf('Whether it may be turned against its running direction', ['never', 'fewDegrees', 'free']),
  reversible: field
    .yesNo(
      'Whether a reversing gear moves its camshafts so that it runs either way; marks, figures and the running direction are then those of ahead',
    )
    .optional(),
  trimDeg: trusted(z.number().min(0).max(30))
    .optional()
    .describe('Crank degrees either way that may be trimmed at the timing position with the loop off'),
  safeOutDeg: trusted(z.number().min(0).max(60))
    .optional()
    .describe('A camshaft that reads further out than this, crank degrees, may bring valves to pistons: a trim only'),
  toleranceDeg: trusted(z.number().min(0).max(60))
    .optional()
    .describe('Lateness either way that is still right, crank degrees'),
  strokeMm: trustedMm(5, 5000).optional().describe('Stroke, mm'),
  rodMm: trustedMm(10, 10_000).optional().describe('Rod from centre to centre, mm'),
  pinOffsetMm: trustedMm(-100, 100)
    .optional()
    .describe('Piston pin off the bore’s middle, mm; + = to the side that the crankpin goes to after TDC'),
  plugDepthMm: trustedMm(0, 2000)
    .optional()
    .describe('From the seat of the plug or injector down its hole to the crown with the piston at the top, mm'),
  plugAngleDeg: trusted(z.number().min(0).max(75)).optional().describe('The hole’s axis to the bore’s, degrees'),
  crown: field.oneOf('What a rod down that hole meets: a flat crown, or a dome', ['flat', 'dome']).optional(),
  rimMm: trusted(z.number().min(50).max(20_000)).optional().describe('Round the rim that marks are cut on, mm'),
  rimMarks: z.array(rimMarkSchema).max(60).describe('Marks on rims of the crank'),
  layout: field.oneOf('How the cylinders stand', ['inLine', 'vee', 'flat', 'opposed', 'radial']),
  firingOrder: trusted(z.array(idSchema).max(28)).optional().describe('Cylinder ids in the order in which they fire'),
  banks: z.array(bankSchema).max(8).describe('Rows of cylinders that share an axis'),
  cylinders: z.array(cylinderSchema).max(28).describe('Cylinders, in the order in which they are shown'),
  zeroCylinderId: field.id('The cylinder whose firing TDC is 0 of the crank'),
  referencePose: z
    .strictObject({
      event: field.oneOf('What the marks are cut for', ['firingTdc', 'overlapTdc', 'other']),
      cylinderId: field.id('of this cylinder'),
      crankDeg: trusted(z.number().min(0).lt(720)).describe(
        'Where the crank then stands, degrees after firing TDC of the zero cylinder',
      ),
    })
    .describe('The timing position: where the crank stands when the marks meet'),
  shafts: z.array(shaftSchema).max(40).describe('Shafts of the drive, the crank among them'),
  members: z.array(memberSchema).max(60).describe('What chains and belts pass, and gears'),
  loops: z.array(loopSchema).max(12).describe('Chains and belts'),
  couplings: z.array(couplingSchema).max(60).describe('Gears in mesh, splines, dogs and quills'),
  adjusters: z.array(adjusterSchema).max(60).describe('What can be set'),
  followers: z
    .array(followerSchema)
    .max(12)
    .optional()
    .describe('What follows the cams, fuel and spark; missing = none was written down'),
  boltGroups: z
    .array(boltGroupSchema)
    .max(60)
    .optional()
    .describe('Bolts and nuts that are tightened in an order; missing = none was written down'),
  cams: z.array(camSchema).max(120).describe('Lobes and what the book says of them'),
  separationDeg: trusted(z.number().min(60).max(160))
    .optional()
    .describe('Lobe separation as a cam card has it, cam degrees'),
  advanceDeg: trusted(z.number().min(-40).max(40))
    .optional()
    .describe('Advance as a cam card has it, degrees; + = early'),
  school: field.oneOf('Whose limits a late cam is judged by', ['roadDiesel', 'marine']).optional(),
  schools: schoolsSchema
    .omit({ reversing: true })
    .optional()
    .describe('How it is done on this engine, where good mechanics differ; missing = nobody chose'),
  shims: shimsSchema.optional().describe('Where lash is set by shims: the steps they come in'),
  marks: z.array(markSchema).max(120).describe('Marks on parts of the drive'),
  witnesses: z.array(witnessSchema).max(120).describe('What a job reads the camshafts by'),
  counts: z.array(bookCountSchema).max(60).describe('Counts of a book'),
  seenFrom: sideSchema.describe('The side from which it was filled in'),
  notes: field.words('Notes'),
})

export type BuildSheet = z.output<typeof buildSheetSchema>
export type { Cam } from './sheet/cams'
export type { Cylinder } from './sheet/cylinders'
export type { Adjuster, Coupling, Loop, Member, Shaft } from './sheet/drive'
export type { Follower } from './sheet/follower'
export type { Bolt, BoltGroup, BoltStage } from './sheet/fasteners'
export type { BookCount, Exact, Mark, RimMark } from './sheet/marks'
export type { Position } from './sheet/position'
export type { Tightener } from './sheet/tightener'
