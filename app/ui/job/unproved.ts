import { cylindersRead, followerOfJob, followerOwes, tradeOf, whichTurn } from '@link-count/core/followers'
import { allOf, lastIn, readLoop, turnedTightDeg } from '@link-count/core/ledger'
import type { Loop, StepKind } from '@link-count/core/model'
import { judgeWalk, provesOf } from '@link-count/core/runSheet'
import { partsOf } from '@link-count/core/sheet'
import { lastRound, slackOfRound } from '@link-count/core/tension'
import type { JobView } from '../../domain/views'
import {
  followerOwesWords,
  inSentence,
  lacksWords,
  slackJudgedWords,
  tensionerStateWords,
  turnLookWords,
  turnName,
  walkMeaningWords,
} from '../wording'

type Told = Pick<JobView, 'state' | 'sheet' | 'job' | 'steps' | 'schools' | 'leftOut'>

/** What the card has to say is not proved, in plain words; empty when all is. What a job did not come for is not held against it; what was read in it all the same is. */
export function unprovedOf(view: Told): string[] {
  return [
    ...zeroWords(view),
    ...camshaftWords(view),
    ...driveWords(view),
    ...turnWords(view),
    ...lashWords(view),
    ...followerWords(view),
  ]
}

/** Whether a job came for the timing: then what it proves of it is claimed, and of no other. */
export const cameForTiming = (view: Pick<Told, 'job' | 'steps' | 'leftOut'>): boolean =>
  wants(view, 'twoTurns') && provesOf(view.job) === 'timing'

/** Whether a job came for a kind of step, left out since or not. */
export const wants = ({ steps, leftOut }: Pick<Told, 'steps' | 'leftOut'>, kind: StepKind) =>
  [...steps, ...leftOut].some(({ step }) => step.kind === kind)

function zeroWords(view: Told): string[] {
  const { state, sheet } = view
  const words: string[] = []
  if (state.zeros.life === 'inDoubt') words.push('The zero is in doubt: the wheel was disturbed and not read again')
  else if (!state.zero) {
    if (wants(view, 'trueTdc'))
      words.push(
        state.live.some((entry) => entry.kind === 'stands' && entry.place === 'mark')
          ? 'True TDC was not proved: the crank was read by its mark'
          : 'True TDC was not found',
      )
  } else if (!state.zero.proved) words.push(`True TDC: ${lacksWords(state.zero)}`)
  if (state.zeros.life === 'slipped')
    words.push('The wheel had slipped, and what was read before that was noticed stands unsettled')
  if (state.zeros.retake.size > 0) words.push('Readings put down to be taken again are still in the ledger')
  const fourStroke = sheet.cycleDeg === 720
  if (fourStroke && state.half.known === 'unknown' && state.crank.deg === undefined && wants(view, 'whichTdc'))
    words.push('Firing or overlap was not established')
  if (fourStroke && state.half.known === 'read') words.push('Firing or overlap: one witness')
  if (state.half.known === 'conflict') words.push('Firing or overlap: the witnesses contradict each other')
  return words
}

/** Camshafts as they are left; of a job that only looked, as they were found. */
function camshaftWords(view: Told): string[] {
  const { state, sheet } = view
  const camshafts = sheet.shafts.filter(({ kind }) => kind === 'cam')
  const isLeft = cameForTiming(view)
  return camshafts.flatMap(({ id, name }) => {
    const timing = state.timing[id]?.[isLeft ? 'left' : 'found']
    if (!timing) {
      if (isLeft) return [`${name}: not read again after everything was tight`]
      return wants(view, 'asFound') ? [`${name}: not read as found`] : []
    }
    if (timing.misfits.length > 0) return [`${name}: the readings do not agree`]
    return timing.proved ? [] : [`${name}: one witness`]
  })
}

function driveWords(view: Told): string[] {
  const { state, sheet, schools } = view
  const proofDeg = schools.turns * 360
  const times = `${schools.turns === 2 ? 'two' : schools.turns} full turns`
  const isProved = wants(view, 'twoTurns')
  return [
    ...sheet.loops.flatMap((loop) => [
      ...countedOut(loop, { state, sheet }),
      ...(isProved && turnedTightDeg(state, [loop.id]) < proofDeg
        ? [`${loop.name}: not turned ${times} with everything tight`]
        : []),
    ]),
    ...(sheet.loops.length === 0 && isProved && turnedTightDeg(state, []) < proofDeg
      ? [`Not turned ${times} with everything tight`]
      : []),
    ...partsOf(sheet).tensioners.flatMap(({ id, name }) => {
      const is = state.tensioners[id]
      if (is === 'asArrived' || is === 'proven') return []
      const left = is && UNFINISHED.find((one) => one === is)
      return [left ? `${name}: ${tensionerStateWords[left]}` : `${name}: not felt to push after release`]
    }),
    ...slackWords(view),
  ]
}

/** A tensioner that stands so is not done. */
const UNFINISHED = ['extended', 'heldBack', 'fitted', 'loose', 'set', 'springOnly', 'levered'] as const

/** Slack as it is left, where it is not as wanted or was read with something missing. */
function slackWords({ state, sheet }: Told): string[] {
  const entries = allOf(state, 'slack')
  return sheet.loops.flatMap(({ id, name }) => {
    const of = lastRound(entries, id, 'left') ?? lastRound(entries, id, 'set')
    if (!of) return []
    const { judged, supportMissing } = slackOfRound(sheet, entries, of)
    return [
      ...(judged && (judged.is !== 'in' || judged.sure === 'cannotTell')
        ? [`${name}: ${slackJudgedWords(judged)}`]
        : []),
      ...(supportMissing ? [`${name}: its slack was read with something that belongs on missing`] : []),
    ]
  })
}

/** What was seen at the turns that prove, and on the walk, that is not as it should be. */
function turnWords({ state, sheet }: Told): string[] {
  const walks = allOf(state, 'walk')
  const walk = judgeWalk(sheet, walks, walks[0]?.crankDeg)
  return [
    ...allOf(state, 'turnLook').flatMap(({ turn, saw }) => {
      if (saw.what === 'marks' && saw.is === 'off') return [`${turnName(turn)}: the marks did not meet again`]
      if (saw.what === 'locks' && saw.is === 'doNot') return [`${turnName(turn)}: locks did not go in again`]
      if (saw.what === 'resistance' && saw.how !== 'light') return [`${turnName(turn)}: ${turnLookWords(saw, sheet)}`]
      return []
    }),
    ...(['nothingYet', 'allRight'].includes(walk.meaning)
      ? []
      : [`Walk round the cycle: ${lowerFirst(walkMeaningWords(walk, sheet))}`]),
  ]
}

function lashWords(view: Told): string[] {
  const { state, sheet, steps } = view
  const passed = steps.some(({ step, status }) => step.kind === 'lashLeft' && status.outcome !== 'open')
  const taken = sheet.cams.filter(({ id }) => lastIn(state, 'lash', 'left', id)).length
  const all = sheet.cams.length
  // What was taken was written down, whether somebody pressed on or not; a step passed over says so itself.
  if (all === 0 || taken === all || passed || !wants(view, 'lashLeft')) return []
  return [taken === 0 ? 'Lash as left was not taken' : `Lash as left: ${taken} of ${all} taken`]
}

/** Wheels of a loop that the counts leave teeth out. */
function countedOut(loop: Loop, { state, sheet }: Pick<JobView, 'state' | 'sheet'>): string[] {
  const counts = state.counts.filter(({ phase }) => phase !== 'found')
  const { lateness } = readLoop(sheet, loop, counts, undefined, state.seats)
  return lateness.flatMap(({ memberId, teethLate }) => {
    const n = Math.abs(teethLate)
    const where = `${n} ${n === 1 ? 'tooth' : 'teeth'} ${teethLate > 0 ? 'late' : 'early'}`
    return n === 0 ? [] : [`${loop.name}: counted ${where} on the ${inSentence(partsOf(sheet).member(memberId)?.name)}`]
  })
}

const lowerFirst = (text: string) => text.charAt(0).toLowerCase() + text.slice(1)

/** What follows the cams and has still to be read again, tightened or brought into its band; which turn it was read on, where that matters and was not witnessed. */
function followerWords(view: Told): string[] {
  const { sheet, state } = view
  return (sheet.followers ?? []).flatMap((follower) => {
    const each = cylindersRead(follower).flatMap((cylinderId) => {
      const owes = followerOwes(sheet, state, follower, cylinderId)
      const of = cylinderId ? `, cylinder ${partsOf(sheet).cylinder(cylinderId)?.name ?? cylinderId}` : ''
      return owes ? [`${follower.name}${of}: ${followerOwesWords[owes]}`] : []
    })
    const read = followerOfJob(sheet, state, follower).readings.length > 0
    const set: StepKind = tradeOf(follower) === 'fuel' ? 'pumpSet' : 'sparkSet'
    const notRead = !read && each.length === 0 && wants(view, set) ? [`${follower.name}: not read`] : []
    const turn = whichTurn(sheet, state, follower)
    const open =
      read && (turn === 'open' || turn === 'conflict') ? [`${follower.name}: which of the two TDCs is open`] : []
    return [...each, ...notRead, ...open]
  })
}
