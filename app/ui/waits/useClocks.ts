import { useEffect, useState } from 'react'
import type { Clocks } from '@link-count/core/waits'
import { pageOpened } from './pageOpened'

const look = () => ({
  now: Date.now(),
  openedAt: pageOpened.wall,
  ranMs: performance.now() - pageOpened.running,
})

/** The clocks of this page, looked at every second. */
export function useClocks(): Omit<Clocks, 'lastLineAt'> {
  const [clocks, setClocks] = useState(look)
  useEffect(() => {
    const timer = setInterval(() => setClocks(look()), 1000)
    return () => clearInterval(timer)
  }, [])
  return clocks
}
