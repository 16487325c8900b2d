import { inSentence } from './inSentence'
import { markSeat, readDrive, type Section } from '@link-count/core/drive'
import type { BuildSheet, Loop, Mark } from '@link-count/core/model'
import type { Side } from '@link-count/core/units'

/** Where a count begins or ends: at a mark, or at the gap or tooth that stands so many on from it, + = along the loop's travel. */
export function endWords(
  sheet: BuildSheet,
  loop: Loop,
  { mark, teeth, side }: { readonly mark: Mark; readonly teeth: number; readonly side: Side },
): string {
  const name = inSentence(mark.name)
  if (teeth === 0) return `the ${name}`
  const passed = loop.path.find(({ memberId }) => memberId === mark.memberId)?.passed
  const turns = readDrive(sheet).travelOf(loop) * (passed === 'outside' ? -1 : 1) * Math.sign(teeth)
  const seen = side === 'timing' ? turns : -turns
  const what = markSeat(mark) === 'gap' ? 'gap' : 'tooth'
  return `the ${ordinal(Math.abs(teeth))} ${what} ${seen > 0 ? 'anticlockwise' : 'clockwise'} from the ${name}`
}

/** The same for an end of a section that is counted. */
export const sectionEndWords = (sheet: BuildSheet, loop: Loop, section: Section, end: 'from' | 'to', side: Side) =>
  endWords(sheet, loop, { mark: section[end], teeth: section.expected?.[`${end}Teeth`] ?? 0, side })

function ordinal(n: number): string {
  const tens = n % 100
  const end = tens > 10 && tens < 14 ? 'th' : ({ 1: 'st', 2: 'nd', 3: 'rd' }[n % 10] ?? 'th')
  return `${n}${end}`
}
