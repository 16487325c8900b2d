import type { PaperDrawing } from '@link-count/core/paper'

/** A drawing for paper as it will come out, at whatever size the page has room for. */
export function PaperPreview({ drawing, label }: { readonly drawing: PaperDrawing; readonly label: string }) {
  const { widthMm, heightMm, parts } = drawing
  return (
    <svg className="paper-preview" viewBox={`-1 -1 ${widthMm + 2} ${heightMm + 2}`} role="img" aria-label={label}>
      {parts.map((part, i) => {
        if (part.kind === 'line')
          return <line key={i} x1={part.x1} y1={part.y1} x2={part.x2} y2={part.y2} strokeWidth={part.weightMm} />
        if (part.kind === 'circle')
          return <circle key={i} cx={part.x} cy={part.y} r={part.r} strokeWidth={part.weightMm} />
        return (
          <text
            key={i}
            x={part.x}
            y={part.y}
            fontSize={part.sizeMm}
            textAnchor={part.anchor}
            transform={part.turnDeg ? `rotate(${part.turnDeg} ${part.x} ${part.y})` : undefined}
          >
            {part.text}
          </text>
        )
      })}
    </svg>
  )
}
