import type { BuildSheet, EntryOf } from '@link-count/core/model'
import { walkLooks } from '@link-count/core/runSheet'
import { partsOf } from '@link-count/core/sheet'
import { fixed, formatMm } from '@link-count/core/units'

type Saw = EntryOf<'turnLook'>['saw']

/** "1st turn". */
export const turnName = (n: number) => `${n}${n === 1 ? 'st' : n === 2 ? 'nd' : n === 3 ? 'rd' : 'th'} turn`

const hardWords = { light: 'light', firm: 'firm', stop: 'it stopped' } as const

/** What was seen or felt at a full turn. */
export function turnLookWords(saw: Saw, sheet: BuildSheet): string {
  switch (saw.what) {
    case 'marks':
      return saw.is === 'meet' ? 'marks meet' : 'marks do not meet'
    case 'walk':
      return Math.abs(saw.mm) < 0.05
        ? 'belt stays in its track'
        : `belt walks ${formatMm(Math.abs(saw.mm), 1)} ${saw.mm > 0 ? 'outward' : 'inward'}`
    case 'locks':
      return saw.is === 'goIn' ? 'locks go in again' : 'locks do not go in'
    case 'resistance':
      return `resistance, ${hardWords[saw.how]}${saw.crankDeg === undefined ? '' : ` at ${fixed(saw.crankDeg, 0)}°${liesWords(sheet, saw.crankDeg)}`}`
  }
}

/** What lies there: pistons at the top and valves that are open, as far as the sheet knows. */
function liesWords(sheet: BuildSheet, crankDeg: number): string {
  const { cylinder, cam } = partsOf(sheet)
  const there = walkLooks(sheet, crankDeg).flatMap((look) => {
    if (look.what === 'piston' && look.piston === 'top') return [`piston ${cylinder(look.cylinderId)?.name} at the top`]
    return 'camId' in look && look.valve !== 'shut' ? [`${cam(look.camId)?.name} open`] : []
  })
  return there.length > 0 ? `: ${there.join(', ')}` : ''
}
