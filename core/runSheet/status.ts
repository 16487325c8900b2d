import { proofOfLoop, turnedTightDeg, verdictOfCount, type JobState } from '../ledger'
import type { BuildSheet } from '../model/buildSheet'
import type { Job } from '../model/engine'
import { cautionsFor } from './cautions'
import type { Step, StepKind } from './steps'

/** What the ledger holds for a step: nothing, not enough to go on, read once, proved. */
export type Evidence = 'none' | 'part' | 'read' | 'proved'
export type Hindrance = 'chainAlreadyOff' | 'noCamFigures'

export interface StepStatus {
  readonly evidence: Evidence
  /** Pressed on past it, with or without a reason. */
  readonly outcome: 'open' | 'done' | 'skipped' | 'cannot'
  readonly hindrance?: Hindrance
  readonly reason: string
}

/** Two full turns in the running direction, with everything tight (handbook 13). */
export const PROOF_TURN_DEG = 720

/** How a step stands. A step that cannot be done on an engine that arrived with its chain off says so and is passed over. */
export function statusOf({
  step,
  sheet,
  job,
  state,
}: {
  step: Step
  sheet: BuildSheet
  job: Job
  state: JobState
}): StepStatus {
  const hindrance = hindranceOf(step, job)
  if (hindrance) return { evidence: 'none', outcome: 'cannot', hindrance, reason: '' }
  const marked = state.steps[step.id]
  const evidence = evidenceOf[step.kind]({ step, sheet, state })
  const passed = step.kind === 'card' && state.closed ? 'done' : (marked?.outcome ?? 'open')
  return { evidence, outcome: passed, reason: marked?.reason ?? '' }
}

function hindranceOf({ kind }: Step, job: Job): Hindrance | undefined {
  if (job.arrival === 'chainOff' && (kind === 'whichTdc' || kind === 'asFound')) return 'chainAlreadyOff'
  return undefined
}

type Look = (look: { step: Step; sheet: BuildSheet; state: JobState }) => Evidence

const lash =
  (phase: 'found' | 'left'): Look =>
  ({ step, state }) => {
    const known = step.targetIds.filter((id) => state.lash[phase][id]).length
    return known === 0 ? 'none' : known < step.targetIds.length ? 'read' : 'proved'
  }

const timed =
  (phase: 'found' | 'left'): Look =>
  ({ sheet, state }) => {
    const timings = sheet.shafts.filter(({ kind }) => kind === 'cam').map(({ id }) => state.timing[id]?.[phase])
    if (timings.every((timing) => !timing)) return 'none'
    if (timings.some((timing) => !timing)) return 'part'
    return timings.every((timing) => timing?.proved) ? 'proved' : 'read'
  }

const evidenceOf: Record<StepKind, Look> = {
  makeSafe: ({ sheet, state }) => {
    const gates = cautionsFor(sheet)
    const done = gates.filter(({ id }) => state.ticked.has(id)).length
    return done === 0 ? 'none' : done < gates.length ? 'part' : 'proved'
  },
  lashFound: lash('found'),
  lashLeft: lash('left'),
  trueTdc: ({ state }) => {
    const inCylinder = state.register.some(({ item }) => item === 'stop' || item === 'dialRod' || item === 'probe')
    if (!state.zero) return inCylinder || state.degreeWheel ? 'part' : 'none'
    if (inCylinder || state.zeros.life === 'inDoubt' || state.zeros.life === 'slipped') return 'part'
    return state.zero.proved ? 'proved' : 'read'
  },
  whichTdc: ({ state: { half, crank } }) => {
    if (half.known === 'unknown') return crank.sinceReferenceDeg === 0 && crank.totalDeg === 0 ? 'none' : 'part'
    return half.known === 'conflict' || crank.deg === undefined ? 'part' : half.known
  },
  asFound: timed('found'),
  poseChainOff: ({ step, state }) => {
    const loop = state.loops[step.targetIds[0] ?? '']
    return loop?.on === false ? (loop.offAt === 'unknown' ? 'read' : 'proved') : 'none'
  },
  setCam: ({ step, state }) => (state.camSet[step.targetIds[0] ?? ''] ? 'read' : 'none'),
  chainOnCount: ({ step, sheet, state }) => {
    const loopId = step.targetIds[0] ?? ''
    const loop = sheet.loops.find(({ id }) => id === loopId)
    const lies = state.loops[loopId]
    if (!lies?.on || !loop) return 'none'
    const counts = state.counts.filter((one) => one.loopId === loopId && one.phase === 'set')
    if (counts.length === 0) return lies.proof === 'asArrived' ? 'none' : 'part'
    const proof = proofOfLoop(sheet, loop, state.counts, state.seats)
    if (proof === 'countedOut') return state.deviations.length > 0 ? 'read' : 'part'
    // Without an expected count there is nothing to judge it by; it is written down all the same.
    return proof === 'counted' || !counts.some((count) => verdictOfCount(sheet, count, state.seats)) ? 'read' : 'part'
  },
  tensioner: ({ step, state }) => {
    const at = state.tensioners[step.targetIds[0] ?? '']
    if (at === 'proven') return 'proved'
    return at === 'released' ? 'read' : at === 'fitted' || at === 'heldBack' ? 'part' : 'none'
  },
  twoTurns: (look) => {
    const turned = turnedTightDeg(look.state, look.step.targetIds)
    const read = timed('left')(look)
    if (turned < PROOF_TURN_DEG) return turned > 0 || read !== 'none' ? 'part' : 'none'
    return read === 'none' ? 'part' : read
  },
  card: ({ state }) => (state.closed ? 'proved' : 'none'),
}

/** The step in hand: the first that is still open. */
export const stepInHand = (steps: readonly Step[], status: (step: Step) => StepStatus) =>
  steps.find((step) => status(step).outcome === 'open') ?? steps.at(-1)
