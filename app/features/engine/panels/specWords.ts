import type { SpecKey } from '@link-count/core/cams'
import { fixed } from '@link-count/core/units'

/** What the figures of a cam are called. */
export const specWords: Record<SpecKey, { readonly name: string; readonly unit: string; readonly decimals: number }> = {
  opens: { name: 'opens', unit: '°', decimals: 1 },
  closes: { name: 'closes', unit: '°', decimals: 1 },
  duration: { name: 'open for', unit: '°', decimals: 1 },
  centre: { name: 'lobe centre', unit: '°', decimals: 1 },
  topLift: { name: 'top lift', unit: ' mm', decimals: 2 },
  tdcLift: { name: 'lift at overlap TDC', unit: ' mm', decimals: 2 },
}

/** One of them as it is said. */
export const specFigureWords = (key: SpecKey, value: number) =>
  `${fixed(value, specWords[key].decimals)}${specWords[key].unit}`
