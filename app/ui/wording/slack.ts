import type { EntryOf } from '@link-count/core/model'
import type { SlackJudged } from '@link-count/core/tension'
import { fixed, formatInches, formatMm } from '@link-count/core/units'
import { inSentence } from './inSentence'

type Slack = EntryOf<'slack'>

/** Ways in which slack is judged, as they are offered. */
export const slackWayWords: Readonly<Record<Slack['by'], { readonly name: string; readonly asks: string }>> = {
  toAndFro: { name: 'to and fro, in mm', asks: 'Moves to and fro, in all' },
  oneWay: { name: 'one way, in mm', asks: 'Gives one way, from where it lies' },
  links: { name: 'in links', asks: 'Moves to and fro, in links' },
  lift: { name: 'what lifts off the wheel', asks: 'Lifts off the wheel' },
  twist: { name: 'a twist between finger and thumb', asks: 'Twists, in degrees' },
  feel: { name: 'by feel', asks: 'It feels' },
  pitch: { name: 'by ear, in hertz', asks: 'It sounds at, Hz' },
}

export const feltWords: Readonly<Record<NonNullable<Slack['felt']>, string>> = {
  slack: 'slack',
  movable: 'quiet, and can be moved',
  tightMovable: 'tight, can still be moved',
  tooTight: 'too tight to be moved',
}

export const readWithWords: Readonly<Record<Slack['with'], string>> = {
  hand: 'by hand',
  finger: 'with a finger',
  screwdriver: 'with a screwdriver',
  rule: 'with a rule',
  dial: 'with a dial',
  ear: 'by ear',
}

export const placeAlongWords: Readonly<Record<Slack['place'], string>> = {
  middle: 'in the middle',
  third: 'at a third',
  besideWheel: 'beside a wheel',
}

export const springWords: Readonly<Record<EntryOf<'spring'>['what'], string>> = {
  free: 'free',
  set: 'as set',
  afterNut: 'after the upper nut',
}

export const springLooks: Readonly<Record<NonNullable<EntryOf<'spring'>['look']>, string>> = {
  sound: 'sound',
  pitted: 'pitted',
  worn: 'worn',
  coilBound: 'coil-bound',
}

/** "exhaust sprocket to inlet sprocket". */
export const runWords = (
  { fromMemberId, toMemberId }: { readonly fromMemberId: string; readonly toMemberId: string },
  nameOf: (memberId: string) => string,
) => `${inSentence(nameOf(fromMemberId))} to ${inSentence(nameOf(toMemberId))}`

/** A part of a turn as it is said: "three quarters of a turn". */
export function partOfTurn(deg: number): string {
  const said: Readonly<Record<number, string>> = {
    90: 'a quarter of a turn',
    120: 'a third of a turn',
    180: 'half a turn',
    240: 'two thirds of a turn',
    270: 'three quarters of a turn',
    360: 'one full turn',
  }
  return said[Math.abs(deg)] ?? `${fixed(Math.abs(deg), 0)}°`
}

const QUARTERS = ['', ' 1/4', ' 1/2', ' 3/4']

/** Crank degrees as turns: "1 1/2 turns on". */
export function turnsOn(turnDeg: number): string {
  if (turnDeg === 0) return 'at the first place'
  const quarters = Math.abs(turnDeg) / 90
  const whole = Math.floor(quarters / 4 + 1e-9)
  const rest = quarters - 4 * whole
  const third = Math.abs(turnDeg) / 120
  const sign = turnDeg < 0 ? '−' : ''
  if (Math.abs(rest - Math.round(rest)) < 1e-6)
    return `${sign}${`${whole === 0 ? '' : whole}${QUARTERS[Math.round(rest) % 4] ?? ''}`.trim()} ${whole === 1 && rest === 0 ? 'turn' : whole === 0 ? 'turn' : 'turns'} on`
  if (Math.abs(third - Math.round(third)) < 1e-6)
    return `${sign}${`${whole === 0 ? '' : whole} ${Math.round(third) % 3}/3`.trim()} ${whole === 0 ? 'turn' : 'turns'} on`
  return `${fixed(turnDeg, 0)}° on`
}

/** The figure of a reading of slack, in the way it was read. */
export function slackFigureWords({ by, mm, links, twistDeg, hz, felt }: Slack): string {
  switch (by) {
    case 'links':
      return `${fixed(links ?? 0, 2)} of a link`
    case 'twist':
      return `${fixed(twistDeg ?? 0, 0)}° of twist`
    case 'feel':
      return felt === undefined ? 'felt' : feltWords[felt]
    case 'pitch':
      return `${fixed(hz ?? 0, 1)} Hz`
    case 'lift':
      return `${formatMm(mm ?? 0, 1)} off the wheel`
    case 'oneWay':
      return `${formatMm(mm ?? 0, 1)} one way`
    case 'toAndFro':
      return `${formatMm(mm ?? 0, 1)} to and fro`
  }
}

/** A figure of slack in the unit of its way, both units where it is a length. */
export const slackValueWords = (by: Slack['by'], value: number): string =>
  slackShortWords(by, value) + (by in OTHER_UNITS ? '' : ` (${formatInches(value)})`)

/** The same in one unit, short enough to be large. */
export function slackShortWords(by: Slack['by'], value: number): string {
  if (by === 'links') return `${fixed(value, 2)} ${value === 1 ? 'link' : 'links'}`
  if (by === 'twist') return `${fixed(value, 0)}°`
  if (by === 'pitch') return `${fixed(value, 1)} Hz`
  return formatMm(value, 1)
}

const OTHER_UNITS = { links: true, twist: true, pitch: true }

const JUDGED = { tooTight: 'too tight', in: 'as wanted', tooSlack: 'too slack' } as const

/** What a figure against its limits says. */
export function slackJudgedWords({ is, sure }: SlackJudged): string {
  if (sure === 'cannotTell') return 'the ± is wider than that: read it finer'
  if (sure === 'onLimit')
    return is === 'in' ? 'as wanted, on the limit: read it again' : `${JUDGED[is]}, on the limit: read it again`
  return JUDGED[is]
}

/** Why a pluck is not counted in. */
export const leftOutWords = {
  tooShort: 'too short',
  noise: 'lost in noise',
  octave: 'an octave off',
  apart: 'apart from the others',
} as const

/** Why nothing can be listened to. */
export const earNoWords = {
  notSecure:
    'This page is not secure, so the browser lends it no microphone. A WAV file or a typed figure serves as well.',
  noMicrophone: 'No microphone here. Record it with a phone and open the WAV file, or type the figure.',
  refused:
    'The browser was told not to lend the microphone. Allow it in the browser’s settings, or open a WAV file, or type the figure.',
  broken: 'The microphone does not answer. A WAV file or a typed figure serves as well.',
  notHeard: 'That sound could not be worked out. Try again, or type the figure.',
  notWav: 'That is no WAV file that can be read. Save the recording as WAV and open it again.',
  empty: 'That recording is empty.',
  tooLong: 'That recording is over a minute long. Cut out the plucks and open it again.',
} as const
