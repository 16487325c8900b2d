import { useMemo } from 'react'
import { latenessByCounts, sectionsOf, solveLoop } from '@link-count/core/drive'
import { sectionCounts } from '@link-count/core/ledger'
import type { CountRule } from '@link-count/core/model'
import { makeDriveScene, type DriveScene } from '../../../ui/face'
import type { JobView } from '../../../domain/views'

/** The drive as the ledger has it: loops on or off, lying where they were last counted. */
export function useScene({ sheet, state }: Pick<JobView, 'sheet' | 'state'>): DriveScene {
  const { loops, counts, camSet } = state
  return useMemo(() => {
    const latePitches = sheet.loops.flatMap((loop) => {
      const solved = solveLoop(sheet, loop)
      const drawn = solved.ok ? solved.value : undefined
      const sections = sectionsOf(sheet, loop, drawn).filter(({ expected }) => expected?.from === 'geometry')
      const found = sectionCounts(sections, counts)
      return latenessByCounts(sheet, sections, found, drawn?.driverId).map(
        ({ memberId, teethLate, restPitches }) => [memberId, teethLate + restPitches] as const,
      )
    })
    return makeDriveScene(sheet, {
      offLoops: Object.entries(loops).flatMap(([id, { on }]) => (on ? [] : [id])),
      latePitches: Object.fromEntries(latePitches),
      shaftOffDeg: Object.fromEntries(Object.values(camSet).map(({ shaftId, offDeg }) => [shaftId, offDeg])),
    })
  }, [sheet, loops, counts, camSet])
}

/** Where counting starts on the loop, by the rule and by where the mark stands. */
export function firstPinFor(rule: CountRule | '', fromSeat: 'gap' | 'tip'): 'under' | 'next' | 'afterTip' {
  if (fromSeat === 'tip') return 'afterTip'
  return rule === 'both' || rule === 'firstOnly' ? 'under' : 'next'
}
