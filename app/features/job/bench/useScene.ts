import { useMemo } from 'react'
import { latenessByCounts, readDrive } from '@link-count/core/drive'
import { sectionCounts } from '@link-count/core/ledger'
import type { BuildSheet, CountRule, EntryOf } from '@link-count/core/model'
import { makeDriveScene, type DriveScene, type SceneState } from '@link-count/core/scene'
import type { JobView } from '../../../domain/views'

/** How late each wheel stands on its loop by these counts, pitches; only where the drive is known to scale. */
function latePitchesBy(sheet: BuildSheet, counts: readonly EntryOf<'count'>[]): Record<string, number> {
  const drive = readDrive(sheet)
  const late = sheet.loops.flatMap((loop) => {
    const sections = drive.sections(loop).filter(({ expected }) => expected?.from === 'geometry')
    return latenessByCounts(sheet, sections, sectionCounts(sections, counts), drive.driverOf(loop)?.id).map(
      ({ memberId, teethLate, restPitches }) => [memberId, teethLate + restPitches] as const,
    )
  })
  return Object.fromEntries(late)
}

/** The drive as the ledger has it: loops on or off, lying where they were last counted. */
export function useScene({ sheet, state }: Pick<JobView, 'sheet' | 'state'>): DriveScene {
  const { loops, counts, camSet } = state
  return useMemo(
    () =>
      makeDriveScene(sheet, {
        offLoops: Object.entries(loops).flatMap(([id, { on }]) => (on ? [] : [id])),
        latePitches: latePitchesBy(sheet, counts),
        shaftOffDeg: Object.fromEntries(Object.values(camSet).map(({ shaftId, offDeg }) => [shaftId, offDeg])),
      }),
    [sheet, loops, counts, camSet],
  )
}

/** The drive as it was found, where it was counted before anything was touched. */
export function useFoundState({ sheet, state }: Pick<JobView, 'sheet' | 'state'>): SceneState | undefined {
  const { counts } = state
  return useMemo(() => {
    const found = counts.filter(({ phase }) => phase === 'found')
    return found.length > 0 ? { offLoops: [], latePitches: latePitchesBy(sheet, found), shaftOffDeg: {} } : undefined
  }, [sheet, counts])
}

/** Where counting starts on the loop, by the rule and by where the mark stands. */
export function firstPinFor(rule: CountRule | '', fromSeat: 'gap' | 'tip'): 'under' | 'next' | 'afterTip' {
  if (fromSeat === 'tip') return 'afterTip'
  return rule === 'both' || rule === 'firstOnly' ? 'under' : 'next'
}
