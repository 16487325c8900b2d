import { useElementSize } from '@mantine/hooks'
import { useEffect, useState, type KeyboardEvent, type PointerEvent } from 'react'
import { Arrow, Circle, Group, Image as Picture, Layer, Stage, Text } from 'react-konva/lib/ReactKonvaCore'
import 'konva/lib/shapes/Arrow'
import 'konva/lib/shapes/Circle'
import 'konva/lib/shapes/Image'
import 'konva/lib/shapes/Text'
import type { PictureMark } from '@link-count/core/model'
import { EDGE, HEAD, LETTERS, LINE, PAINT, PAINT_EDGE } from '../../../ui/pictures/pictureMarks'
import { markOf, movedMark, sizedMark, type Drawn, type Place } from './markEdits'

/** As much of the window's height as a picture takes. */
const MOST_HIGH = 0.45
/** How far a key moves a mark. */
const STEP = 0.02

export type Tool = Drawn | 'move'

/** A picture that is drawn on by finger, pen or mouse, and by keys: strokes draw, and with `move` what is drawn is moved. */
export function DrawOnPicture(props: {
  readonly url: string
  readonly label: string
  readonly tool: Tool
  readonly word: string
  readonly marks: readonly PictureMark[]
  readonly chosen: number | undefined
  readonly onMarks: (marks: readonly PictureMark[], chosen: number | undefined) => void
}) {
  const { tool, word, marks, chosen, onMarks } = props
  const image = useImage(props.url)
  const { ref, width } = useElementSize()
  const [stroke, setStroke] = useState<{ readonly from: Place; readonly to: Place }>()
  const shape = image ? image.naturalHeight / image.naturalWidth : 1
  const wide = Math.min(width, (window.innerHeight * MOST_HIGH) / shape)
  const size = { width: wide, height: wide * shape }
  const change = (i: number, to: PictureMark) => onMarks(marks.with(i, to), i)
  const placeOf = (event: PointerEvent<HTMLElement>): Place => {
    const box = event.currentTarget.getBoundingClientRect()
    return { x: (event.clientX - box.left) / box.width, y: (event.clientY - box.top) / box.height }
  }
  const drawn = stroke && tool !== 'move' ? markOf(tool, stroke.from, stroke.to, { shape, word }) : undefined
  const end = () => {
    setStroke(undefined)
    if (drawn && (drawn.shape !== 'word' || drawn.text !== '')) onMarks([...marks, drawn], marks.length)
  }
  return (
    <div ref={ref}>
      {image && wide > 0 && (
        <div
          className="draw-on"
          role="application"
          aria-label={props.label}
          tabIndex={0}
          style={size}
          onKeyDown={(event) => onKey(event, marks, chosen, onMarks)}
          onPointerDown={(event) => {
            if (tool === 'move') return
            event.currentTarget.setPointerCapture(event.pointerId)
            setStroke({ from: placeOf(event), to: placeOf(event) })
          }}
          onPointerMove={(event) => stroke && setStroke({ ...stroke, to: placeOf(event) })}
          onPointerUp={end}
          onPointerCancel={() => setStroke(undefined)}
        >
          <Stage {...size}>
            <Layer listening={false}>
              <Picture image={image} {...size} />
            </Layer>
            <Layer listening={tool === 'move'}>
              {[...marks, ...(drawn ? [drawn] : [])].map((mark, i) => (
                <Group
                  key={i}
                  draggable={tool === 'move'}
                  opacity={tool === 'move' && chosen !== undefined && chosen !== i ? 0.5 : 1}
                  onPointerDown={() => onMarks(marks, i)}
                  onDragEnd={({ target }) => {
                    const by = { x: target.x() / size.width, y: target.y() / size.height }
                    target.position({ x: 0, y: 0 })
                    change(i, movedMark(mark, by))
                  }}
                >
                  <MarkShape mark={mark} {...size} stroke={PAINT_EDGE} line={EDGE * wide} />
                  <MarkShape mark={mark} {...size} stroke={PAINT} line={LINE * wide} />
                </Group>
              ))}
            </Layer>
          </Stage>
        </div>
      )}
    </div>
  )
}

/** Keys move the one that is chosen, make it larger or smaller, or take it off. */
function onKey(
  event: KeyboardEvent,
  marks: readonly PictureMark[],
  chosen: number | undefined,
  onMarks: (marks: readonly PictureMark[], chosen: number | undefined) => void,
) {
  const mark = chosen === undefined ? undefined : marks[chosen]
  if (chosen === undefined || !mark) return
  const by: Record<string, Place> = {
    ArrowLeft: { x: -STEP, y: 0 },
    ArrowRight: { x: STEP, y: 0 },
    ArrowUp: { x: 0, y: -STEP },
    ArrowDown: { x: 0, y: STEP },
  }
  const move = by[event.key]
  const times = { '+': 1.2, '-': 1 / 1.2 }[event.key]
  if (move) onMarks(marks.with(chosen, movedMark(mark, move)), chosen)
  else if (times) onMarks(marks.with(chosen, sizedMark(mark, times)), chosen)
  else if (event.key === 'Delete' || event.key === 'Backspace') onMarks(marks.toSpliced(chosen, 1), undefined)
  else return
  event.preventDefault()
}

function MarkShape({
  mark,
  width,
  height,
  stroke,
  line,
}: {
  readonly mark: PictureMark
  readonly width: number
  readonly height: number
  readonly stroke: string
  readonly line: number
}) {
  const [x, y] = [mark.x * width, mark.y * height]
  // As wide as a finger wherever it is taken hold of.
  const look = { stroke, strokeWidth: line, lineCap: 'round', lineJoin: 'round', hitStrokeWidth: 40 } as const
  switch (mark.shape) {
    case 'circle':
      return <Circle x={x} y={y} radius={mark.radius * width} {...look} />
    case 'arrow':
      return (
        <Arrow
          points={[mark.fromX * width, mark.fromY * height, x, y]}
          pointerLength={HEAD * width}
          pointerWidth={HEAD * width}
          fill={stroke}
          {...look}
        />
      )
    case 'word': {
      const letters = LETTERS * width
      const room = letters * 20
      return (
        <Text
          x={x - room / 2}
          y={y - letters / 2}
          width={room}
          align="center"
          text={mark.text}
          fontSize={letters}
          fontStyle="bold"
          fontFamily="Atkinson Hyperlegible Next Variable, sans-serif"
          fill={stroke}
          {...(stroke === PAINT_EDGE ? look : {})}
        />
      )
    }
  }
}

function useImage(url: string): HTMLImageElement | undefined {
  const [image, setImage] = useState<HTMLImageElement>()
  useEffect(() => {
    const loaded = new Image()
    loaded.onload = () => setImage(loaded)
    loaded.src = url
    return () => void (loaded.onload = null)
  }, [url])
  return image
}
