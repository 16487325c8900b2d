import { useDrag } from '@use-gesture/react'
import { useMemo, useState } from 'react'
import { shaftPoint, loopKinds } from '@link-count/core/drive'
import type { Point } from '@link-count/core/geometry'
import type { BuildSheet, Trusted } from '@link-count/core/model'
import { fixed } from '@link-count/core/units'
import { AS_MARKED, makeDriveScene } from '@link-count/core/scene'
import { boxOf, FaceStill, makeProjection, STILL_MARGIN, type Projection } from '../../ui/face'
import { patchShaft } from './sheetChanges'
import { useSheetEditor } from './SheetEditor'
import './DriveBoard.css'

const SIZE = { width: 300, height: 320 }
const STEP_MM: Readonly<Record<string, readonly [x: number, y: number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
}

const dragged = (value: number): Trusted<number> => ({
  value: Math.round(value * 10) / 10,
  typed: `${fixed(value, 1)} mm`,
  trust: 'unknown',
})

/** The drive so far; a shaft is drawn to where it stands by hand or by arrow keys, where nothing better than the eye is to be had. */
export function DriveBoard({ sheet }: { readonly sheet: BuildSheet }) {
  const { apply } = useSheetEditor()
  const [held, setHeld] = useState<{ readonly shaftId: string; readonly at: Point }>()
  const { projection, closes } = useMemo(() => project(sheet), [sheet])
  const put = (shaftId: string, { x, y }: Point) =>
    apply(patchShaft(shaftId, (one) => ({ ...one, position: { how: 'xy', xMm: dragged(x), yMm: dragged(y) } })))
  const hold = useDrag(
    ({ args: [shaftId, from], movement: [right, down], last, canceled }) => {
      if (!projection || canceled) return setHeld(undefined)
      const { x, y } = from as Point
      const at = { x: x + right / projection.scale, y: y - down / projection.scale }
      if (!last) return setHeld({ shaftId: shaftId as string, at })
      setHeld(undefined)
      if (right !== 0 || down !== 0) void put(shaftId as string, at)
    },
    { pointer: { keys: false } },
  )
  const movable = projection
    ? sheet.shafts.flatMap((shaft) => {
        const at = shaft.kind === 'crank' ? undefined : shaftPoint(sheet, shaft)
        return at ? [{ shaft, at }] : []
      })
    : []
  return (
    <div className="drive-picture">
      {projection && !closes ? (
        <PlacesOnly sheet={sheet} projection={projection} held={held} />
      ) : (
        <FaceStill sheet={sheet} {...SIZE} />
      )}
      {projection && movable.length > 0 && (
        <svg {...SIZE} className="drive-handles" role="group" aria-label="Shafts, to be drawn to their places">
          {movable.map(({ shaft, at }) => {
            const now = held?.shaftId === shaft.id ? held.at : at
            return (
              <circle
                key={shaft.id}
                className="drive-handle"
                cx={projection.x(now)}
                cy={projection.y(now)}
                r="24"
                role="button"
                tabIndex={0}
                aria-label={`${shaft.name}: ${fixed(now.x, 0)} mm right, ${fixed(now.y, 0)} mm up of the crank. Arrow keys move it`}
                {...hold(shaft.id, at)}
                onKeyDown={(event) => {
                  const step = STEP_MM[event.key]
                  if (!step) return
                  event.preventDefault()
                  put(shaft.id, { x: at.x + step[0], y: at.y + step[1] })
                }}
              />
            )
          })}
        </svg>
      )}
    </div>
  )
}

/** To the drive as it is drawn where it closes; else to the shafts that are placed, so that they can be drawn to where it does. */
function project(sheet: BuildSheet): { readonly projection: Projection | undefined; readonly closes: boolean } {
  const scene = makeDriveScene(sheet, AS_MARKED)
  const closes = scene.errors.length === 0 && scene.toothed.length > 0 && scene.drawn === 'toScale'
  const places = placesOf(sheet)
  if (!closes && places.length < 2) return { projection: undefined, closes }
  const wheels = places.map(({ at, radiusMm }) => ({ centre: at, radiusMm, pitchMm: 0 }))
  const box = boxOf(closes ? scene : { toothed: wheels, loops: [] })
  return { projection: makeProjection(box, { ...SIZE, side: 'timing', margin: STILL_MARGIN }), closes }
}

/** Shafts that stand somewhere, with the pitch circle of their largest wheel. */
function placesOf(sheet: BuildSheet) {
  return sheet.shafts.flatMap((shaft) => {
    const at = shaftPoint(sheet, shaft)
    if (!at) return []
    const radii = sheet.loops.flatMap(({ path, pitchMm, kind }) =>
      path.flatMap(({ memberId }) => {
        const teeth = sheet.members.find(({ id, shaftId }) => id === memberId && shaftId === shaft.id)?.teeth
        return teeth && pitchMm ? [loopKinds[kind].radiusMm(pitchMm.value, teeth.value)] : []
      }),
    )
    return [{ shaft, at, radiusMm: Math.max(10, ...radii) }]
  })
}

/** The shafts and their pitch circles alone, where no loop closes over them yet. */
function PlacesOnly({
  sheet,
  projection,
  held,
}: {
  sheet: BuildSheet
  projection: Projection
  held: { readonly shaftId: string; readonly at: Point } | undefined
}) {
  return (
    <svg
      {...SIZE}
      role="img"
      aria-label="The shafts where they stand; no loop closes over them yet"
      className="places-only"
    >
      {placesOf(sheet).map(({ shaft, at, radiusMm }) => {
        const now = held?.shaftId === shaft.id ? held.at : at
        const [x, y] = [projection.x(now), projection.y(now)]
        return (
          <g key={shaft.id}>
            <circle cx={x} cy={y} r={radiusMm * projection.scale} className="place-circle" />
            <circle cx={x} cy={y} r="2.500" className="place-axis" />
          </g>
        )
      })}
    </svg>
  )
}
