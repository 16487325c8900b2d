import * as z from 'zod'
import * as field from '../fields'
import { finiteSchema, nameSchema, ratioSchema, teethSchema, trusted, trustedDegSchema, trustedMm } from '../primitives'
import { positionSchema } from './position'
import { slackWantedSchema, tightenerSchema } from './tightener'

export const shaftSchema = z.strictObject({
  id: field.id('This shaft'),
  name: nameSchema.describe('What it is called here'),
  kind: field.oneOf('What it is', ['crank', 'cam', 'idler', 'intermediate', 'pump', 'magneto', 'balance']),
  ratio: ratioSchema.describe('Turns for one of the crank, exact; minus = opposite direction'),
  position: positionSchema.optional().describe('Where its axis stands; missing = not known'),
  meetsAtDeg: trusted(z.number().min(0).lt(720))
    .optional()
    .describe(
      'Of a camshaft: the place of the crank at which it is set, degrees of the cycle, when that is not the timing position and no mark of it says so',
    ),
  lobesAtPlace: field
    .oneOf('Of a camshaft: where its lobes point when it is at its place, to the middle of the head or away from it', [
      'inwards',
      'outwards',
    ])
    .optional(),
})

/** What teeth of a belt look like; they must match the pulley's. */
const toothShape = field.oneOf('Shape of a belt’s teeth, which must match the pulley’s', ['square', 'round'])

export const memberSchema = z.strictObject({
  id: field.id('This part'),
  name: nameSchema.describe('What it is called here'),
  kind: field.oneOf('What it is; a hub is a flange or end of a shaft that carries a mark and drives nothing', [
    'sprocket',
    'pulley',
    'gear',
    'idler',
    'guide',
    'tensioner',
    'hub',
  ]),
  shaftId: field.id('The shaft it sits on').optional(),
  teeth: trusted(teethSchema).optional().describe('How many teeth it has'),
  radiusMm: trustedMm(1, 5000).optional().describe('Of one without teeth: what was measured, mm'),
  toothShape: toothShape.optional(),
  allowanceMm: trustedMm(-50, 50)
    .optional()
    .describe(
      'What has to be added to that radius to come to the pin or pitch line, mm: half a plate’s height, the back of a belt',
    ),
  position: positionSchema.optional().describe('Of one without a shaft: where it stands; of an arc its centre'),
  arc: z
    .strictObject({
      fromDeg: trustedDegSchema.describe('Where it starts, degrees counter-clockwise from +x about its centre'),
      toDeg: trustedDegSchema.describe('Where it ends, counter-clockwise from there'),
    })
    .optional()
    .describe('Of a guide that is an arc and no circle: its two ends'),
  tightener: tightenerSchema.optional(),
})

/** A painted link or printed line of a loop. */
const paintSchema = z.strictObject({
  id: field.id('This painted place'),
  name: nameSchema.describe('Its colour, or what it is called'),
  style: field.oneOf('How it is painted', ['single', 'double', 'pair']),
  pitchesOn: z.number().min(0).max(2000).multipleOf(0.5).describe('Pitches on from the one before it, with the travel'),
})

export const loopSchema = z.strictObject({
  id: field.id('This chain or belt'),
  name: nameSchema.describe('What it is called here'),
  kind: field.oneOf('What it is', ['rollerChain', 'invertedToothChain', 'toothedBelt']),
  pitchMm: trustedMm(1, 500).optional().describe('Its pitch, mm'),
  pitches: trusted(z.number().int().min(6).max(2000)).optional().describe('How many pitches the whole of it has'),
  path: z
    .array(
      z.strictObject({
        memberId: field.id('A part it passes'),
        passed: field.oneOf('Which side of the part it passes', ['inside', 'outside']),
      }),
    )
    .max(40)
    .describe('In the order in which it meets them, running, from the crank along the slack run'),
  toothShape: toothShape.optional(),
  slackWanted: slackWantedSchema.optional(),
  massKgPerM: trusted(finiteSchema.meta({ least: 0.005, most: 50 }))
    .optional()
    .describe('What a metre of it weighs, kg'),
  painted: z.array(paintSchema).max(40).optional().describe('What is painted or printed on it, in the order it passes'),
})

const positionsSchema = z.number().int().min(1).max(400)

export const couplingSchema = z.strictObject({
  id: field.id('This coupling'),
  kind: field.oneOf('How the two are joined', ['gearMesh', 'spline', 'quill', 'dog']),
  fromId: field.id('A gear that meshes; else the shaft nearer the crank'),
  toId: field.id('The gear it meshes with; else the shaft that is driven'),
  positions: trusted(positionsSchema)
    .optional()
    .describe('Places to the turn in which it goes together: splines or dogs; of a quill those at its first end'),
  positionsTo: trusted(positionsSchema).optional().describe('Of a quill, the places at its other end'),
})

/** A way in which a wheel can be set against its shaft or its loop. */
export const adjusterSchema = z.strictObject({
  id: field.id('This adjuster'),
  kind: field.oneOf('What it is', [
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
  memberId: field.id('The sprocket, pulley or gear it is at'),
  positions: z.number().int().min(1).max(400).optional().describe('Of a hub or vernier: its places to the turn'),
  rangeDeg: finiteSchema
    .meta({ least: 0, most: 180 })
    .optional()
    .describe('Of slots, or of what can slip a little: so many degrees of the shaft either way'),
  anglesDeg: z
    .array(z.number().min(-360).max(360))
    .max(24)
    .optional()
    .describe(
      'Of several keyways, or of a wheel turned over: what each other place is worth against the one in use, degrees of the shaft, + = later',
    ),
  keysMm: z.array(z.number().min(0).max(20)).max(40).optional().describe('Offset keys in the drawer, mm of offset'),
  shaftMm: z.number().min(1).max(1000).optional().describe('The shaft they go on, mm across'),
})

export type Shaft = z.output<typeof shaftSchema>
export type Member = z.output<typeof memberSchema>
export type Loop = z.output<typeof loopSchema>
export type Coupling = z.output<typeof couplingSchema>
export type Adjuster = z.output<typeof adjusterSchema>
