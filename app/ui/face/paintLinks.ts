import type { Projection } from './projection'

export interface LinkColours {
  readonly plateA: string
  readonly plateB: string
  readonly pin: string
  readonly rim: string
  readonly counted: string
}

export interface LinkPaint {
  readonly xs: Float64Array
  readonly ys: Float64Array
  readonly links: number
  readonly pitchMm: number
  readonly projection: Projection
  readonly colours: LinkColours
  /** Pins from..to (whole numbers along the loop, to included) that were counted. */
  readonly counted: { readonly from: number; readonly to: number } | undefined
}

/** Draws every link: inner and outer plates in turn, a pin at each joint. Plates of a kind share one path, so that a chain of any
 *  length is four strokes and a fill. */
export function paintLinks(
  ctx: CanvasRenderingContext2D,
  { xs, ys, links, pitchMm, projection, colours, counted }: LinkPaint,
): void {
  const width = Math.max(2.5, pitchMm * projection.scale * 0.5)
  const px = (k: number) => projection.x({ x: xs[k % links] ?? 0, y: 0 })
  const py = (k: number) => projection.y({ x: 0, y: ys[k % links] ?? 0 })
  const past = (k: number) => (counted ? (((k - counted.from) % links) + links) % links : Infinity)
  const reach = counted ? counted.to - counted.from : -1
  const isCounted = (k: number) => past(k) <= reach
  const joinsCounted = (k: number) => past(k) < reach
  ctx.lineCap = 'round'
  const plates = (parity: number, style: string, lineWidth: number, blue: boolean) => {
    ctx.beginPath()
    for (let k = parity; k < links; k += 2) {
      if (joinsCounted(k) !== blue) continue
      ctx.moveTo(px(k), py(k))
      ctx.lineTo(px(k + 1), py(k + 1))
    }
    ctx.strokeStyle = style
    ctx.lineWidth = lineWidth
    ctx.stroke()
  }
  plates(1, colours.plateA, width * 0.72, false)
  plates(0, colours.plateB, width, false)
  if (counted) {
    plates(1, colours.counted, width * 0.72, true)
    plates(0, colours.counted, width, true)
  }
  const radius = Math.max(1.4, width * 0.36)
  for (const blue of [false, true]) {
    ctx.beginPath()
    for (let k = 0; k < links; k++) {
      if (isCounted(k) !== blue) continue
      ctx.moveTo(px(k) + radius, py(k))
      ctx.arc(px(k), py(k), radius, 0, 2 * Math.PI)
    }
    ctx.fillStyle = colours.pin
    ctx.fill()
    ctx.strokeStyle = blue ? colours.counted : colours.rim
    ctx.lineWidth = Math.max(1, width * 0.16)
    ctx.stroke()
  }
}
