import { useMemo } from 'react'
import { solveLoop, type LoopError } from '@link-count/core/drive'
import { countedMarks, pitchesFromCount } from '@link-count/core/drive'
import type { CountRule } from '@link-count/core/model'
import { makeDriveScene, type DriveScene } from '../../../ui/face'
import type { JobView } from '../../../domain/views'

/** The drive as the ledger has it: the loop on or off, lying where it was last counted. */
export function useScene({ sheet, state }: Pick<JobView, 'sheet' | 'state'>): {
  scene: DriveScene | undefined
  error: LoopError | undefined
} {
  const loop = sheet.loops[0]
  const loopOn = loop ? (state.loops[loop.id]?.on ?? true) : true
  const count = state.counts.findLast((one) => one.loopId === loop?.id)
  const camOffDeg = Object.values(state.camSet)[0]?.offDeg ?? 0
  const marks = loop && countedMarks(sheet, loop, 'tight')
  const seatedPitches =
    count && marks
      ? pitchesFromCount({ counted: count.counted, rule: count.rule, from: marks.fromSeat, to: marks.toSeat })
      : undefined
  return useMemo(() => {
    if (!loop) return { scene: undefined, error: undefined }
    const solved = solveLoop(sheet, loop)
    if (!solved.ok) return { scene: undefined, error: solved.error }
    return { scene: makeDriveScene(sheet, loop, solved.value, { loopOn, seatedPitches, camOffDeg }), error: undefined }
  }, [sheet, loop, loopOn, seatedPitches, camOffDeg])
}

/** Where counting starts on the loop, by the rule and by where the mark stands. */
export function firstPinFor(rule: CountRule | '', fromSeat: 'gap' | 'tip'): 'under' | 'next' | 'afterTip' {
  if (fromSeat === 'tip') return 'afterTip'
  return rule === 'both' || rule === 'firstOnly' ? 'under' : 'next'
}
