import { allOf, type JobState } from '../ledger'
import type { BuildSheet, Phase } from '../model'
import { lastRound, slackOfRound } from '../tension'

import { bandOf, effectsOn, readingsOfJob, type Banded, type BandsOf, type Measured } from '../diagnose'

/** What a shaft's lateness is made of, as far as it was measured; crank degrees, one sigma. */
export interface LatenessParts {
  readonly shaftId: string
  /** As read at its mark or lobes; undefined of what was not read: a pump that shares the chain. */
  readonly read: Measured | undefined
  readonly stretch: Measured | undefined
  /** What the play found on the loop would do, were it on the pulled run. */
  readonly play: Measured | undefined
  readonly skim: Measured | undefined
  /** What none of them explains: a tooth, a key, or wear that was not measured. */
  readonly rest: Measured | undefined
}

/** What the lateness of each camshaft, pump and magneto is made of by what was measured: stretch and a skimmed head by the drive's own sums. Play is told beside them
 *  and not taken off, as running it lies on the slack run. Source: handbook 10. */
export function latenessParts(sheet: BuildSheet, state: JobState, phase: Phase): readonly LatenessParts[] {
  const { elongation = {}, skimmed = {} } = readingsOfJob(sheet, state, phase)
  const slacks = allOf(state, 'slack')
  const overOf = (loopId: string) => {
    const of = lastRound(slacks, loopId, 'found') ?? lastRound(slacks, loopId, phase)
    return of && slackOfRound(sheet, slacks, of).over
  }
  return sheet.shafts.flatMap(({ id, kind }): LatenessParts[] => {
    if (kind !== 'cam' && kind !== 'pump' && kind !== 'magneto') return []
    const timing = state.timing[id]?.[phase]
    const read = timing && { value: timing.latenessDeg, sigma: timing.sigmaDeg }
    const { perStretch, perSkim, perSlack } = effectsOn(sheet, id)
    const stretch = summed(perStretch, (loopId) => elongation[loopId])
    const skim = summed(perSkim, (bankId) => skimmed[bankId])
    const play = summed(perSlack, (loopId) => {
      const over = overOf(loopId)
      return over && { value: over.mm, sigma: over.plusMinusMm / 2 }
    })
    if (!read && !stretch && !skim && !play) return []
    const known = [stretch, skim].flatMap((one) => one ?? [])
    const rest =
      read && known.length > 0
        ? {
            value: read.value - known.reduce((sum, { value }) => sum + value, 0),
            sigma: Math.hypot(read.sigma, ...known.map(({ sigma }) => sigma)),
          }
        : undefined
    return [{ shaftId: id, read, stretch, play, skim, rest }]
  })
}

/** So much for each part, of those that were measured. */
function summed(
  per: Readonly<Record<string, number>> | undefined,
  measured: (id: string) => Measured | undefined,
): Measured | undefined {
  const parts = Object.entries(per ?? {}).flatMap(([id, each]) => {
    const one = measured(id)
    return one ? [{ value: each * one.value, sigma: Math.abs(each) * one.sigma }] : []
  })
  if (parts.length === 0) return undefined
  return {
    value: parts.reduce((sum, { value }) => sum + value, 0),
    sigma: Math.hypot(...parts.map(({ sigma }) => sigma)),
  }
}

export type GrownCode = 'goesOn' | 'planOne' | 'renew'

export interface Grown {
  readonly code: GrownCode
  readonly sure: 'in' | 'onLimit' | 'cannotTell'
  /** Of the limit that its ± reaches over, or the next one. */
  readonly limitPercent: number | undefined
  readonly marginPercent: number | undefined
}

/** Where a chain that has grown is renewed, per cent: in general fixed centres and adjustable ones; large marine. Source: handbook 10, common practice. */
export const GROWN_LIMITS = { general: [1, 2], marine: [1] } as const

/** How far a chain has grown against the limits of its trade, with its ± (two sigma): below them it goes on, up to and including the last it is planned, beyond it is renewed. */
export function judgeGrown(percent: number, plusMinus: number, whose: keyof typeof GROWN_LIMITS): Grown {
  const limits: readonly number[] = GROWN_LIMITS[whose]
  const last = limits.at(-1) ?? 1
  const code = percent > last ? 'renew' : limits.length > 1 && percent >= (limits[0] ?? 1) ? 'planOne' : 'goesOn'
  const reached = limits.filter((limit) => Math.abs(percent - limit) < plusMinus)
  const next = limits.find((limit) => limit >= percent)
  return {
    code,
    sure: reached.length === 0 ? 'in' : reached.length > 1 ? 'cannotTell' : 'onLimit',
    limitPercent: reached[0] ?? next,
    marginPercent: next === undefined ? undefined : next - percent,
  }
}

/** How grave what is said is: nothing to do, watch it, plan it, now. */
export type Graveness = 0 | 1 | 2 | 3

const BY_BAND: Readonly<Record<Banded['band']['code'], Graveness>> = {
  early: 0,
  leave: 0,
  trim: 0,
  correctAndWatch: 1,
  own: 1,
  pumpAndPlan: 2,
  resetCamshaft: 2,
  chainNow: 3,
}
const BY_GROWN: Readonly<Record<GrownCode, Graveness>> = { goesOn: 0, planOne: 2, renew: 3 }

export interface WearJudged {
  readonly lateness: readonly { readonly shaftId: string; readonly banded: Banded }[]
  readonly grown: readonly { readonly loopId: string; readonly grown: Grown; readonly percent: Measured }[]
  /** The graver of the two counts; undefined where neither was read. */
  readonly worst:
    | {
        readonly by: 'lateness' | 'grown'
        readonly id: string
        readonly graveness: Graveness
        readonly sure: 'in' | 'onLimit' | 'cannotTell'
      }
    | undefined
}

/** Lateness and growth judged beside each other: the worse counts. A cam that reads right acquits no chain, and a chain that has not grown acquits no cam. */
export function judgeWear(sheet: BuildSheet, state: JobState, phase: Phase, whose: BandsOf | undefined): WearJudged {
  const { elongation = {} } = readingsOfJob(sheet, state, phase)
  const lateness = sheet.shafts.flatMap(({ id }) => {
    const timing = state.timing[id]?.[phase]
    return timing && whose ? [{ shaftId: id, banded: bandOf(timing.latenessDeg, 2 * timing.sigmaDeg, whose) }] : []
  })
  const grown = Object.entries(elongation).map(([loopId, percent]) => ({
    loopId,
    percent,
    grown: judgeGrown(percent.value, 2 * percent.sigma, whose === 'marine' ? 'marine' : 'general'),
  }))
  const all = [
    ...lateness.map(({ shaftId, banded }) => ({
      by: 'lateness' as const,
      id: shaftId,
      graveness: BY_BAND[banded.band.code],
      sure: banded.sure,
    })),
    ...grown.map(({ loopId, grown: one }) => ({
      by: 'grown' as const,
      id: loopId,
      graveness: BY_GROWN[one.code],
      sure: one.sure,
    })),
  ]
  return { lateness, grown, worst: all.toSorted((a, b) => b.graveness - a.graveness)[0] }
}
