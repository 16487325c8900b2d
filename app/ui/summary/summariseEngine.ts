import { isRemoved, type BuildSheet, type Engine, type Job } from '@link-count/core/model'
import { openWaits } from '@link-count/core/waits'
import type { EngineWork } from '../../domain/folds'
import { newestSheet } from '../../domain/sheets'
import type { EngineSummary } from '../../domain/summaries'
import { isView, readLatest, type JobView, type NotReadable } from '../../domain/views'
import { drawStill } from '../face/stillDrawing'
import { pinState } from '../pinState'
import { stepTitle } from '../wording'
import { engineLine, notReadableLine } from './engineLine'

/** The size that the list of engines shows a drive at, px. */
export const LISTED_FACE = { width: 140, height: 100 }

/** What the list of engines shows of one, from everything that was written on it. */
export const summariseEngine = (engine: Engine, work: EngineWork): EngineSummary =>
  summaryOf(readLatest(engine, work), work)

/** The same from its latest job as it was read. */
export function summaryOf(
  read: JobView | NotReadable | undefined,
  { jobs, sheets }: { readonly jobs: readonly Job[]; readonly sheets: readonly BuildSheet[] },
): EngineSummary {
  const view = isView(read) ? read : undefined
  const [latest] = jobs.filter((job) => !isRemoved(job)).sort((a, b) => b.number - a.number)
  const line = read && !view ? notReadableLine(latest?.number ?? 0) : engineLine(view)
  const sheet = newestSheet(sheets)
  return {
    ...line,
    jobId: view?.job.id ?? latest?.id,
    workedAt: [sheet?.at, latest?.at, view?.state.live.at(-1)?.at].reduce((last, at) =>
      at && at > (last ?? '') ? at : last,
    ),
    pins: (view?.steps ?? []).map(({ step, status }) => ({
      title: view ? stepTitle(step, view.sheet) : '',
      state: pinState(status, step === view?.inHand && !view.state.closed),
    })),
    face: sheet && stillOf(sheet),
    ...waitsOpen(view),
  }
}

function waitsOpen(view: JobView | undefined): Pick<EngineSummary, 'waits'> {
  const open = view ? openWaits(view.state) : []
  if (!view || open.length === 0) return {}
  const lastLineAt = Math.max(...view.state.live.map(({ at }) => Date.parse(at)))
  return { waits: open.map(({ entry }) => ({ entry, lastLineAt })) }
}

/** A build sheet that cannot be drawn is shown without its drawing. */
function stillOf(sheet: BuildSheet) {
  try {
    return drawStill(sheet, LISTED_FACE)
  } catch {
    return undefined
  }
}
