import type { ReactNode } from 'react'
import type { CamTiming } from '@link-count/core/cams'
import { formatLateness } from '@link-count/core/units'

/** The camshaft that stands furthest off, of those that were read. */
export function worstTiming(timings: readonly (CamTiming | undefined)[]): ReactNode {
  const worst = timings.reduce(
    (most, one) => (one && (!most || Math.abs(one.latenessDeg) > Math.abs(most.latenessDeg)) ? one : most),
    undefined,
  )
  if (!worst) return ''
  const words = formatLateness(worst.latenessDeg)
  return timings.every((one) => one?.proved) ? <span className="proved">{words}</span> : words
}
