import type { BuildSheet } from '@link-count/core/model'
import type { ImpossibleSpacing, WalkVerdict } from '@link-count/core/runSheet'
import { partsOf } from '@link-count/core/sheet'
import { fixed } from '@link-count/core/units'
import { inSentence } from './inSentence'

/** What a walk round the cycle means. */
export function walkMeaningWords({ meaning, looked, of, targetId }: WalkVerdict, sheet: BuildSheet): string {
  const parts = partsOf(sheet)
  const name =
    inSentence(parts.shaft(targetId)?.name) ??
    inSentence(sheet.banks.find(({ id }) => id === targetId)?.name) ??
    parts.cylinder(targetId)?.name ??
    parts.cam(targetId)?.name ??
    ''
  switch (meaning) {
    case 'nothingYet':
      return 'Nothing looked at yet.'
    case 'allRight':
      return looked === of
        ? 'All round the cycle it is as it should be.'
        : `As it should be so far: ${looked} of ${of}.`
    case 'misread':
      return `The lobe of ${name} was misread at one of the two stops: look at it again.`
    case 'halfTurn':
      return 'The pistons are right and the valves are not: the cams are half a turn out, or the wrong half of the cycle was assumed. Air past a thumb on the plug hole tells which.'
    case 'oneValve':
      return `Only the valve ${name} is wrong, and the others on its camshaft are right: look at its lobe, its rocker and its gap.`
    case 'oneCamshaft':
      return `Only what the ${name} works is wrong: that camshaft is off by itself.`
    case 'oneBank':
      return `The other bank is right and the ${name} is not: its cams are half a turn out, or set to another cylinder’s event.`
    case 'oneCylinder':
      return `Only cylinder ${name} is wrong: is it the cylinder that the sheet means, and the firing order right?`
    case 'mark':
      return 'Pistons and valves are right and the marks are not: they are not what they seem.'
    case 'pistons':
      return 'The pistons are not where they should be: check the zero, or which cylinder is which, or the crankpins on the sheet.'
    case 'mixed':
      return 'Pistons and valves differ: first the zero and which cylinder is which, then look again.'
  }
}

/** Two looks at a lobe that cannot both be right. */
export const walkSpacingWords = (
  { camId, fromDeg, toDeg, sawHours, goesHours }: ImpossibleSpacing,
  sheet: BuildSheet,
): string =>
  `${partsOf(sheet).cam(camId)?.name ?? 'A lobe'}: from ${fixed(fromDeg, 0)}° to ${fixed(toDeg, 0)}° its lobe goes ${hours(goesHours)}, and was seen to go ${hours(sawHours)}. Both cannot be.`

const hours = (n: number) => `${fixed(Math.abs(n), 1)} hours ${n < 0 ? 'back' : 'on'}`
