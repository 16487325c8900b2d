import type { StillDrawing } from '../../domain/summaries'
import { gearPath, sprocketPath } from './sprocketPath'

/** A drive drawn once, in lines that print sharp; an empty ring where nothing of it is known. */
export function StillPicture({
  drawing,
  width,
  height,
}: {
  readonly drawing: StillDrawing | undefined
  readonly width: number
  readonly height: number
}) {
  if (!drawing) {
    return (
      <svg width={width} height={height} viewBox={`0 0 ${width} ${height}`} role="img" aria-label="Drive not known yet">
        <circle
          cx={width / 2}
          cy={height / 2}
          r={height / 4}
          fill="none"
          stroke="var(--edge)"
          strokeWidth="1.500"
          strokeDasharray="4 4"
        />
      </svg>
    )
  }
  const { label, toothed, loops, dots } = drawing
  return (
    <svg width={width} height={height} viewBox={`0 0 ${width} ${height}`} role="img" aria-label={label}>
      {toothed.map(({ id, straight, teeth, radius, pitch, transform }) => (
        <path
          key={id}
          d={(straight ? gearPath : sprocketPath)(teeth, radius, pitch)}
          transform={transform}
          fill="var(--steel-1)"
          stroke="var(--steel-3)"
          strokeWidth="0.600"
        />
      ))}
      {loops.map((loop) => (
        <Plates key={loop.id} loop={loop} />
      ))}
      {dots.map(({ id, x, y }) => (
        <circle key={id} cx={x} cy={y} r="1.800" fill="var(--ink)" />
      ))}
    </svg>
  )
}

/** The plates of a chain, or a belt with its teeth. */
export const Plates = ({
  loop: { belt, inner, outer, width: linkWidth },
}: {
  readonly loop: StillDrawing['loops'][number]
}) => (
  <g>
    {belt ? (
      <path d={outer + inner} stroke="var(--steel-3)" strokeWidth={linkWidth * 0.55} fill="none" />
    ) : (
      <>
        <path d={inner} stroke="var(--plate-a)" strokeWidth={linkWidth * 0.72} strokeLinecap="round" fill="none" />
        <path d={outer} stroke="var(--plate-b)" strokeWidth={linkWidth} strokeLinecap="butt" fill="none" />
      </>
    )}
    {belt && <path d={belt} stroke="var(--steel-3)" strokeWidth={linkWidth * 0.6} fill="none" />}
  </g>
)
