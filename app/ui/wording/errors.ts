import { inSentence } from './inSentence'
import type { ScaleError } from '@link-count/core/degreeWheel'
import type { FileError } from '@link-count/core/file'
import type { LoopError, LoopGap } from '@link-count/core/drive'
import type { SliderCrankError } from '@link-count/core/kinematics'
import type { BuildSheet, Loop } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import { fixed, type AngleError, type NumberError } from '@link-count/core/units'
import type { PairError } from '@link-count/core/zero'
import { nounsOf } from './loops'

export function numberWords(error: NumberError | AngleError): string {
  switch (error.code) {
    case 'empty':
      return 'Nothing is written here yet.'
    case 'notANumber':
      return `“${error.text.slice(0, 30)}” is not a number I can read. Write it like 3.4 or 3/16.`
    case 'commaOrThousands':
      return `Is that ${error.part} or ${error.thousands}? Write it without the comma.`
    case 'clockOrDegrees':
      return `Is that ${error.clock} on a clock face, or ${error.deg}°? Write ${error.clock}, or ${error.deg}°.`
    case 'tooLarge':
      return 'That number is too large to be anything on an engine.'
    case 'outOfRange':
      return `It must be from ${error.least} to ${error.most}.`
  }
}

export function scaleWords(error: ScaleError): string {
  switch (error.code) {
    case 'placeMissing':
      return 'That number stands on the wheel more than once: say before or after.'
    case 'chordTooLong':
      return `A chord of ${fixed(error.chordMm, 1)} mm is wider than the rim, which is ${fixed(error.mostMm, 1)} mm across.`
    case 'unitMissing':
      return 'The unit is missing: write mm or in.'
    case 'unitUnknown':
      return `“${error.unit.slice(0, 20)}” is no unit of length here. Write mm or in.`
    default:
      return numberWords(error)
  }
}

export function stopWords(error: PairError): string {
  if (error.code === 'stopsCoincide') {
    return `The contacts are only ${fixed(error.spanDeg, 1)}° apart: nothing to halve. Were both read on the same side? Read one turning each way.`
  }
  return `The contacts are ${fixed(error.spanDeg, 1)}° apart: from these, top and bottom dead centre look alike. Set the stop so that the piston meets it nearer the top.`
}

export function sliderCrankWords(error: SliderCrankError): string {
  switch (error.code) {
    case 'strokeNotPositive':
      return 'The stroke must be greater than zero.'
    case 'rodShorterThanThrow':
      return `A rod of ${fixed(error.rodMm, 1)} mm is no longer than the throw of ${fixed(error.throwMm, 1)} mm: it could not turn.`
    case 'offsetCannotAssemble':
      return `With this rod and stroke the pin can be offset by less than ${fixed(error.mostMm, 1)} mm.`
  }
}

const memberName = (sheet: BuildSheet, id: string) => partsOf(sheet).member(id)?.name ?? id

/** Why a loop cannot be drawn. */
export function loopWords(error: LoopError, loop: Pick<Loop, 'kind'>, sheet: BuildSheet): string {
  const noun = nounsOf(loop)
  switch (error.code) {
    case 'noSprockets':
      return `The ${noun.loop} has fewer than two ${noun.wheels}.`
    case 'teethMissing':
      return `Count the teeth of: ${error.memberIds.map((id) => inSentence(memberName(sheet, id))).join(', ')}. The drive cannot be drawn without them.`
    case 'tooFewMembers':
      return `The ${noun.loop} has fewer than two ${noun.wheels}.`
    case 'membersTooClose':
      return `${memberName(sheet, error.memberIds[0])} and ${inSentence(memberName(sheet, error.memberIds[1]))} stand too close: they overlap by ${fixed(error.shortMm, 1)} mm. Check the distance, the pitch and the teeth.`
    case 'notTouched':
      return `The ${noun.loop} would not touch the ${inSentence(memberName(sheet, error.memberId))} where it stands. Check its place and its radius.`
    case 'loopTooShort':
      return `The ${noun.loop} is ${fixed(error.shortPitches, 2)} ${noun.pitches} too short: this layout needs ${fixed(error.needsPitches, 2)}. Check distance, teeth and the number of ${noun.links}.`
    case 'loopTooLong':
      return `The ${noun.loop} is ${fixed(error.overPitches, 2)} ${noun.pitches} longer than this layout can take up. Check distance, teeth and the number of ${noun.links}.`
  }
}

/** What it costs that something of a loop is not known. */
export const gapWords = (gap: LoopGap, loop: Pick<Loop, 'kind'>): string =>
  gap === 'pitches'
    ? `Number of ${nounsOf(loop).links} not known: the next even number that fits is drawn.`
    : gapCosts[gap]

const gapCosts: Record<Exclude<LoopGap, 'pitches'>, string> = {
  running: 'Running direction not known: drawn clockwise, and turns are told as “the way it runs”.',
  pitch: 'Pitch not known: the drive is drawn from its counts only, not to scale.',
  distance:
    'Distance between the shafts not known: drawn so that the counts close, not to scale. The expected count must come from a book.',
  guide: 'Guide not measured: it is left out of the drawing and of the expected count.',
  tensionerRadius: 'Tensioner shoe not measured: the slack is drawn as a bow.',
}

export function fileWords(error: FileError): string {
  switch (error.code) {
    case 'tooBig':
      return `The file has ${fixed(error.bytes / 1e6, 0)} MB of records; more than ${error.most / 1e6} MB cannot be right. Nothing was changed.`
    case 'notJson':
      return `The file is broken or cut short (${error.detail.slice(0, 120)}). Nothing was changed.`
    case 'foreign':
      return 'This is not a Link Count file. Nothing was changed.'
    case 'newer':
      return `The file was written by a newer Link Count (version ${error.version}; this one knows ${error.known}). Nothing was changed.`
    case 'forbiddenKey':
      return `The file has something in it that has no business there, at ${error.where}. Nothing was changed.`
    case 'tooDeep':
      return `The file is folded too deep at ${error.where.slice(0, 80)}. Nothing was changed.`
    case 'invalid':
      return `The file is wrong at ${error.where || 'its top'}: ${error.detail.replace(', received undefined', ', and there is none').slice(0, 160)}. Nothing was changed.`
    case 'danglingId':
      return `The file is incomplete: ${error.where} points at “${error.id}”, which is not in it. Nothing was changed.`
    case 'twice':
      return `The file holds “${error.id}” twice among its ${error.where}. Nothing was changed.`
    case 'damaged':
      return error.where === 'file'
        ? 'The file is damaged: its head or the number of its records is not what was written. Nothing was changed.'
        : `The file is damaged: the record “${error.id}” at ${error.where} is not what was written. Nothing was changed.`
    case 'belongsElsewhere':
      return `The file has “${error.id}” among its ${error.where} under another engine or job than this workshop has it. Nothing was changed.`
    case 'otherSheet':
      return `The file has the build sheet “${error.id}”, which work here goes by, with other figures. Nothing was changed.`
    case 'noRoom':
      return `The file counts too high at ${error.where}: nothing more could be written after it. Nothing was changed.`
    case 'badPicture':
      return `The picture “${error.id}” in the file is no JPEG, PNG or WebP that can be shown. Nothing was changed.`
  }
}
