import { Link } from 'react-router'
import { judgeWait, type WaitStands } from '@link-count/core/waits'
import type { WaitOpen } from '../../domain/summaries'
import { waitHoldsWords } from '../wording'
import { useClocks } from './useClocks'
import './waits.css'

export interface ShownWait extends WaitOpen {
  readonly jobId: string
  readonly engine: string
}

/** The waits that hold something, on every page: how long each has still to go. */
export default function WaitChips({ waits, kind }: { readonly waits: readonly ShownWait[]; readonly kind: string }) {
  const clocks = useClocks()
  return waits.map((wait) => {
    const { jobId, engine, entry, lastLineAt } = wait
    const stands = judgeWait({ entry, ended: undefined }, { ...clocks, lastLineAt })
    return (
      <Link key={`${jobId} ${entry.waitId}`} to={`/${kind}/job/${jobId}`} className={`wait-chip ${stands.is}`}>
        <span className="reading">{shortWords(stands)}</span>
        <span className="wide">
          {engine}: {stands.is === 'over' ? 'the wait is over' : entry.where || waitHoldsWords[entry.holds]}
        </span>
      </Link>
    )
  })
}

const shortWords = (stands: WaitStands) =>
  stands.is === 'running' ? `${Math.ceil(stands.leftMs / 60_000)} min` : stands.is === 'over' ? 'Over' : 'Wait ?'
