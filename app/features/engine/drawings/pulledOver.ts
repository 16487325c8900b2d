import type { Point } from '@link-count/core/geometry'

interface End {
  readonly id: string
  readonly centre: Point
  readonly r: number
}

/** The wheel at an end of a run that the run was pulled over: the finger went on past its middle, and no further aside than its rim. */
export function pulledOver(
  run: { readonly from: Point; readonly to: Point },
  at: Point,
  ends: readonly End[],
): string | undefined {
  const { from, to } = run
  const length = Math.hypot(to.x - from.x, to.y - from.y) || 1
  const [dx, dy] = [(to.x - from.x) / length, (to.y - from.y) / length]
  const along = (p: Point) => (p.x - from.x) * dx + (p.y - from.y) * dy
  const aside = (p: Point) => (p.y - from.y) * dx - (p.x - from.x) * dy
  return ends.find(({ centre, r }) => {
    const [finger, middle] = [aside(at), aside(centre)]
    const past = Math.sign(finger) === Math.sign(middle) && Math.abs(finger) > Math.abs(middle)
    return past && Math.abs(along(at) - along(centre)) <= Math.max(r, 24)
  })?.id
}
