import type { Side } from '@link-count/core/units'
import { type DriveScene, type LoopScene } from '@link-count/core/scene'
import type { CountedOnFace } from './countedOnFace'
import type { Projection } from './projection'
import { toothedPath } from './toothedPath'
import './FaceParts.css'

interface Parts {
  readonly scene: DriveScene
  readonly projection: Projection
  /** Stood at: marks cut on the other face are drawn in outline. */
  readonly side: Side
  readonly counted?: CountedOnFace | undefined
  /** Toothed parts whose teeth nobody counted: drawn thin. */
  readonly thin?: ReadonlySet<string> | undefined
  /** Where nothing turns: the crank stands so. */
  readonly stillDeg?: number | undefined
}

/** Wheels with their marks, and the shoes that loops bear on. */
export function FaceParts({ scene, projection, side, counted, thin, stillDeg }: Parts) {
  const named = namedTeeth(scene, counted)
  const still = ({ memberId, centre }: DriveScene['toothed'][number]) =>
    stillDeg === undefined
      ? undefined
      : `translate(${projection.x(centre)} ${projection.y(centre)}) scale(${projection.mirror} 1) rotate(${-scene.turnOf(memberId, stillDeg)})`
  return (
    <>
      {scene.toothed.map((part) => {
        const { memberId, radiusMm, pitchMm } = part
        const r = radiusMm * projection.scale
        const pitch = pitchMm * projection.scale
        return (
          <g
            key={memberId}
            data-member={memberId}
            transform={still(part)}
            className={thin?.has(memberId) ? 'thin' : undefined}
          >
            <path d={toothedPath(part, projection.scale)} className="sprocket" />
            {Array.from({ length: r > 60 ? 6 : 0 }, (_, i) => (
              <circle
                key={i}
                className="hole"
                cx={r * 0.58 * Math.cos((i * Math.PI) / 3 + 0.5)}
                cy={r * 0.58 * Math.sin((i * Math.PI) / 3 + 0.5)}
                r={r * 0.1}
              />
            ))}
            <circle className="hole" r={Math.min(Math.max(6, r * 0.2), r * 0.5)} />
            <circle className="axis" r="2.500" />
            {scene.marks
              .filter((mark) => mark.memberId === memberId)
              .map((mark) => (
                <path
                  key={mark.id}
                  className={mark.face && mark.face !== side ? 'mark hidden' : 'mark'}
                  transform={`rotate(${-mark.angleDeg}) translate(${r - pitch * (mark.seat === 'gap' ? 0.62 : 0.5)} 0)`}
                  d="M0 0L-13 -6.500L-13 6.500z"
                >
                  <title>{mark.face && mark.face !== side ? `${mark.name}, on the other face` : mark.name}</title>
                </path>
              ))}
            {named
              .filter((tooth) => tooth.memberId === memberId)
              .map(({ angleDeg, teeth }) => (
                <g
                  key={angleDeg}
                  className="named-tooth"
                  transform={`rotate(${-angleDeg}) translate(${r - pitch * 0.9} 0)`}
                >
                  <circle r="6.500">
                    <title>{`Counted from or to here, ${Math.abs(teeth)} from the mark`}</title>
                  </circle>
                </g>
              ))}
          </g>
        )
      })}
      {scene.loops
        .filter(({ on }) => on)
        .map((loop) => (
          <RunLines key={loop.loop.id} loop={loop} projection={projection} />
        ))}
      {scene.loops.flatMap((loop) =>
        loop.solved.members
          .filter(({ teeth }) => !teeth)
          .map(({ memberId }) => <Shoe key={memberId} loop={loop} memberId={memberId} projection={projection} />),
      )}
    </>
  )
}

/** The teeth that a count is taken between, where they are not the marks themselves. */
function namedTeeth({ loops, marks, toothed }: DriveScene, counted: CountedOnFace | undefined) {
  const members = loops.find(({ loop }) => loop.id === counted?.loopId)?.solved.members ?? []
  if (!counted) return []
  return (
    [
      [counted.fromMarkId, counted.fromTeeth],
      [counted.toMarkId, counted.toTeeth],
    ] as const
  ).flatMap(([markId, teeth]) => {
    const mark = marks.find(({ id }) => id === markId)
    const part = toothed.find(({ memberId }) => memberId === mark?.memberId)
    const side = members.find(({ memberId }) => memberId === mark?.memberId)?.side ?? 1
    if (!mark || !part || teeth === 0) return []
    return [{ memberId: mark.memberId, teeth, angleDeg: mark.angleDeg + (side * teeth * 360) / part.teeth }]
  })
}

/** A line beside each run: drawn out where it is pulled, broken where it is slack. */
function RunLines({ loop, projection }: { loop: LoopScene; projection: Projection }) {
  const { runs, path, members } = loop.solved
  // On the inner side: the numbers of a count stand on the outer.
  const off =
    -(path.pitchMm * projection.scale * 0.5 + 7) * projection.mirror * (members.find(({ teeth }) => teeth)?.side ?? 1)
  return (
    <>
      {path.pieces.flatMap((piece) => {
        if (piece.kind !== 'run' || piece.pitches < 2) return []
        const kind = runs.find(({ fromMemberId }) => fromMemberId === piece.fromMemberId)?.kind ?? 'tight'
        // Kept clear of the sprockets at its ends.
        const at = (share: number) => ({
          x: piece.from.x + share * (piece.to.x - piece.from.x),
          y: piece.from.y + share * (piece.to.y - piece.from.y),
        })
        const [near, far] = [at(0.2), at(0.8)]
        const [x1, y1, x2, y2] = [projection.x(near), projection.y(near), projection.x(far), projection.y(far)]
        const length = Math.hypot(x2 - x1, y2 - y1) || 1
        const [dx, dy] = [(-(y2 - y1) / length) * off, ((x2 - x1) / length) * off]
        return [
          <line
            key={piece.fromMemberId}
            className={`run-line ${kind}`}
            x1={x1 + dx}
            y1={y1 + dy}
            x2={x2 + dx}
            y2={y2 + dy}
          />,
        ]
      })}
    </>
  )
}

/** A plain guide or tensioner: the stretch of its circle that the loop bears on, as a shoe. */
function Shoe({ loop, memberId, projection }: { loop: LoopScene; memberId: string; projection: Projection }) {
  const { members, path } = loop.solved
  const member = members.find((one) => one.memberId === memberId)
  const arc = path.pieces.find((piece) => piece.kind === 'arc' && piece.memberId === memberId)
  if (arc?.kind !== 'arc' || !member) return null
  const outside = member.side !== members.find(({ teeth }) => teeth)?.side
  const [x, y] = [projection.x(member.centre), projection.y(member.centre)]
  const half = Math.max(Math.abs(arc.sweepDeg) / 2 + 6, 14)
  const middle = arc.fromDeg + arc.sweepDeg / 2
  const inner = member.radiusMm * projection.scale - (outside ? 1 : -1) * (6 + path.pitchMm * projection.scale * 0.3)
  const point = (deg: number) => {
    const rad = (deg * Math.PI) / 180
    return `${(x + projection.mirror * inner * Math.cos(rad)).toFixed(1)} ${(y - inner * Math.sin(rad)).toFixed(1)}`
  }
  const sweep = projection.mirror === 1 ? 0 : 1
  return (
    <path
      className="shoe"
      d={`M${point(middle - half)}A${inner.toFixed(1)} ${inner.toFixed(1)} 0 0 ${sweep} ${point(middle + half)}`}
    />
  )
}
