import { allOf, lastIn, readLoop, turnedTightDeg } from '@link-count/core/ledger'
import type { Loop } from '@link-count/core/model'
import { judgeWalk } from '@link-count/core/runSheet'
import { partsOf } from '@link-count/core/sheet'
import type { JobView } from '../../domain/views'
import { inSentence, lacksWords, turnLookWords, turnName, walkMeaningWords } from '../wording'

/** What the card has to say is not proved, in plain words; empty when all is. */
export function unprovedOf({
  state,
  sheet,
  steps,
  schools,
}: Pick<JobView, 'state' | 'sheet' | 'steps' | 'schools'>): string[] {
  const words: string[] = []
  const proofDeg = schools.turns * 360
  const times = `${schools.turns === 2 ? 'two' : schools.turns} full turns`
  if (state.zeros.life === 'inDoubt') words.push('The zero is in doubt: the wheel was disturbed and not read again')
  else if (!state.zero)
    words.push(
      state.live.some((entry) => entry.kind === 'stands' && entry.place === 'mark')
        ? 'True TDC was not proved: the crank was read by its mark'
        : 'True TDC was not found',
    )
  else if (!state.zero.proved) words.push(`True TDC: ${lacksWords(state.zero)}`)
  if (state.zeros.life === 'slipped')
    words.push('The wheel had slipped, and what was read before that was noticed stands unsettled')
  if (state.zeros.retake.size > 0) words.push('Readings put down to be taken again are still in the ledger')
  const fourStroke = sheet.cycleDeg === 720
  if (fourStroke && state.half.known === 'unknown' && state.crank.deg === undefined)
    words.push('Firing or overlap was not established')
  if (fourStroke && state.half.known === 'read') words.push('Firing or overlap: one witness')
  if (state.half.known === 'conflict') words.push('Firing or overlap: the witnesses contradict each other')
  for (const shaft of sheet.shafts.filter(({ kind }) => kind === 'cam')) {
    const left = state.timing[shaft.id]?.left
    if (!left) words.push(`${shaft.name}: not read again after everything was tight`)
    else if (left.misfits.length > 0) words.push(`${shaft.name}: the readings do not agree`)
    else if (!left.proved) words.push(`${shaft.name}: one witness`)
  }
  for (const loop of sheet.loops) {
    words.push(...countedOut(loop, { state, sheet }))
    if (turnedTightDeg(state, [loop.id]) < proofDeg)
      words.push(`${loop.name}: not turned ${times} with everything tight`)
  }
  if (
    sheet.loops.length === 0 &&
    steps.some(({ step }) => step.kind === 'twoTurns') &&
    turnedTightDeg(state, []) < proofDeg
  )
    words.push(`Not turned ${times} with everything tight`)
  for (const member of partsOf(sheet).tensioners) {
    if (state.tensioners[member.id] === 'asArrived') continue
    if (state.tensioners[member.id] !== 'proven') words.push(`${member.name}: not felt to push after release`)
  }
  const looks = allOf(state, 'turnLook')
  for (const { turn, saw } of looks) {
    if (saw.what === 'marks' && saw.is === 'off') words.push(`${turnName(turn)}: the marks did not meet again`)
    if (saw.what === 'locks' && saw.is === 'doNot') words.push(`${turnName(turn)}: locks did not go in again`)
    if (saw.what === 'resistance' && saw.how !== 'light') words.push(`${turnName(turn)}: ${turnLookWords(saw, sheet)}`)
  }
  const walk = judgeWalk(sheet, allOf(state, 'walk'))
  if (!['nothingYet', 'allRight'].includes(walk.meaning))
    words.push(`Walk round the cycle: ${lowerFirst(walkMeaningWords(walk, sheet))}`)
  const passed = steps.some(({ step, status }) => step.kind === 'lashLeft' && status.outcome !== 'open')
  const taken = sheet.cams.filter(({ id }) => lastIn(state, 'lash', 'left', id)).length
  const all = sheet.cams.length
  // What was taken was written down, whether somebody pressed on or not; a step passed over says so itself.
  if (all > 0 && taken < all && !passed)
    words.push(taken === 0 ? 'Lash as left was not taken' : `Lash as left: ${taken} of ${all} taken`)
  return words
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
