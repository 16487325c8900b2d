import * as z from 'zod'
import {
  finiteSchema,
  handSchema,
  idSchema,
  nameSchema,
  ratioSchema,
  sideSchema,
  teethSchema,
  timeSchema,
  trusted,
  trustedDegSchema,
  trustedMm,
  wordsSchema,
} from './primitives'

/** Where something stands in the plane: the crank axis is the origin. */
export const positionSchema = z.discriminatedUnion('how', [
  z.strictObject({ how: z.literal('origin') }),
  z.strictObject({
    how: z.literal('polar'),
    fromShaftId: idSchema,
    distanceMm: trustedMm(1, 20_000).optional(),
    directionDeg: trustedDegSchema.optional(),
  }),
  z.strictObject({ how: z.literal('xy'), xMm: trustedMm(-20_000, 20_000), yMm: trustedMm(-20_000, 20_000) }),
  /** By calliper from shafts that are placed already; two leave a mirror image, `side` says which. */
  z.strictObject({
    how: z.literal('distances'),
    from: z
      .array(z.strictObject({ shaftId: idSchema, distanceMm: trustedMm(1, 20_000).optional() }))
      .min(2)
      .max(6),
    /** Left or right of the line from the first to the second, seen from the timing side. */
    side: z.enum(['left', 'right']),
  }),
])

export const bankSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  /** Direction of the cylinder axis in the plane. */
  axisDeg: trusted(z.number().min(0).lt(360)).optional(),
  twelveIs: z.enum(['alongCylinder', 'straightUp']),
})

export const cylinderSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  bankId: idSchema,
  /** Its own axis where its bank does not settle it: a radial. */
  axisDeg: trusted(z.number().min(0).lt(360)).optional(),
  /** Its crankpin after that of the zero cylinder, degrees on the crank in the running direction. */
  crankpinDeg: trusted(z.number().min(0).lt(360)).optional(),
  /** How much later its TDC comes than axis and crankpin say: the articulated rods of a radial. */
  tdcShiftDeg: trusted(z.number().min(-20).max(20)).optional(),
  /** Its firing TDC after that of the zero cylinder, crank degrees in the running direction, where somebody says so; else it follows
   *  from axes, crankpins and firing order. */
  firingDeg: trusted(z.number().min(0).lt(720)).optional(),
})

export const shaftKindSchema = z.enum(['crank', 'cam', 'idler', 'intermediate', 'pump', 'magneto', 'balance'])
export const shaftSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  kind: shaftKindSchema,
  /** Turns of this shaft per turn of the crank, exact; minus = opposite direction. */
  ratio: ratioSchema,
  position: positionSchema.optional(),
})

/** What a belt's teeth look like; they must match the pulley's. */
export const toothShapeSchema = z.enum(['square', 'round'])

/** `hub` = a flange or end of a shaft that carries a mark and drives nothing. */
export const memberKindSchema = z.enum(['sprocket', 'pulley', 'gear', 'idler', 'guide', 'tensioner', 'hub'])
export const memberSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  kind: memberKindSchema,
  shaftId: idSchema.optional(),
  teeth: trusted(teethSchema).optional(),
  /** To the pin or pitch line; for members without teeth. */
  radiusMm: trustedMm(1, 5000).optional(),
  toothShape: toothShapeSchema.optional(),
  /** What has to be added to that radius to come to the pin or pitch line: half a plate's height, the back of a belt. */
  allowanceMm: trustedMm(-50, 50).optional(),
  position: positionSchema.optional(),
})

/** A painted link or printed line of a loop, so many pitches on from the one before it. */
export const paintSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  style: z.enum(['single', 'double', 'pair']),
  pitchesOn: z.number().min(0).max(2000).multipleOf(0.5),
})

export const loopSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  kind: z.enum(['rollerChain', 'invertedToothChain', 'toothedBelt']),
  pitchMm: trustedMm(1, 500).optional(),
  /** How many pitches the whole loop has. */
  pitches: trusted(z.number().int().min(6).max(2000)).optional(),
  /** In the order the loop meets them, running, from the crank along the slack run. */
  path: z.array(z.strictObject({ memberId: idSchema, passed: z.enum(['inside', 'outside']) })).max(40),
  toothShape: toothShapeSchema.optional(),
  painted: z.array(paintSchema).max(40).optional(),
})

const positionsSchema = z.number().int().min(1).max(400)
export const couplingSchema = z.strictObject({
  id: idSchema,
  kind: z.enum(['gearMesh', 'spline', 'quill', 'dog']),
  /** Gears that mesh; else the shafts that are joined, the one nearer the crank first. */
  fromId: idSchema,
  toId: idSchema,
  /** Places it can be put together in: splines or dogs; of a quill those at its first end. */
  positions: trusted(positionsSchema).optional(),
  /** Of a quill, those at its other end. */
  positionsTo: trusted(positionsSchema).optional(),
})

/** A way in which a wheel can be set against its shaft or its loop. Angles are of the shaft; + = the shaft later. */
export const adjusterSchema = z.strictObject({
  id: idSchema,
  kind: z.enum([
    'chainTooth',
    'hub',
    'keyway',
    'offsetKey',
    'slots',
    'taper',
    'grubScrews',
    'turnedOver',
    'couplingSlip',
  ]),
  memberId: idSchema,
  /** Of a hub or vernier: its places to the turn. */
  positions: z.number().int().min(1).max(400).optional(),
  /** Of slots, or of what can slip a little: so many degrees of the shaft either way. */
  rangeDeg: finiteSchema.meta({ least: 0, most: 180 }).optional(),
  /** Of several keyways, or of a wheel turned over: what each other place is worth against the one in use. */
  anglesDeg: z.array(z.number().min(-360).max(360)).max(24).optional(),
  /** Offset keys in the drawer, and the shaft they go on. */
  keysMm: z.array(z.number().min(0).max(20)).max(40).optional(),
  shaftMm: z.number().min(1).max(1000).optional(),
})

export const camSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  shaftId: idSchema,
  cylinderId: idSchema,
  valve: z.enum(['inlet', 'exhaust']),
  /** As printed: inlet opens before and closes after (TDC, BDC); exhaust opens before BDC and closes after TDC. */
  opensDeg: trusted(z.number().min(-90).max(180)).optional(),
  closesDeg: trusted(z.number().min(-90).max(180)).optional(),
  checkingLiftMm: trustedMm(0, 50).optional(),
  /** Open for so long at the checking lift, crank degrees. */
  durationDeg: trusted(z.number().min(90).max(400)).optional(),
  /** Lobe centre as printed: of an inlet after overlap TDC, of an exhaust before it. */
  centreDeg: trusted(z.number().min(40).max(180)).optional(),
  topLiftMm: trustedMm(0, 100).optional(),
  /** Lift at overlap TDC. */
  tdcLiftMm: trustedMm(0, 100).optional(),
  /** Valve lift to follower lift; lifts of this sheet are told where they are measured. */
  rockerRatio: trusted(z.number().min(0.3).max(4)).optional(),
  measuredAt: z.enum(['valve', 'follower']).optional(),
  lashMm: trustedMm(0, 10).optional(),
  /** The widest gap that is still right, where the book gives two. */
  lashToMm: trustedMm(0, 10).optional(),
  /** Where the lobe points at full lift, hours of a clock face seen from the timing side. */
  fullLiftClock: trusted(z.number().min(0).lt(12)).optional(),
  /** Measured or published: crank degrees from the lobe centre, + = later, and lift. */
  liftTable: z
    .array(z.strictObject({ deg: z.number().min(-360).max(360), liftMm: z.number().min(-1).max(100) }))
    .min(4)
    .max(1500)
    .optional(),
})

export const markSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  memberId: idSchema,
  /** From the centre of tooth gap 0, counter-clockwise from the timing side, in half teeth: even = gap, odd = tip. */
  halfTeeth: z.number().int().min(0).max(799),
  /** The face of the member that it is cut on; a member turned over hides it. */
  face: sideSchema.optional(),
  /** The place of the crank where it meets, degrees of the cycle, when that is not the reference pose: another bank's own event. */
  meetsAtDeg: trusted(z.number().min(0).lt(720)).optional(),
  /** Where it points when it meets, a direction in the plane. */
  pointsAtDeg: trusted(z.number().min(0).lt(360)).optional(),
  cutFor: z.enum(['pose', 'tdc', 'spark', 'assembly', 'casting', 'unknown']),
  meets: wordsSchema,
})

/** A mark on a rim of the crank: pulley, damper or flywheel. What it is cut for is a claim until it is read against the zero. */
export const rimMarkSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  where: wordsSchema,
  seenFrom: sideSchema,
  cutFor: z.enum(['tdc', 'spark', 'pose', 'assembly', 'casting', 'unknown']),
  cylinderId: idSchema,
  /** Where it claims to stand, crank degrees after that cylinder's TDC; before is minus. */
  claimDeg: trusted(z.number().min(-360).max(360)).optional(),
  /** How far after its claim a job found it, on one turn. */
  errorDeg: trusted(z.number().min(-180).max(180)).optional(),
})

export const witnessSchema = z.strictObject({
  id: idSchema,
  kind: z.enum(['camMark', 'valveEvents', 'count']),
  targetId: idSchema,
})

/** A count somebody vouches for: pitches from mark to mark along a run with no slack, in the reference pose. */
export const bookCountSchema = z.strictObject({
  id: idSchema,
  loopId: idSchema,
  fromMarkId: idSchema,
  toMarkId: idSchema,
  run: z.enum(['tight', 'slack']),
  pitches: trusted(z.number().min(0).max(2000).multipleOf(0.5)),
})

export const buildSheetSchema = z.strictObject({
  id: idSchema,
  engineId: idSchema,
  version: z.number().int().min(1).max(100_000),
  at: timeSchema,
  cycleDeg: z.union([z.literal(720), z.literal(360)]),
  sides: z.strictObject({ timing: nameSchema, opposite: nameSchema }),
  /** Of the crank, as seen from the timing side. */
  running: trusted(handSchema).optional(),
  interference: trusted(z.enum(['yes', 'no', 'unknown'])),
  fuel: z.enum(['petrol', 'paraffin', 'diesel', 'gas']),
  starting: z.enum(['battery', 'hand', 'air']),
  reversing: z.enum(['never', 'fewDegrees', 'free']),
  trimDeg: trusted(z.number().min(0).max(30)).optional(),
  /** A camshaft that reads further out than this, crank degrees, may bring valves to pistons: a trim only. */
  safeOutDeg: trusted(z.number().min(0).max(60)).optional(),
  toleranceDeg: trusted(z.number().min(0).max(60)).optional(),
  strokeMm: trustedMm(5, 5000).optional(),
  rodMm: trustedMm(10, 10_000).optional(),
  pinOffsetMm: trustedMm(-100, 100).optional(),
  /** From the seat of the plug or injector down its hole to the crown with the piston at the top. */
  plugDepthMm: trustedMm(0, 2000).optional(),
  /** The hole's axis to the bore's. */
  plugAngleDeg: trusted(z.number().min(0).max(75)).optional(),
  /** Round the rim that marks are cut on. */
  rimMm: trusted(z.number().min(50).max(20_000)).optional(),
  rimMarks: z.array(rimMarkSchema).max(60),
  layout: z.enum(['inLine', 'vee', 'flat', 'opposed', 'radial']),
  /** Cylinder ids in the order they fire. */
  firingOrder: trusted(z.array(idSchema).max(28)).optional(),
  banks: z.array(bankSchema).max(8),
  cylinders: z.array(cylinderSchema).max(28),
  zeroCylinderId: idSchema,
  referencePose: z.strictObject({
    event: z.enum(['firingTdc', 'overlapTdc', 'other']),
    cylinderId: idSchema,
    crankDeg: trusted(z.number().min(0).lt(720)),
  }),
  shafts: z.array(shaftSchema).max(40),
  members: z.array(memberSchema).max(60),
  loops: z.array(loopSchema).max(12),
  couplings: z.array(couplingSchema).max(60),
  adjusters: z.array(adjusterSchema).max(60),
  cams: z.array(camSchema).max(120),
  /** Lobe separation in cam degrees, and advance as a cam card has it: + = early. */
  separationDeg: trusted(z.number().min(60).max(160)).optional(),
  advanceDeg: trusted(z.number().min(-40).max(40)).optional(),
  /** Whose limits a late cam is judged by. */
  school: z.enum(['roadDiesel', 'marine']).optional(),
  /** Where lash is set by shims: the steps they come in. */
  shims: z
    .strictObject({
      stepMm: z.number().min(0.001).max(1),
      leastMm: z.number().min(0.1).max(30),
      mostMm: z.number().min(0.1).max(30),
    })
    .optional(),
  marks: z.array(markSchema).max(120),
  witnesses: z.array(witnessSchema).max(120),
  counts: z.array(bookCountSchema).max(60),
  seenFrom: sideSchema,
  notes: wordsSchema,
})

export type BuildSheet = z.output<typeof buildSheetSchema>
export type Position = z.output<typeof positionSchema>
export type Cylinder = z.output<typeof cylinderSchema>
export type Shaft = z.output<typeof shaftSchema>
export type Member = z.output<typeof memberSchema>
export type Loop = z.output<typeof loopSchema>
export type Adjuster = z.output<typeof adjusterSchema>
export type Cam = z.output<typeof camSchema>
export type RimMark = z.output<typeof rimMarkSchema>
export type Coupling = z.output<typeof couplingSchema>
export type Mark = z.output<typeof markSchema>
export type BookCount = z.output<typeof bookCountSchema>
