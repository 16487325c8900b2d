import { fixed, handOfTurn, type Hand, type Side } from '@link-count/core/units'
import type { CrankPlace } from '@link-count/core/ledger'
import type { BuildSheet } from '@link-count/core/model'

/** "47.0° clockwise" as seen by somebody at a side; without a known running direction: "the running way". */
export function turnWords(deg: number, sheet: Pick<BuildSheet, 'running'>, side: Side): string {
  return `${fixed(Math.abs(deg), 1)}° ${handWords(deg, sheet, side)}`
}

export function handWords(sign: number, sheet: Pick<BuildSheet, 'running'>, side: Side): string {
  const running = sheet.running?.value
  if (!running) return sign >= 0 ? 'the way it runs' : 'against the way it runs'
  return handOfTurn({ sign, running, side })
}

export const sideName = (sheet: Pick<BuildSheet, 'sides'>, side: Side) => sheet.sides[side]

export const runningHand = (sheet: Pick<BuildSheet, 'running'>): Hand | undefined => sheet.running?.value

/** On the mark again, and half a cycle off: it looks right and is not. */
export const missedTurnWords: Record<NonNullable<CrankPlace['missed']>, string> = {
  oneTurnTooMany: 'One turn too many: the mark is back and looks right.',
  oneTurnShort: 'One turn short: the mark looks right already.',
  shortWayBack: 'The short way backwards: the mark looks right, and the cycle is a turn out.',
}
