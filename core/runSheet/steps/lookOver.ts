import { allOf } from '../../ledger'
import { partsOf } from '../../sheet'
import type { StepKindRecord } from './step'
import { camshaftsOf } from './targets'

/** Camshafts, chains and belts, and tensioners, looked at before anything is measured: what is seen, and whether it goes on. */
export const lookOver: StepKindRecord = {
  targets: (sheet) => {
    const parts = [...camshaftsOf(sheet), ...sheet.loops, ...partsOf(sheet).tensioners]
    return parts.length > 0 ? [parts.map(({ id }) => id)] : []
  },
  needs: ['madeSafe'],
  gives: ['lookedOver'],
  phase: 'found',
  evidence: ({ state, targetIds }) => {
    const seen = new Set(allOf(state, 'finding').map(({ partId }) => partId))
    const n = targetIds.filter((id) => seen.has(id)).length
    return n === 0 ? 'none' : n < targetIds.length ? 'part' : 'read'
  },
}
