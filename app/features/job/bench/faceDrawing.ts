import { countedPin, type DriveScene } from '@link-count/core/scene'
import { paintLinks, type CountedOnFace, type LinkColours, type Projection } from '../../../ui/face'

interface Drawn {
  readonly scene: DriveScene
  readonly projection: Projection
  readonly counted: CountedOnFace | undefined
  readonly width: number
  readonly height: number
}

/** Everything that moves with the crank, found once and then only moved: gives what draws it with the crank at so many degrees. Links are painted on
 *  the canvas; sprockets and numbers of pins are what stands in the SVG already. */
export function makeFaceDrawing(
  canvas: HTMLCanvasElement,
  svg: SVGSVGElement,
  drawn: Drawn,
): ((crankDeg: number) => void) | undefined {
  const ctx = canvas.getContext('2d')
  if (!ctx) return undefined
  const { width, height } = drawn
  const ratio = Math.min(3, window.devicePixelRatio || 1)
  canvas.width = width * ratio
  canvas.height = height * ratio
  const count = countOf(drawn)
  const paint = linkPainter(ctx, readColours(canvas), drawn, count)
  const turn = turner(svg, drawn)
  const number = count && pinNumbers(svg, drawn, count)
  return (crankDeg) => {
    ctx.setTransform(ratio, 0, 0, ratio, 0, 0)
    ctx.clearRect(0, 0, width, height)
    paint(crankDeg)
    turn(crankDeg)
    number?.(crankDeg)
  }
}

type SceneLoop = DriveScene['loops'][number]
interface CountInHand {
  readonly loop: SceneLoop
  /** The pin that the mark counted from stands at. */
  readonly start: number
  readonly n: number
  readonly first: CountedOnFace['first']
}

/** The count as it runs on the chain; undefined before the first pin, or where the mark stands on none. */
function countOf({ scene, counted }: Drawn): CountInHand | undefined {
  const loop = counted && scene.loops.find((one) => one.loop.id === counted.loopId)
  const start = counted && loop?.pitchesTo(counted.fromMarkId, counted.fromTeeth)
  if (!counted || !loop || start === undefined || counted.n === 0) return undefined
  return { loop, start, n: counted.n, first: counted.first }
}

const pinAt = ({ start, first }: CountInHand, n: number) => Math.round(countedPin(start, n, first))

function linkPainter(
  ctx: CanvasRenderingContext2D,
  colours: LinkColours,
  { scene, projection }: Drawn,
  count: CountInHand | undefined,
) {
  const loops = scene.loops
    .filter(({ on }) => on)
    .map((one) => ({
      one,
      xs: new Float64Array(one.links),
      ys: new Float64Array(one.links),
      inside: one.solved.members[0]?.side ?? 1,
      counted: count && one === count.loop ? { from: pinAt(count, 1), to: pinAt(count, count.n) } : undefined,
    }))
  return (crankDeg: number) => {
    for (const { one, xs, ys, inside, counted } of loops) {
      one.fillPins(crankDeg, xs, ys)
      const { loop, links, solved, painted } = one
      const { pitchMm } = solved.path
      paintLinks(ctx, { kind: loop.kind, xs, ys, links, pitchMm, projection, colours, inside, counted, painted })
    }
  }
}

function turner(svg: SVGSVGElement, { scene, projection }: Drawn) {
  const turning = [...svg.querySelectorAll<SVGGElement>('[data-member]')].map((node) => ({
    node,
    id: node.dataset['member'] ?? '',
  }))
  const centres = new Map(
    scene.toothed.map(({ memberId, centre }) => [
      memberId,
      `translate(${projection.x(centre)} ${projection.y(centre)})`,
    ]),
  )
  return (crankDeg: number) => {
    for (const { node, id } of turning)
      node.setAttribute(
        'transform',
        `${centres.get(id) ?? ''} scale(${projection.mirror} 1) rotate(${-scene.turnOf(id, crankDeg)})`,
      )
  }
}

type Pin = ReturnType<SceneLoop['pinAt']>
const REACH_PX = 24

/** Numbers beside counted pins, square to the chain and outside of it. */
function pinNumbers(svg: SVGSVGElement, { projection }: Drawn, count: CountInHand) {
  const numbers = [...svg.querySelectorAll<SVGGElement>('[data-pin]')].map((node) => ({
    node,
    n: Number(node.dataset['pin']),
  }))
  const outwards = projection.mirror * (count.loop.solved.members[0]?.side ?? 1)
  return (crankDeg: number) => {
    for (const { node, n } of numbers) {
      const k = pinAt(count, n)
      const [here, before, after] = [k, k - 1, k + 1].map((at) => count.loop.pinAt(at, crankDeg)) as [Pin, Pin, Pin]
      const [dx, dy] = [projection.x(after) - projection.x(before), projection.y(after) - projection.y(before)]
      const length = Math.hypot(dx, dy) || 1
      const x = projection.x(here) - (outwards * dy * REACH_PX) / length
      const y = projection.y(here) + (outwards * dx * REACH_PX) / length
      node.setAttribute('transform', `translate(${x.toFixed(1)} ${y.toFixed(1)})`)
    }
  }
}

function readColours(element: HTMLElement): LinkColours {
  const style = getComputedStyle(element)
  const of = (name: string) => style.getPropertyValue(name).trim()
  return {
    plateA: of('--plate-a'),
    plateB: of('--plate-b'),
    pin: of('--bench'),
    rim: of('--steel-3'),
    counted: of('--blue'),
    paint: of('--brass'),
  }
}
