import type { KitLine, KitTool } from '@link-count/core/kit'
import { lockedByWords, threadWithWords, torqueWords } from './bolts'
import { inSentence } from './inSentence'
import { upperFirst } from './upperFirst'

const tools: Readonly<Record<KitTool, string>> = {
  degreeWheel: 'Degree wheel and a pointer that stays put',
  stopOrDial: 'Piston stop, or a dial with its holder',
  feelers: 'Feeler gauges',
  turningTool: 'Bar or spanner that turns the crank',
  paint: 'Paint or a paint pen',
  ties: 'Cable ties',
  rule: 'Steel rule or calliper',
  lamp: 'Lamp and a magnifier',
  tensionerPin: 'Pin that holds the tensioner back',
  pumpDial: 'Dial that goes into the pump',
  catchTray: 'Tray under what drips',
  timingLamp: 'Lamp or meter for the breaker',
  pressureGauge: 'Compression or leak-down gauge',
  rags: 'Rags and towels, counted',
  oilCan: 'Oil can for lobes, pivots and pockets',
}

/** One thing that a job wants at hand. `nameOf`: a part of the build sheet by its id. */
export function kitWords(line: KitLine, nameOf: (id: string) => string | undefined): string {
  switch (line.is) {
    case 'tool':
      return tools[line.tool]
    case 'socket':
      return `Socket or spanner ${line.size}, for ${line.thread}: usual hexagon`
    case 'torqueWrench':
      return line.leastNm === line.mostNm
        ? `Torque wrench for ${torqueWords(line.mostNm, 'N·m')}`
        : `Torque wrench, or two, from ${torqueWords(line.leastNm, 'N·m')} to ${torqueWords(line.mostNm, 'N·m')}`
    case 'angleGauge':
      return 'Angle gauge, or a paint pen'
    case 'newBolts':
      return `${line.n} new: ${inSentence(line.of.name)}${line.of.thread ? `, ${line.of.thread}` : ''}${line.of.stretch ? ', stretch bolts' : ''}`
    case 'newLocks':
      return `${line.n} new ${lockedByWords[line.of.lockedBy ?? 'plain']}: ${inSentence(line.of.name)}`
    case 'onThread':
      return upperFirst(`${threadWithWords[line.what]}${line.grade ? `, ${line.grade}` : ''}, for threads`)
    case 'renew': {
      const { partId, name, with: others } = line.finding
      return `New: ${[inSentence(name ?? nameOf(partId) ?? partId), ...(others ?? [])].join(', ')}`
    }
    case 'own':
      return line.words
  }
}

export const kitIsWords = { here: 'here', owed: 'to be got', notWanted: 'not wanted' } as const
