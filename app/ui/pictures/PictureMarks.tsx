import type { PictureMark } from '@link-count/core/model'
import { EDGE, HEAD, LETTERS, LINE, PAINT, PAINT_EDGE } from './pictureMarks'

/** Across the picture; down it goes by its own shape. */
const WIDE = 1000

/** What is drawn on a picture, laid over it. `shape`: its height over its width. */
export function PictureMarks({ marks, shape }: { readonly marks: readonly PictureMark[]; readonly shape: number }) {
  return (
    <svg className="picture-marks" viewBox={`0 0 ${WIDE} ${WIDE * shape}`} aria-hidden>
      {marks.map((mark, i) => (
        <g key={i}>
          <Drawn mark={mark} shape={shape} stroke={PAINT_EDGE} width={EDGE * WIDE} />
          <Drawn mark={mark} shape={shape} stroke={PAINT} width={LINE * WIDE} />
        </g>
      ))}
    </svg>
  )
}

function Drawn({
  mark,
  shape,
  stroke,
  width,
}: {
  readonly mark: PictureMark
  readonly shape: number
  readonly stroke: string
  readonly width: number
}) {
  const [x, y] = [mark.x * WIDE, mark.y * WIDE * shape]
  const line = { stroke, strokeWidth: width, strokeLinecap: 'round', strokeLinejoin: 'round' } as const
  switch (mark.shape) {
    case 'circle':
      return <circle cx={x} cy={y} r={mark.radius * WIDE} fill="none" {...line} />
    case 'arrow': {
      const [fromX, fromY] = [mark.fromX * WIDE, mark.fromY * WIDE * shape]
      const angle = Math.atan2(y - fromY, x - fromX)
      const [sin, cos] = [Math.sin(angle), Math.cos(angle)]
      const at = (along: number, aside: number) =>
        `${x + (along * cos - aside * sin) * WIDE},${y + (along * sin + aside * cos) * WIDE}`
      return (
        <>
          <line x1={fromX} y1={fromY} x2={x} y2={y} {...line} />
          <polygon points={`${at(0, 0)} ${at(-HEAD, HEAD / 2)} ${at(-HEAD, -HEAD / 2)}`} fill={stroke} {...line} />
        </>
      )
    }
    case 'word':
      return (
        <text
          x={x}
          y={y}
          fontSize={LETTERS * WIDE}
          fontWeight={700}
          textAnchor="middle"
          dominantBaseline="central"
          fill={stroke}
          {...(stroke === PAINT_EDGE ? line : {})}
        >
          {mark.text}
        </text>
      )
  }
}
