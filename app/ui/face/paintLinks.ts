import { loopKinds } from '@link-count/core/drive'
import type { PaintedPin } from '@link-count/core/scene'
import type { Loop } from '@link-count/core/model'
import type { Projection } from './projection'

export interface LinkColours {
  readonly plateA: string
  readonly plateB: string
  readonly pin: string
  readonly rim: string
  readonly counted: string
  readonly paint: string
}

export interface LinkPaint {
  readonly kind: Loop['kind']
  readonly xs: Float64Array
  readonly ys: Float64Array
  readonly links: number
  readonly pitchMm: number
  readonly projection: Projection
  readonly colours: LinkColours
  /** +1 when the loop is passed counter-clockwise inside: its teeth look that way. */
  readonly inside: 1 | -1
  /** Pins from..to (whole numbers along the loop, to included) that were counted. */
  readonly counted: { readonly from: number; readonly to: number } | undefined
  /** Pins that carry paint, whole numbers along the loop; painted twice over shows as two rings. */
  readonly painted: readonly PaintedPin[]
}

/** Draws every link: plates in turn with a pin at each joint, the two-toothed plates of an inverted-tooth chain, or a belt with its teeth.
 *  What looks alike shares one path, so that a loop of any length is a few strokes and a fill. */
export function paintLinks(ctx: CanvasRenderingContext2D, paint: LinkPaint): void {
  const { xs, ys, links, pitchMm, projection, counted } = paint
  const width = Math.max(2.5, pitchMm * projection.scale * 0.5)
  const reach = counted ? counted.to - counted.from : -1
  const past = (k: number) => (counted ? (((k - counted.from) % links) + links) % links : Infinity)
  const brush: Brush = {
    width,
    x: (k) => projection.x({ x: xs[((k % links) + links) % links] ?? 0, y: 0 }),
    y: (k) => projection.y({ x: 0, y: ys[((k % links) + links) % links] ?? 0 }),
    isCounted: (k) => past(k) <= reach,
    joinsCounted: (k) => past(k) < reach,
  }
  if (loopKinds[paint.kind].made === 'pinned') paintRollers(ctx, paint, brush)
  else paintToothed(ctx, paint, brush)
  if (paint.painted.length === 0) return
  ctx.beginPath()
  for (const { pin, rings } of paint.painted) {
    for (const radius of rings === 2 ? [width * 0.55, width * 1.05] : [width * 0.62]) {
      ctx.moveTo(brush.x(pin) + radius, brush.y(pin))
      ctx.arc(brush.x(pin), brush.y(pin), radius, 0, 2 * Math.PI)
    }
  }
  ctx.strokeStyle = paint.colours.paint
  ctx.lineWidth = Math.max(2.5, width * 0.3)
  ctx.stroke()
}

interface Brush {
  readonly width: number
  readonly x: (k: number) => number
  readonly y: (k: number) => number
  readonly isCounted: (k: number) => boolean
  readonly joinsCounted: (k: number) => boolean
}

function strokePlates(
  ctx: CanvasRenderingContext2D,
  links: number,
  { x, y, joinsCounted }: Brush,
  { every, parity, style, width, blue }: { every: number; parity: number; style: string; width: number; blue: boolean },
) {
  ctx.beginPath()
  for (let k = parity; k < links; k += every) {
    if (joinsCounted(k) !== blue) continue
    ctx.moveTo(x(k), y(k))
    ctx.lineTo(x(k + 1), y(k + 1))
  }
  ctx.strokeStyle = style
  ctx.lineWidth = width
  ctx.stroke()
}

function paintRollers(ctx: CanvasRenderingContext2D, { links, colours, counted }: LinkPaint, brush: Brush) {
  const { width, x, y, isCounted } = brush
  ctx.lineCap = 'round'
  for (const blue of counted ? [false, true] : [false]) {
    const [a, b] = blue ? [colours.counted, colours.counted] : [colours.plateA, colours.plateB]
    strokePlates(ctx, links, brush, { every: 2, parity: 1, style: a, width: width * 0.72, blue })
    strokePlates(ctx, links, brush, { every: 2, parity: 0, style: b, width, blue })
  }
  const radius = Math.max(1.4, width * 0.36)
  for (const blue of [false, true]) {
    ctx.beginPath()
    for (let k = 0; k < links; k++) {
      if (isCounted(k) !== blue) continue
      ctx.moveTo(x(k) + radius, y(k))
      ctx.arc(x(k), y(k), radius, 0, 2 * Math.PI)
    }
    ctx.fillStyle = colours.pin
    ctx.fill()
    ctx.strokeStyle = blue ? colours.counted : colours.rim
    ctx.lineWidth = Math.max(1, width * 0.16)
    ctx.stroke()
  }
}

/** A belt: a band with a block at each pitch on its inside. An inverted-tooth chain: plates with a tooth towards each of their joints. */
function paintToothed(
  ctx: CanvasRenderingContext2D,
  { kind, links, colours, counted, inside, projection }: LinkPaint,
  brush: Brush,
) {
  const { width, x, y, isCounted } = brush
  const belt = loopKinds[kind].made === 'band'
  ctx.lineCap = belt ? 'butt' : 'round'
  for (const blue of counted ? [false, true] : [false]) {
    const style = blue ? colours.counted : belt ? colours.rim : colours.plateB
    strokePlates(ctx, links, brush, { every: 1, parity: 0, style, width: belt ? width * 0.42 : width * 0.6, blue })
  }
  // Towards what the loop goes round: to the left of its travel when it runs counter-clockwise, mirrored with the view.
  const inwards = inside * projection.mirror
  const depth = width * (belt ? 0.62 : 0.75)
  for (const blue of [false, true]) {
    ctx.beginPath()
    for (let k = 0; k < links; k++) {
      if (isCounted(k) !== blue) continue
      const [dx, dy] = [x(k + 1) - x(k - 1), y(k + 1) - y(k - 1)]
      const length = Math.hypot(dx, dy) || 1
      ctx.moveTo(x(k), y(k))
      ctx.lineTo(x(k) + (inwards * dy * depth) / length, y(k) - (inwards * dx * depth) / length)
    }
    ctx.strokeStyle = blue ? colours.counted : belt ? colours.rim : colours.plateA
    ctx.lineWidth = belt ? width * 0.55 : width * 0.4
    ctx.stroke()
  }
}
