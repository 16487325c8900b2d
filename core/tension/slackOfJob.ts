import type { BuildSheet } from '../model/buildSheet'
import type { EntryOf } from '../model/entry'
import { partsOf } from '../sheet'
import { judgeSlack, USUAL_SLACK, type SlackBand, type SlackJudged } from './judgeSlack'
import { periodsOf, placesWanted, type DrivePeriods, type PlacesWanted } from './periods'
import { overFromPlay, overPerPlay, playFromOver } from './play'
import { readRound, type Linear, type Round } from './readRound'
import { lateFromOver, runsOfLoop } from './runs'

type Slack = EntryOf<'slack'>

/** Readings of one round: the same run, place and way, in one phase. */
export type RoundOf = Pick<Slack, 'loopId' | 'fromMemberId' | 'toMemberId' | 'place' | 'by' | 'phase'>

export interface SlackReading {
  readonly entry: Slack
  readonly turnDeg: number
  readonly value: number
  readonly plusMinus: number
}

export interface SlackOfRound {
  readonly readings: readonly SlackReading[]
  /** Every line of it, those by feel too. */
  readonly entries: readonly Slack[]
  readonly round: Round<SlackReading> | undefined
  readonly drive: DrivePeriods | undefined
  readonly wanted: PlacesWanted | undefined
  readonly spanMm: number | undefined
  /** What it is held against, and whose it is. */
  readonly band: (SlackBand & { readonly from: 'sheet' | 'usual' }) | undefined
  readonly judged: SlackJudged | undefined
  /** How much too long the run is at its tightest, mm, with its ±, and what that on the pulled run makes each shaft late by. */
  readonly over: { readonly mm: number; readonly plusMinusMm: number } | undefined
  readonly late: ReturnType<typeof lateFromOver>
  /** A reading of it was taken with a support missing, or before it was said. */
  readonly supportMissing: boolean
}

/** What is usually read wrong by, two sigma, where nobody says: mm, and in links. Ours. */
export const SLACK_PLUS_MINUS: Readonly<Record<Slack['with'], { readonly mm: number; readonly links: number }>> = {
  hand: { mm: 1, links: 0.15 },
  finger: { mm: 0.5, links: 0.1 },
  screwdriver: { mm: 0.5, links: 0.1 },
  rule: { mm: 0.5, links: 0.1 },
  dial: { mm: 0.05, links: 0.02 },
  ear: { mm: 0, links: 0 },
}
/** A twist between finger and thumb, degrees, two sigma. Ours. */
export const TWIST_PLUS_MINUS_DEG = 15

/** The figure of a reading in the unit of its way; undefined of one by feel. */
export const slackValue = ({ by, mm, links, twistDeg, hz }: Slack): number | undefined =>
  by === 'links' ? links : by === 'twist' ? twistDeg : by === 'pitch' ? hz : by === 'feel' ? undefined : mm

/** What is read at several places of a turn; a pitch is for its own place of the crank. */
const GOES_ROUND: readonly Slack['by'][] = ['toAndFro', 'oneWay', 'links', 'lift']

/** Whether more of it means slacker or tighter. */
export const moreIs = (by: Slack['by']): 'slacker' | 'tighter' => (by === 'pitch' ? 'tighter' : 'slacker')

/** Readings of slack that belong to one round, and what they say together. */
export function slackOfRound(sheet: BuildSheet, entries: readonly Slack[], of: RoundOf): SlackOfRound {
  const loop = partsOf(sheet).loop(of.loopId)
  const run = loop && runsOfLoop(sheet, loop).find((one) => sameRun(one, of))
  const own = entries.filter((entry) => isOfRound(entry, of))
  const readings = own.flatMap((entry): SlackReading[] => {
    const value = slackValue(entry)
    return value === undefined ? [] : [{ entry, value, turnDeg: entry.turnDeg ?? 0, plusMinus: entry.plusMinus }]
  })
  const drive = loop && periodsOf(sheet, loop)
  const spanMm = run?.spanMm
  const runPitches = run?.pitches ?? 0
  const linear = linearOf(of, spanMm)
  // Of a pitch in hertz the tightest place sounds highest.
  const flip = moreIs(of.by) === 'tighter'
  const round = readRound(flip ? readings.map((one) => ({ ...one, value: -one.value })) : readings, drive, {
    runPitches,
    ...(linear ? { linear } : {}),
  })
  const upright = round && flip ? turned(round) : round
  const band = bandOf(loop?.slackWanted, of.by)
  const { tightest } = upright ?? {}
  const over = tightest && spanMm !== undefined ? overOf(tightest, of, spanMm) : undefined
  return {
    readings,
    entries: own,
    round: upright,
    drive,
    wanted: drive && runPitches > 0 && GOES_ROUND.includes(of.by) ? placesWanted(drive, runPitches) : undefined,
    spanMm,
    band,
    judged: tightest && band && judgeSlack(tightest, band, moreIs(of.by)),
    over,
    late: over ? lateFromOver(sheet, of.loopId, over.mm) : [],
    supportMissing: own.some(({ support }) => support === 'missing'),
  }
}

/** The last round of a phase on a loop: that of the reading written last. */
export function lastRound(entries: readonly Slack[], loopId: string, phase: Slack['phase']): RoundOf | undefined {
  return entries.findLast((entry) => entry.loopId === loopId && entry.phase === phase)
}

const sameRun = (a: Pick<RoundOf, 'fromMemberId' | 'toMemberId'>, b: Pick<RoundOf, 'fromMemberId' | 'toMemberId'>) =>
  a.fromMemberId === b.fromMemberId && a.toMemberId === b.toMemberId

const isOfRound = (entry: Slack, of: RoundOf) =>
  entry.loopId === of.loopId &&
  sameRun(entry, of) &&
  entry.place === of.place &&
  entry.by === of.by &&
  entry.phase === of.phase

/** A play goes with the root of what is over: that adds up and the play does not. */
function linearOf({ by, place }: RoundOf, spanMm: number | undefined): Linear | undefined {
  if (spanMm === undefined || (by !== 'toAndFro' && by !== 'oneWay')) return undefined
  const share = by === 'toAndFro' ? 2 : 1
  return {
    from: (value) => overFromPlay(spanMm, value / share, place),
    slope: (value) => overPerPlay(spanMm, value / share, place) / share,
    back: (over) => share * playFromOver(spanMm, over, place),
  }
}

function overOf({ value, plusMinus }: SlackReading, { by, place }: RoundOf, spanMm: number): SlackOfRound['over'] {
  if (by !== 'toAndFro' && by !== 'oneWay') return undefined
  const eachWayMm = by === 'toAndFro' ? value / 2 : value
  const each = by === 'toAndFro' ? plusMinus / 2 : plusMinus
  return {
    mm: overFromPlay(spanMm, eachWayMm, place),
    plusMinusMm: overPerPlay(spanMm, eachWayMm, place) * each,
  }
}

function bandOf(
  wanted: NonNullable<ReturnType<ReturnType<typeof partsOf>['loop']>>['slackWanted'],
  by: Slack['by'],
): SlackOfRound['band'] {
  if (wanted?.by === by && (wanted.least ?? wanted.most))
    return { least: wanted.least?.value, most: wanted.most?.value, from: 'sheet' }
  if (by !== 'toAndFro' && by !== 'links') return undefined
  const { least, most } = USUAL_SLACK[by]
  return { least, most, from: 'usual' }
}

/** Of figures that were turned round to be read. */
function turned(round: Round<SlackReading>): Round<SlackReading> {
  const { curve } = round
  const back = (one: SlackReading) => ({ ...one, value: -one.value })
  return {
    ...round,
    tightest: back(round.tightest),
    loosest: back(round.loosest),
    couldHide: round.couldHide === undefined ? undefined : -round.couldHide,
    curve: curve && ((turnDeg) => -curve(turnDeg)),
  }
}
