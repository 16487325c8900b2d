import { readScale, showOnScale, type ScaleError } from '@link-count/core/degreeWheel'
import type { JobState } from '@link-count/core/ledger'
import type { MarkVerdict } from '@link-count/core/marks'
import type { BuildSheet, RimMark, WheelScale } from '@link-count/core/model'
import { ok, type Result } from '@link-count/core/result'
import { partsOf } from '@link-count/core/sheet'
import { fixed, formatMm, wrapToSigned180 } from '@link-count/core/units'
import type { Drift, DriftAnswer, Zero, ZeroMethod } from '@link-count/core/zero'

export const methodWords: Record<ZeroMethod, string> = {
  positiveStop: 'stop, both ways',
  dial: 'dial',
  dwell: 'felt dwell',
  factoryMark: 'mark at its pointer',
}

const numberings = { full: '0–360', half: '0–180–0', quarter: '0–90–0–90' }

export const scaleName = (scale: WheelScale) =>
  scale.kind === 'rim'
    ? `${scale.measure === 'wrapped' ? 'Tape' : 'Chords'} on a rim of ${formatMm(scale.circumferenceMm, 1)}, read to ${scale.readToMm} mm`
    : `Degree wheel ${numberings[scale.kind]}, read to ${scale.readToDeg}°`

export const cutForWords: Record<RimMark['cutFor'], string> = {
  tdc: 'TDC',
  spark: 'the spark',
  pose: 'the timing position',
  assembly: 'assembly only',
  casting: 'nothing: a casting line',
  unknown: 'not known',
}

/** "28 before": an angle about a TDC, minus = before. */
export function parseClaim(text: string): Result<number, ScaleError> {
  const read = readScale(text, { kind: 'half', rises: 'running', readToDeg: 1 })
  return read.ok ? ok(wrapToSigned180(read.value)) : read
}

export const aboutTdc = (deg: number, decimals = 1) =>
  Math.abs(deg) < 0.05 ? 'at TDC' : `${fixed(Math.abs(deg), decimals)}° ${deg < 0 ? 'before' : 'after'} TDC`

export function claimWords(
  { claimDeg, cylinderId }: Pick<RimMark, 'claimDeg' | 'cylinderId'>,
  sheet: BuildSheet,
): string {
  const name = partsOf(sheet).cylinder(cylinderId)?.name ?? ''
  return claimDeg ? `${aboutTdc(claimDeg.value)} of ${name}` : ''
}

export function markVerdictWords(verdict: MarkVerdict, sheet: BuildSheet): string {
  switch (verdict.kind) {
    case 'agrees':
      return 'It agrees: within the ± of the reading.'
    case 'displaced':
      return 'Out by more than the ±: the ring may have slipped on its rubber, or the pulley belongs to another engine. Do not set by it.'
    case 'otherCylinder':
      return `It stands where TDC of cylinder ${partsOf(sheet).cylinder(verdict.cylinderId)?.name ?? ''} is.`
    case 'maybeSpark':
      return `It stands ${fixed(verdict.beforeDeg, 1)}° before TDC: it may be cut for the spark. Or the ring has slipped.`
    case 'decoy':
      return 'A decoy: do not set by it, wherever it stands.'
    case 'noClaim':
      return 'What it is cut for is not known, so it proves nothing.'
  }
}

function causeWords(
  { cause, amount, wheelDeg, sigmaDeg }: Drift,
  { degreeWheel }: Pick<JobState, 'degreeWheel'>,
): string {
  const without = `Without it TDC is at ${showOnScale(wheelDeg, degreeWheel, 2)} ± ${fixed(2 * sigmaDeg, 2)}°.`
  switch (cause) {
    case 'pinOffset':
      return `The middles drift with more drop: the wrist pin is offset${amount === undefined ? '' : `, by about ${fixed(Math.abs(amount), 1)} mm`}. Put the offset on the build sheet. ${without}`
    case 'play':
      return `The middles drift with less drop: ${amount === undefined ? 'play' : `${fixed(amount, 2)} mm of play`} in rod or drive, both readings taken turning one way. Take each turning its own way. ${without}`
    case 'knocked':
      return `The middles jump by ${fixed(Math.abs(amount ?? 0), 1)}° from one pair on: the wheel or its pointer was knocked between. Say so, and read it again.`
  }
}

/** Why the dial pairs do not agree, or undefined where they do. */
export function driftWords(answer: DriftAnswer, state: Pick<JobState, 'degreeWheel'>): string | undefined {
  switch (answer.kind) {
    case 'none':
      return undefined
    case 'explained':
      return causeWords(answer.drift, state)
    case 'undecided': {
      const names = { pinOffset: 'an offset wrist pin', play: 'play', knocked: 'a knocked wheel' }
      return `The pairs do not agree; it could be ${answer.drifts.map(({ cause }) => names[cause]).join(' or ')}. One more pair at ${formatMm(answer.takeDropMm, 1)} of drop would tell.`
    }
    case 'unexplained':
      return 'The pairs do not agree, and neither pin offset, play nor a knock explains it: take them again.'
  }
}

export const markShortWords: Record<MarkVerdict['kind'], string> = {
  agrees: 'agrees',
  displaced: 'displaced: not to be set by',
  otherCylinder: 'another cylinder’s',
  maybeSpark: 'perhaps a spark mark',
  decoy: 'a decoy',
  noClaim: 'meaning not known',
}

/** What a zero that is not proved still wants. */
export const lacksWords = ({ lacks, plusMinusDeg }: Pick<Zero, 'lacks' | 'plusMinusDeg'>): string =>
  ({
    nothing: 'proved',
    witness: 'one witness',
    agreement: 'the readings do not agree',
    narrowness: `two witnesses agree, to no better than ± ${fixed(plusMinusDeg, 1)}°`,
  })[lacks]
