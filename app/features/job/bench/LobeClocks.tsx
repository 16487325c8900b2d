import { useEffect, useRef } from 'react'
import { lobeHour } from '@link-count/core/cams'
import type { Cam } from '@link-count/core/model'
import { hourWords } from '../../../ui/wording'
import { useBench } from '../JobContext'
import './LobeClocks.css'

const LOBE = 'M0 -34C9 -34 12 -22 14 -12A18 18 0 1 1 -14 -12C-12 -22 -9 -34 0 -34Z'

/** Each lobe of a cylinder as it should stand with the crank as drawn, seen from the side stood at: to be held beside what is seen on the
 *  engine. */
export function LobeClocks({ cams }: { readonly cams: readonly Cam[] }) {
  const { view, side, drawn } = useBench()
  const { sheet } = view
  const box = useRef<HTMLDivElement>(null)
  useEffect(() => {
    const parts = [...(box.current?.querySelectorAll<SVGGElement>('[data-lobe]') ?? [])]
    const words = [...(box.current?.querySelectorAll<HTMLElement>('[data-hour]') ?? [])]
    const hourOf = (camId: string | undefined) => {
      const cam = cams.find(({ id }) => id === camId)
      const hour = cam && lobeHour(sheet, cam, drawn.get())
      return hour === undefined ? undefined : side === 'timing' ? hour : (12 - hour) % 12
    }
    const draw = () => {
      for (const node of parts) node.setAttribute('transform', `rotate(${(hourOf(node.dataset['lobe']) ?? 0) * 30})`)
      for (const node of words) {
        const hour = hourOf(node.dataset['hour'])
        node.textContent = hour === undefined ? '' : hourWords(hour)
      }
    }
    draw()
    return drawn.subscribe(draw)
  }, [cams, sheet, side, drawn])
  const known = cams.filter((cam) => lobeHour(sheet, cam, 0) !== undefined)
  if (known.length === 0) {
    return (
      <p className="soft lobe-clocks">
        Where the lobes point at full lift is not on the sheet: with it they are drawn here.
      </p>
    )
  }
  return (
    <div className="lobe-clocks" ref={box}>
      {known.map(({ id, name }) => (
        <figure key={id}>
          <svg viewBox="-50 -50 100 100" width="92" height="92" aria-hidden="true">
            <circle r="47" className="lobe-face" />
            {Array.from({ length: 12 }, (_, i) => (
              <line
                key={i}
                y1="-47"
                y2={i % 3 === 0 ? -39 : -43}
                transform={`rotate(${i * 30})`}
                className="lobe-tick"
              />
            ))}
            <g data-lobe={id}>
              <path d={LOBE} className="lobe" />
            </g>
            <circle r="3" className="axis" />
          </svg>
          <figcaption>
            {name}: <span data-hour={id} className="reading" />
          </figcaption>
        </figure>
      ))}
    </div>
  )
}
