import { useEffect, useRef } from 'react'
import { fixed, wrapToSigned } from '@link-count/core/units'
import { useBench } from '../JobContext'
import './CrankReadout.css'

const doubts = { proven: 'proven', byMark: 'by the mark', reckoned: 'reckoned, not proven', unknown: 'not known' }

/** The drawn crank as a large number, and the engine's own place under it. It is written straight onto the page: with every frame of a drag nothing is
 *  rendered. */
export function CrankReadout() {
  const { view, drawn } = useBench()
  const { crank, zero } = view.state
  const { cycleDeg } = view.sheet
  const figure = useRef<HTMLDivElement>(null)
  const words = useRef<HTMLParagraphElement>(null)
  useEffect(() => {
    const { deg: stands, doubt, byMark } = crank
    const sigmaDeg = byMark?.sigmaDeg ?? zero?.sigmaDeg
    const here = `the engine stands here, ${doubts[doubt]}${sigmaDeg === undefined ? '' : `, ± ${fixed(2 * sigmaDeg, 2)}°`}`
    const there = `drawn; the engine stands at ${fixed(stands ?? 0, 1)}°, ${doubts[doubt]}`
    const write = () => {
      const deg = drawn.get()
      const isHere = stands !== undefined && Math.abs(wrapToSigned(deg - stands, cycleDeg)) < 0.05
      if (figure.current) figure.current.textContent = `${fixed(deg, 1)}°`
      const said = stands === undefined ? 'drawn; the engine’s place is not known' : isHere ? here : there
      if (words.current && words.current.textContent !== said) words.current.textContent = said
    }
    write()
    return drawn.subscribe(write)
  }, [drawn, crank, zero, cycleDeg])
  return (
    <div className="readout">
      <div ref={figure} className="reading big" />
      <p ref={words} className="soft" />
    </div>
  )
}
