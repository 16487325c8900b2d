import * as z from 'zod'
import { deviceSchema, finiteSchema, idSchema, sideSchema, timeSchema, wordsSchema } from './primitives'

const wheelDegSchema = z.number().min(0).lt(360)
const phaseSchema = z.enum(['found', 'set', 'left'])
/** The direction of the last movement before a reading. */
const approachSchema = z.enum(['running', 'against'])

export const conditionSchema = z.enum(['cold', 'hot', 'plugsOut', 'chainOff', 'tensionerHeld', 'tensionerReleased'])

/** How the wheel, or the tape on the rim, is numbered; `rises`: turning which way its numbers go up. On a mirrored wheel the numbers
 *  say nothing of that; only the words before and after do. */
export const wheelScaleSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.enum(['full', 'half', 'quarter']),
    rises: approachSchema,
    readToDeg: z.number().min(0.01).max(15),
  }),
  z.strictObject({
    kind: z.literal('rim'),
    rises: approachSchema,
    circumferenceMm: z.number().min(50).max(20_000),
    /** What the tape reads at the datum mark; chords start from it. */
    datumMm: z.number().min(-1000).max(20_000),
    measure: z.enum(['wrapped', 'chord']),
    readToMm: z.number().min(0.01).max(20),
  }),
])

export const feelToolSchema = z.enum(['screwdriver', 'pick', 'valve', 'stick'])

export const itemKindSchema = z.enum([
  'stop',
  'dialRod',
  'probe',
  'lockingPin',
  'tensionerPin',
  'rag',
  'tie',
  'lock',
  'capsLoose',
  'fingerTight',
  'tabsNotBent',
  'valvesRelieved',
  'other',
])

/** Whose valves are relieved: rockers off or slack, so that nothing opens them. */
export const reliefSchema = z.discriminatedUnion('what', [
  z.strictObject({ what: z.literal('all') }),
  z.strictObject({ what: z.enum(['valve', 'cylinder', 'bank', 'camshaft']), id: idSchema }),
])

/** What was seen on the engine of a part that entries disagree on, that vanished from the build sheet, or that is new on it. `became`: the part of
 *  the build sheet of today that it is. */
export const settledSchema = z.discriminatedUnion('about', [
  z.strictObject({ about: z.literal('item'), id: idSchema, is: z.enum(['in', 'out']) }),
  z.strictObject({
    about: z.literal('loop'),
    id: idSchema,
    is: z.enum(['on', 'off', 'asItRan', 'gone', 'became']),
    became: idSchema.optional(),
  }),
  z.strictObject({
    about: z.literal('coupling'),
    id: idSchema,
    is: z.enum(['together', 'apart', 'asItRan', 'gone', 'became']),
    became: idSchema.optional(),
  }),
  z.strictObject({
    about: z.literal('tensioner'),
    id: idSchema,
    is: z.enum(['released', 'heldBack', 'gone', 'became']),
    became: idSchema.optional(),
  }),
  z.strictObject({
    about: z.literal('camshaft'),
    id: idSchema,
    is: z.enum(['out', 'free', 'held', 'driven', 'gone']),
  }),
  /** A job that could not be read or was taken out: somebody looked over the whole engine, and nothing of that job is left in it. */
  z.strictObject({ about: z.literal('job'), id: idSchema, is: z.literal('nothingInside') }),
  /** The crank stands where the named entry says, whatever turns are written. */
  z.strictObject({ about: z.literal('crank'), id: idSchema, is: z.literal('asSeen') }),
])

export const evidenceSchema = z.enum(['thumb', 'lobes', 'rocking', 'companionRocking', 'lockFits'])

export const countRuleSchema = z.enum(['both', 'firstOnly', 'lastOnly', 'neither'])

const common = {
  id: idSchema,
  jobId: idSchema,
  /** The build sheet it was made against. */
  sheetId: idSchema,
  device: deviceSchema,
  /** One more than the highest the device knew on this engine, so that order agrees wherever files are merged; of an entry without `seen`, in
   *  this job. */
  counter: z.number().int().min(1).max(1e9),
  /** The highest counter it knew of every other device that worked on this engine. Entries from before there was this have none. */
  seen: z.record(deviceSchema, z.number().int().min(1).max(1e9)).optional(),
  at: timeSchema,
  stepId: idSchema.optional(),
  seenFrom: sideSchema,
  conditions: z.array(conditionSchema).max(12),
  typed: z.array(z.strictObject({ field: idSchema, text: z.string().max(200) })).max(24),
}

const kind = <K extends string, S extends z.ZodRawShape>(name: K, shape: S) =>
  z.strictObject({ ...common, kind: z.literal(name), ...shape })

export const entrySchema = z.discriminatedUnion('kind', [
  kind('strike', { targetId: idSchema, reason: wordsSchema }),
  kind('tick', { cautionId: idSchema, ticked: z.boolean() }),
  kind('step', { target: idSchema, outcome: z.enum(['done', 'skipped', 'reopened']), reason: wordsSchema }),
  /** `of`: whose valves, where the item is valves relieved; words say nothing of that. */
  kind('item', {
    itemId: idSchema,
    item: itemKindSchema,
    where: wordsSchema,
    change: z.enum(['in', 'out']),
    of: reliefSchema.optional(),
  }),
  /** A camshaft taken out, in and free to spring round, in and held still (lock, bar, tie, hand), driven by its loop again; or, held, seen with
   *  every valve of it shut. */
  kind('camshaft', { shaftId: idSchema, is: z.enum(['out', 'free', 'held', 'driven', 'seenShut']) }),
  /** Whether the engine came in whole and ran as it stands until now, by somebody's word. */
  kind('ranUntilNow', { says: z.enum(['yes', 'no', 'notKnown']), role: wordsSchema }),
  kind('settled', { part: settledSchema, role: wordsSchema }),
  kind('loop', { loopId: idSchema, change: z.enum(['off', 'on']) }),
  kind('tensioner', { memberId: idSchema, state: z.enum(['heldBack', 'fitted', 'released', 'proven']) }),
  kind('degreeWheel', { scale: wheelScaleSchema }),
  kind('dial', { readToMm: z.number().min(0.0001).max(1) }),
  kind('stopContacts', { cylinderId: idSchema, firstDeg: wheelDegSchema, secondDeg: wheelDegSchema }),
  /** The wheel at the same drop of the piston before and after the top; `oneWay` = both come to turning the running way. */
  kind('dialPair', {
    cylinderId: idSchema,
    dropMm: z.number().min(0.01).max(500),
    beforeDeg: wheelDegSchema,
    afterDeg: wheelDegSchema,
    approach: z.enum(['eachWay', 'oneWay']),
  }),
  /** Where the piston was felt to stop rising and to begin falling. */
  kind('dwell', { cylinderId: idSchema, tool: feelToolSchema, beforeDeg: wheelDegSchema, afterDeg: wheelDegSchema }),
  /** A mark of the crank brought to its pointer. `claimDeg`: what it claims, after that cylinder's TDC. */
  kind('factoryMark', {
    cylinderId: idSchema,
    name: wordsSchema,
    wheelDeg: wheelDegSchema,
    claimDeg: z.number().min(-360).max(360),
    markId: idSchema.optional(),
  }),
  /** Wheel or pointer was disturbed: the zero holds no longer until it is read again. */
  kind('wheelKnocked', { what: z.enum(['wheel', 'pointer', 'notSure']) }),
  /** One contact of a stop that has stayed in, read again. */
  kind('contactAgain', { ofEntryId: idSchema, which: z.enum(['first', 'second']), wheelDeg: wheelDegSchema }),
  /** From which reading on the wheel had already slipped, and whether those are shifted by the slip or have to be taken again. */
  kind('leaning', { knockId: idSchema, fromEntryId: idSchema, how: z.enum(['shift', 'retake']) }),
  kind('stands', { place: z.enum(['tdc', 'pose']), cylinderId: idSchema, wheelDeg: wheelDegSchema.optional() }),
  kind('turned', {
    deg: z.number().min(-7200).max(7200),
    ended: z.enum(['short', 'onMark', 'past']),
    /** The place of the crank that was meant to be reached. */
    towardsDeg: z.number().min(0).lt(720).optional(),
    wheelDeg: wheelDegSchema.optional(),
  }),
  kind('witness', { cylinderId: idSchema, evidence: evidenceSchema, says: z.enum(['firing', 'overlap', 'undecided']) }),
  kind('camMark', {
    shaftId: idSchema,
    markId: idSchema,
    phase: phaseSchema,
    approach: approachSchema,
    wheelDeg: wheelDegSchema,
  }),
  kind('valveEvents', {
    camId: idSchema,
    phase: phaseSchema,
    opensWheelDeg: wheelDegSchema,
    closesWheelDeg: wheelDegSchema,
    checkingLiftMm: finiteSchema.meta({ least: 0, most: 50 }).optional(),
    /** By blades: lash less the blade is the lift at which it nips. */
    byFeeler: z.boolean().optional(),
  }),
  /** Equal lifts either side of the lobe's top: the wheel going up and coming down. */
  kind('lobeCentre', {
    camId: idSchema,
    phase: phaseSchema,
    pairs: z
      .array(z.strictObject({ liftMm: z.number().min(0).max(100), upDeg: wheelDegSchema, downDeg: wheelDegSchema }))
      .min(1)
      .max(20),
  }),
  /** Lift with the crank at overlap TDC. */
  kind('tdcLift', { camId: idSchema, phase: phaseSchema, liftMm: z.number().min(0).max(100) }),
  /** Both valves of a cylinder at overlap TDC: their lifts, or the wheel where the two were the same. */
  kind('rocking', {
    cylinderId: idSchema,
    phase: phaseSchema,
    read: z.discriminatedUnion('by', [
      z.strictObject({
        by: z.literal('lifts'),
        inletMm: z.number().min(0).max(100),
        exhaustMm: z.number().min(0).max(100),
      }),
      z.strictObject({ by: z.literal('equal'), wheelDeg: wheelDegSchema }),
    ]),
  }),
  /** With the crank at the pose: a cam's pin, slot or flat off its place, mm at a radius; + = the cam is late. */
  kind('camGauge', {
    shaftId: idSchema,
    phase: phaseSchema,
    offMm: z.number().min(-200).max(200),
    radiusMm: z.number().min(1).max(1000),
    what: z.enum(['pin', 'slot', 'flat']),
    edge: z.enum(['upper', 'lower', 'left', 'right', 'middle']).optional(),
  }),
  /** Where a lobe was seen to point, hours, the crank so many degrees on its cycle. */
  kind('lobeClock', {
    camId: idSchema,
    phase: phaseSchema,
    crankDeg: z.number().min(0).lt(720),
    hour: z.number().min(0).lt(12),
    sureToHours: z.number().min(0.25).max(3),
  }),
  /** A gap; with `noGoMm` it lies between the blade that goes and the one that does not. */
  kind('lash', {
    camId: idSchema,
    phase: phaseSchema,
    gapMm: z.number().min(0).max(50),
    noGoMm: z.number().min(0).max(50).optional(),
  }),
  /** The shim that sits under a valve's follower. */
  kind('shim', { camId: idSchema, phase: phaseSchema, sizeMm: z.number().min(0.1).max(30) }),
  /** The most that a valve is lifted, where the sheet's lifts are told. */
  kind('topLift', { camId: idSchema, phase: phaseSchema, liftMm: z.number().min(0).max(100) }),
  /** How much lower a head or block stands than its book height; of one bank, or of all. */
  kind('headHeight', { lowerMm: z.number().min(-5).max(20), bankId: idSchema.optional() }),
  /** A chain or belt measured over so many pitches, pulled lightly. */
  kind('chainLength', {
    loopId: idSchema,
    overPitches: z.number().int().min(1).max(2000),
    measuredMm: z.number().min(1).max(100_000),
  }),
  /** An adjuster moved: what it does to the lateness of the cams behind it, crank degrees. */
  kind('adjusted', {
    adjusterId: idSchema,
    words: wordsSchema,
    laterDeg: z.number().min(-720).max(720),
  }),
  /** What a camshaft is to be set to, other than the book, and why. */
  kind('target', { shaftId: idSchema, latenessDeg: z.number().min(-90).max(90), reason: wordsSchema }),
  /** A stop of the cycle walk: what was to be seen, and whether it was. */
  kind('walk', {
    crankDeg: z.number().min(0).lt(720),
    cylinderId: idSchema,
    what: z.enum(['piston', 'inlet', 'exhaust', 'mark']),
    saw: z.enum(['asExpected', 'otherwise']),
  }),
  kind('count', {
    loopId: idSchema,
    fromMarkId: idSchema,
    toMarkId: idSchema,
    run: z.enum(['tight', 'slack']),
    rule: countRuleSchema,
    counted: z.number().int().min(0).max(2000),
    phase: phaseSchema,
  }),
  /** Teeth the loop was laid over a sprocket: + = further in the running direction. `seats`: how many pitches late its wheels then stand by
   *  their marks on purpose, where that is not what the book counts. */
  kind('moved', {
    loopId: idSchema,
    memberId: idSchema,
    teeth: z.number().int().min(-200).max(200),
    seats: z.record(idSchema, z.number().min(-400).max(400)).optional(),
  }),
  /** A coupling drawn apart, or put together again so many places on: + = the driven shaft further in its running direction, so
   *  earlier. `stepsTo` = at the other end of a quill. */
  kind('coupling', {
    couplingId: idSchema,
    change: z.enum(['apart', 'together']),
    steps: z.number().int().min(-400).max(400),
    stepsTo: z.number().int().min(-400).max(400).optional(),
  }),
  /** A cam set by itself, off its mark by so many degrees of its own shaft, + = late. */
  kind('camSet', { shaftId: idSchema, offDeg: z.number().min(-180).max(180) }),
  kind('deviation', { shaftId: idSchema, latenessDeg: z.number().min(-720).max(720), reason: wordsSchema }),
  kind('note', { text: wordsSchema }),
  kind('picture', {
    pictureId: idSchema,
    mediaType: z.enum(['image/jpeg', 'image/png', 'image/webp']),
    bytes: z.number().int().min(1).max(30_000_000),
    caption: wordsSchema,
  }),
  kind('sheet', { toSheetId: idSchema }),
  kind('close', { role: wordsSchema, reason: wordsSchema }),
])

export type Entry = z.output<typeof entrySchema>
export type EntryKind = Entry['kind']
export type EntryOf<K extends EntryKind> = Extract<Entry, { kind: K }>
export type Phase = z.output<typeof phaseSchema>
export type Approach = z.output<typeof approachSchema>
export type Condition = z.output<typeof conditionSchema>
export type ItemKind = z.output<typeof itemKindSchema>
export type WheelScale = z.output<typeof wheelScaleSchema>
export type FeelTool = z.output<typeof feelToolSchema>
export type Evidence = z.output<typeof evidenceSchema>
export type Relief = z.output<typeof reliefSchema>
export type Settled = z.output<typeof settledSchema>
export type CountRule = z.output<typeof countRuleSchema>

type DistributiveOmit<T, K extends PropertyKey> = T extends unknown ? Omit<T, K> : never
/** What a step says; the writer adds who, when and the place in the order. */
export type EntryDraft = DistributiveOmit<
  Entry,
  'id' | 'jobId' | 'sheetId' | 'device' | 'counter' | 'seen' | 'at' | 'seenFrom' | 'conditions' | 'typed'
> & { readonly conditions?: Condition[]; readonly typed?: { field: string; text: string }[] }
