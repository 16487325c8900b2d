import { loopKinds, type LinkMapPlace } from '../drive'
import type { Loop } from '../model/buildSheet'
import { line, words, type PaperDrawing, type PaperPart } from './drawing'

const PITCH_ON_PAPER_MM = 5

/** A loop unrolled, five millimetres to the pitch, numbered from the driver's mark: where to put paint on a blank chain or belt. Marks on a
 *  whole link are drawn at it, others where they come. A belt has a tooth at each pitch, a chain a pin. */
export function linkMapDrawing(places: readonly LinkMapPlace[], pitches: number, kind: Loop['kind']): PaperDrawing {
  const x = (at: number) => at * PITCH_ON_PAPER_MM
  const [top, middle] = [22, 26]
  const parts: PaperPart[] = []
  for (let k = 0; k <= pitches; k++) {
    if (loopKinds[kind].made === 'band') {
      parts.push(line(x(k), middle, x(k), middle + 2, 2))
      if (k < pitches) parts.push(line(x(k), middle, x(k + 1), middle, 1))
    } else {
      parts.push({ kind: 'circle', x: x(k), y: middle, r: 0.9, weightMm: 0.25 })
      if (k < pitches) parts.push(line(x(k) + 0.9, middle, x(k + 1) - 0.9, middle, k % 2 === 0 ? 1.1 : 0.6))
    }
    if (k % 5 === 0) parts.push(words(x(k), middle + 6, String(k), { sizeMm: 3 }))
  }
  places.forEach(({ name, atPitches }, i) => {
    const height = 5 + (i % 3) * 5
    parts.push(line(x(atPitches), height + 1.5, x(atPitches), top, 0.4))
    parts.push(words(x(atPitches) + 1, height, name, { sizeMm: 3.2, anchor: 'start' }))
  })
  return { widthMm: x(pitches), heightMm: 36, parts }
}
