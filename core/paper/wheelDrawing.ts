import { radFromDeg } from '../units'
import { line, words, type PaperDrawing, type PaperPart } from './drawing'

export interface PaperMark {
  readonly name: string
  /** Degrees after the top of the wheel, in the running direction of the crank. */
  readonly deg: number
}

/** A degree wheel to be cut out: a tick at every degree, numbers at every ten, marks as long lines with their names. `rises`: which way
 *  the numbers go up, seen from where it will be looked at. The centre is crossed, and pierced in the size of the bolt. */
export function wheelDrawing({
  diameterMm,
  numbering,
  rises,
  boltMm,
  marks,
}: {
  readonly diameterMm: number
  readonly numbering: 'full' | 'half' | 'quarter'
  readonly rises: 'clockwise' | 'anticlockwise'
  readonly boltMm: number
  readonly marks: readonly PaperMark[]
}): PaperDrawing {
  const r = diameterMm / 2
  const at = (deg: number, radius: number) => {
    const rad = radFromDeg((rises === 'clockwise' ? 1 : -1) * deg)
    return { x: r + radius * Math.sin(rad), y: r - radius * Math.cos(rad) }
  }
  const spoke = (deg: number, from: number, to: number, weightMm: number): PaperPart => {
    const [a, b] = [at(deg, from), at(deg, to)]
    return line(a.x, a.y, b.x, b.y, weightMm)
  }
  const parts: PaperPart[] = [
    { kind: 'circle', x: r, y: r, r, weightMm: 0.3 },
    { kind: 'circle', x: r, y: r, r: boltMm / 2, weightMm: 0.2 },
    line(r - 5, r, r + 5, r, 0.1),
    line(r, r - 5, r, r + 5, 0.1),
  ]
  for (let deg = 0; deg < 360; deg++) {
    const length = deg % 10 === 0 ? 8 : deg % 5 === 0 ? 6 : 4
    parts.push(spoke(deg, r - length, r, deg % 10 === 0 ? 0.25 : 0.12))
    if (deg % 10 !== 0) continue
    const place = at(deg, r - 12)
    parts.push(
      words(place.x, place.y, numberOn(deg, numbering), {
        sizeMm: 3.2,
        turnDeg: (rises === 'clockwise' ? 1 : -1) * deg,
      }),
    )
  }
  for (const { name, deg } of marks) {
    parts.push(spoke(deg, r * 0.35, r, 0.4))
    const place = at(deg, r * 0.6)
    parts.push(words(place.x, place.y, name, { sizeMm: 3.5, turnDeg: (rises === 'clockwise' ? 1 : -1) * deg - 90 }))
  }
  return { widthMm: diameterMm, heightMm: diameterMm, parts }
}

function numberOn(deg: number, numbering: 'full' | 'half' | 'quarter'): string {
  if (numbering === 'full') return String(deg)
  const half = deg > 180 ? 360 - deg : deg
  return String(numbering === 'half' || half <= 90 ? half : 180 - half)
}
