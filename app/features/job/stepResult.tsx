import type { ReactNode } from 'react'
import { allOf } from '@link-count/core/ledger'
import { cautionsFor, type Step, type StepStatus } from '@link-count/core/runSheet'
import { fixed, formatLateness } from '@link-count/core/units'
import type { JobView } from '../../domain/views'
import { formatClock } from '../../ui/wording'
import { wheelAsSeen } from '../../ui/job'

/** A step's result on one line. */
export function stepResult(step: Step, status: StepStatus, view: JobView): ReactNode {
  const { state, sheet } = view
  if (status.outcome === 'cannot') return 'cannot be done'
  if (status.outcome === 'skipped') return 'passed over'
  const shaftId = step.targetIds[0] ?? ''
  switch (step.kind) {
    case 'makeSafe': {
      const all = cautionsFor(sheet)
      return `${all.filter(({ id }) => state.ticked.has(id)).length} of ${all.length} ticked`
    }
    case 'lashFound':
    case 'lashLeft': {
      const n = allOf(state, 'lash').filter(
        ({ phase }) => phase === (step.kind === 'lashFound' ? 'found' : 'left'),
      ).length
      return n === 0 ? '' : `${n} of ${step.targetIds.length} valves`
    }
    case 'trueTdc':
      return state.zero
        ? `wheel ${wheelAsSeen(state.zero.wheelDeg, state)} ± ${fixed(state.zero.plusMinusDeg, 2)}°`
        : ''
    case 'whichTdc':
      if (state.half.known === 'proved') return <span className="proved">proved</span>
      return state.half.known === 'unknown' ? '' : state.half.known === 'conflict' ? 'conflict' : 'one witness'
    case 'asFound':
    case 'twoTurns': {
      const camshafts = sheet.shafts.filter(
        ({ id, kind }) => kind === 'cam' && (step.kind === 'twoTurns' || id === shaftId),
      )
      const read = camshafts.map(({ id }) => state.timing[id]?.[step.kind === 'asFound' ? 'found' : 'left'])
      const worst = read.reduce(
        (most, one) => (one && (!most || Math.abs(one.latenessDeg) > Math.abs(most.latenessDeg)) ? one : most),
        undefined,
      )
      if (!worst) return ''
      return read.every((one) => one?.proved) ? (
        <span className="proved">{formatLateness(worst.latenessDeg)}</span>
      ) : (
        formatLateness(worst.latenessDeg)
      )
    }
    case 'poseChainOff': {
      const off = state.live.findLast(
        (entry) => entry.kind === 'loop' && entry.change === 'off' && entry.loopId === step.targetIds[0],
      )
      return off ? formatClock(off.at) : ''
    }
    case 'setCam': {
      const set = state.camSet[shaftId]
      return set
        ? set.offDeg === 0
          ? 'meets'
          : `${fixed(Math.abs(set.offDeg), 1)}° ${set.offDeg > 0 ? 'late' : 'early'}`
        : ''
    }
    case 'chainOnCount': {
      const count = state.counts.findLast((one) => one.phase === 'set' && one.loopId === step.targetIds[0])
      return count ? `${count.counted} counted` : ''
    }
    case 'tensioner':
      return {
        proven: 'felt to push',
        released: 'released',
        fitted: 'held',
        heldBack: 'held',
        asArrived: '',
        out: 'out',
        notSaid: 'not said',
        unknown: 'not known',
      }[state.tensioners[shaftId] ?? 'out']
    case 'card':
      return state.closed ? 'signed' : ''
  }
}
