import { cautionsFor } from '@link-count/core/runSheet'
import { fixed, formatLateness, formatMm } from '@link-count/core/units'
import { hourWords } from '../cams'
import { inSentence } from '../inSentence'
import { kitIsWords } from '../kit'
import { toldApartLine } from '../lookAlikes'
import { pictureMarkWords } from '../pictures'
import { cautionWords } from '../steps'
import type { Lines } from '.'
import { phaseWords } from './phase'

const pistonSeen = { top: 'at the top', bottom: 'at the bottom', goingDown: 'going down', goingUp: 'coming up' }

export const jobLines = {
  strike: ({ targetId }, told) => `Struck: ${told.other(targetId) ?? targetId}`,
  tick: ({ cautionId, ticked }, { sheet }) => {
    const caution = cautionsFor(sheet).find(({ id }) => id === cautionId)
    return `${ticked ? 'Ticked' : 'Unticked'}: ${caution ? cautionWords(caution.id, sheet) : cautionId}`
  },
  step: ({ target, outcome, reason }, told) => {
    const words = { done: 'done', skipped: 'passed over', reopened: 'opened again' }[outcome]
    return `${told.stepTitle(target)}: ${words}${reason ? `, ${reason}` : ''}`
  },
  lash: ({ phase, camId, gapMm, noGoMm }, { nameOf }) =>
    `Lash ${phaseWords[phase]}, ${nameOf('cams', camId)}: ${formatMm(gapMm)}${noGoMm === undefined ? '' : ` goes, ${formatMm(noGoMm)} does not`}`,
  shim: ({ phase, camId, sizeMm }, { nameOf }) =>
    `Shim ${phaseWords[phase]}, ${nameOf('cams', camId)}: ${formatMm(sizeMm)}`,
  topLift: ({ phase, camId, liftMm }, { nameOf }) =>
    `Top lift ${phaseWords[phase]}, ${nameOf('cams', camId)}: ${formatMm(liftMm, 2)}`,
  headHeight: ({ bankId, lowerMm }, { lowerName }) =>
    `Head or block${bankId ? ` of ${lowerName('banks', bankId)}` : ''} lower than its book height by ${formatMm(lowerMm, 2)}`,
  chainLength: ({ loopId, measuredMm, overPitches }, { nameOf }) =>
    `${nameOf('loops', loopId)} measured: ${formatMm(measuredMm)} over ${overPitches} pitches`,
  target: ({ shaftId, latenessDeg, reason }, { nameOf }) =>
    `${nameOf('shafts', shaftId)} to be set ${formatLateness(latenessDeg)}: ${reason}`,
  walk: ({ crankDeg, what, cylinderId, saw, piston, valve, lobeHour }, { nameOf }) => {
    const seen = [
      ...(saw ? [saw === 'asExpected' ? 'as it should be' : 'otherwise'] : []),
      ...(piston ? [pistonSeen[piston]] : []),
      ...(valve ? [valve] : []),
      ...(lobeHour === undefined ? [] : [`lobe to ${hourWords(lobeHour)}`]),
    ]
    return `At ${fixed(crankDeg, 0)}°, ${what} of cylinder ${nameOf('cylinders', cylinderId)}: ${seen.join(', ')}`
  },
  deviation: ({ latenessDeg, reason }) => `Left ${formatLateness(latenessDeg)} on purpose: ${reason}`,
  note: ({ text }) => text,
  picture: ({ caption, mediaType }) =>
    `${mediaType === 'audio/wav' ? 'Recording' : 'Picture'}${caption ? `: ${caption}` : ''}`,
  pictureMarks: ({ pictureId, marks, onCard }, { captionOf }) => {
    const drawn = marks.map(pictureMarkWords).join(', ') || 'nothing drawn'
    return `Picture${captionOf(pictureId) && ` of ${inSentence(captionOf(pictureId))}`}: ${drawn}${onCard ? ', on the card' : ''}`
  },
  kit: ({ is, words }) => `Kit: ${inSentence(words)}: ${kitIsWords[is]}`,
  toldApart: (entry) => `Told apart: ${toldApartLine(entry)}`,
  sheet: () => 'Went on with a newer build sheet',
  close: ({ role, reason }) => `Closed, signed: ${role}${reason ? `, ${reason}` : ''}`,
} satisfies Partial<Lines>
