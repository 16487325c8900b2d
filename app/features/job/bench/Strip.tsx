import { useDrag } from '@use-gesture/react'
import { useEffect, useRef, useState } from 'react'
import { valveEvents } from '@link-count/core/cams'
import { firingDegOf } from '@link-count/core/cylinders'
import { followerOfJob, servedAt, servedByAim, type ServedAt } from '@link-count/core/followers'
import type { BuildSheet } from '@link-count/core/model'
import { cycleEvents, strokesOf, type Stroke } from '@link-count/core/runSheet'
import { fixed, wrapToCycle } from '@link-count/core/units'
import type { JobView } from '../../../domain/views'
import { askTurn } from '../askTurn'
import { missedTurnWords, turnWords } from '../../../ui/wording'
import { useBench } from '../JobContext'
import { NextCylinder } from '../NextCylinder'
import { useLashRound } from '../steps/lash/useLashRound'
import { eventWords, nextThing } from '../turnPlan'
import './Strip.css'

type Cylinder = BuildSheet['cylinders'][number]

/** With many cylinders the rows are low: the words shrink to what still tells them apart. */
const short4: Record<Stroke, string> = {
  power: 'power',
  exhaust: 'exh',
  inlet: 'inl',
  compression: 'comp',
  down: 'down',
  up: 'up',
}
const short = { inlet: { opens: 'IO', closes: 'IC' }, exhaust: { opens: 'EO', closes: 'EC' } }

/** The ribbon of one whole cycle: strokes of each cylinder, events of the zero cylinder, where the crank is drawn and where the ledger
 *  has it, and how far it is to the next thing. */
export function Strip({ lash = false }: { readonly lash?: boolean }) {
  const { view, drawn } = useBench()
  const { sheet, state } = view
  const rows = useRef<HTMLDivElement>(null)
  const { cycleDeg } = sheet
  const line = useDrawnLine()
  const order = [...sheet.cylinders].sort(
    (a, b) => (firingDegOf(sheet, a.id) ?? Infinity) - (firingDegOf(sheet, b.id) ?? Infinity),
  )
  const dense = order.length > 6
  const moveTo = (clientX: number) => {
    const box = rows.current?.getBoundingClientRect()
    if (box) drawn.set(Math.max(0, Math.min(cycleDeg - 0.1, ((clientX - box.left) / box.width) * cycleDeg)))
  }
  const drag = useDrag(({ xy: [x] }) => moveTo(x), { pointer: { keys: false } })
  return (
    <div className={dense ? 'strip dense' : 'strip'}>
      <div className="strip-names" aria-hidden="true">
        <span className="strip-events-row" />
        {order.map(({ id, name }) => (
          <span key={id}>{name}</span>
        ))}
      </div>
      <div ref={rows} className="strip-rows" {...drag()}>
        <Events />
        {lash && <LashPlaces />}
        {order.map((cylinder) => (
          <Strokes key={cylinder.id} cylinder={cylinder} dense={dense} />
        ))}
        <div className="strip-scale" aria-hidden="true">
          {Array.from({ length: 9 }, (_, i) => (cycleDeg / 8) * i).map((deg) => (
            <span key={deg} style={{ left: share(deg, cycleDeg) }}>
              {deg}
            </span>
          ))}
        </div>
        {state.crank.deg !== undefined && (
          <div
            className="strip-engine"
            style={{ left: share(state.crank.deg, cycleDeg) }}
            title="The engine's crank, by the ledger"
            aria-hidden="true"
          />
        )}
        <div ref={line} className="strip-line" aria-hidden="true" />
      </div>
      <WhatIsNext />
    </div>
  )
}

const share = (deg: number, cycleDeg: number) => `${(deg / cycleDeg) * 100}%`

/** A line that follows the drawn crank without being rendered anew. */
function useDrawnLine() {
  const { view, drawn } = useBench()
  const { cycleDeg } = view.sheet
  const line = useRef<HTMLDivElement>(null)
  useEffect(() => {
    const draw = () => {
      if (line.current) line.current.style.left = share(drawn.get(), cycleDeg)
    }
    draw()
    return drawn.subscribe(draw)
  }, [drawn, cycleDeg])
  return line
}

/** Openings and closings of the zero cylinder, by the book and as they were read. */
function Events() {
  const { view } = useBench()
  const { sheet } = view
  const { cycleDeg } = sheet
  const events = cycleEvents(sheet).filter(
    ({ kind, cylinderId }) => (kind === 'opens' || kind === 'closes') && cylinderId === sheet.zeroCylinderId,
  )
  const found = foundEvents(view)
  return (
    <>
      <div className="strip-events-row" aria-hidden="true">
        {events.map(({ kind, valve, atDeg }) => {
          const words = valve && short[valve][kind as 'opens']
          // The inlet opens just before the exhaust closes: its words stand on the other side of its arrow.
          return words === 'IO' ? (
            <span key={words} className="strip-event before" style={{ left: share(atDeg, cycleDeg) }}>
              {words} ▾
            </span>
          ) : (
            <span key={words} className="strip-event" style={{ left: share(atDeg, cycleDeg) }}>
              ▾ {words}
            </span>
          )
        })}
      </div>
      {found.map(({ key, atDeg }) => (
        <span key={key} className="strip-found" style={{ left: share(atDeg, cycleDeg) }} aria-hidden="true" />
      ))}
      {found.length > 0 && (
        <span className="unseen">As read, against the book: {found.map(({ words }) => words).join(', ')}.</span>
      )}
    </>
  )
}

/** Where the crank is brought for the lash, in the order of the round. */
function LashPlaces() {
  const { view } = useBench()
  const { stops } = useLashRound(view)
  return (
    <>
      {stops.map(({ crankDeg }, i) => (
        <span key={crankDeg} className="strip-lash" style={{ left: share(crankDeg, view.sheet.cycleDeg) }}>
          <span className="unseen">Lash, stop </span>
          {i + 1}
        </span>
      ))}
    </>
  )
}

interface Served extends ServedAt {
  readonly is: 'wanted' | 'read'
}

/** Spark and delivery of a cylinder, as wanted and as last read. */
function servedOf({ sheet, state }: JobView, cylinderId: string): readonly Served[] {
  return (sheet.followers ?? [])
    .flatMap((follower): readonly Served[] => {
      const { now, aim } = followerOfJob(sheet, state, follower)
      const read = now?.beforeDeg === undefined ? [] : servedAt(sheet, follower, now.beforeDeg)
      return [
        ...servedByAim(sheet, follower, aim).map((one) => ({ ...one, is: 'wanted' as const })),
        ...read.map((one) => ({ ...one, is: 'read' as const })),
      ]
    })
    .filter((one) => one.cylinderId === cylinderId)
}

const servedWords = ({ kind, is, atDeg }: Served) =>
  `; ${kind === 'sparks' ? 'spark' : 'delivery'} ${is} at ${fixed(atDeg, 1)}`

/** Strokes of one cylinder. One that the ends of the strip cut in two has room for its short name only. */
function Strokes({ cylinder: { id, name }, dense }: { readonly cylinder: Cylinder; readonly dense: boolean }) {
  const { view } = useBench()
  const { sheet } = view
  const { cycleDeg } = sheet
  const spans = strokesOf(sheet, id)
  const served = servedOf(view, id)
  const wordsOf = (stroke: Stroke, deg: number) => (deg > 120 && !dense ? stroke : deg > 60 ? short4[stroke] : '')
  return (
    <div
      className="strip-row"
      role="img"
      aria-label={`Cylinder ${name}: ${spans.map(({ stroke, fromDeg, toDeg }) => `${stroke} ${fixed(fromDeg, 0)} to ${fixed(toDeg, 0)}`).join(', ') || 'firing TDC not known'}${served.map(servedWords).join('')}`}
    >
      {spans.length === 0 && (
        <span className="stroke unknown-stroke">
          {cycleDeg === 720 ? 'firing ' : ''}TDC of {name} not known
        </span>
      )}
      {spans.map(({ stroke, fromDeg, toDeg }) => (
        <span
          key={fromDeg}
          className={`stroke ${stroke}`}
          style={{ left: share(fromDeg, cycleDeg), width: share(toDeg - fromDeg, cycleDeg) }}
        >
          {wordsOf(stroke, toDeg - fromDeg)}
        </span>
      ))}
      {served.map((one) => (
        <span
          key={`${one.followerId} ${one.is} ${one.atDeg}`}
          className={one.is === 'read' ? 'strip-served read' : 'strip-served'}
          style={{ left: share(one.atDeg, cycleDeg) }}
        >
          {one.kind === 'sparks' ? 's' : 'd'}
        </span>
      ))}
    </div>
  )
}

function WhatIsNext() {
  const { view, side } = useBench()
  const { sheet, state } = view
  const [going, setGoing] = useState(false)
  const next = nextThing(view)
  const { missed } = state.crank
  return (
    <>
      <p className="strip-next">
        {missed ? (
          <strong className="brass">
            {missedTurnWords[missed]} {missed !== 'shortWayBack' && askTurn({ again: 'oneMoreTurn' }, view, side).words}
          </strong>
        ) : next ? (
          <>
            Next: <strong>{eventWords(next.event, view)}</strong>, {turnWords(next.aheadDeg, sheet, side)} ahead
            {view.guard.verdict !== 'turn' && '; the guard holds it'}
          </>
        ) : (
          'Where the crank stands on the cycle is not known yet.'
        )}
        {sheet.cylinders.length > 1 && state.crank.deg !== undefined && (
          <button type="button" className="link" onClick={() => setGoing(true)}>
            To another cylinder
          </button>
        )}
      </p>
      {going && <NextCylinder onClose={() => setGoing(false)} />}
    </>
  )
}

/** Where the events of the zero cylinder come by what was read of their camshafts, the latest phase: blue, beside the book's brass. */
function foundEvents({ sheet, state }: JobView) {
  return sheet.cams
    .filter(({ cylinderId }) => cylinderId === sheet.zeroCylinderId)
    .flatMap((cam) => {
      const timing = state.timing[cam.shaftId]
      const late = (timing?.left ?? timing?.set ?? timing?.found)?.latenessDeg
      const { opens, closes } = valveEvents(sheet, cam)
      if (late === undefined) return []
      return (
        [
          ['opens', opens],
          ['closes', closes],
        ] as const
      ).flatMap(([what, deg]) =>
        deg === undefined
          ? []
          : [
              {
                key: `${cam.id} ${what}`,
                atDeg: wrapToCycle(deg + late, sheet.cycleDeg),
                words: `${cam.valve} ${what} ${fixed(wrapToCycle(deg + late, sheet.cycleDeg), 0)}`,
              },
            ],
      )
    })
}
