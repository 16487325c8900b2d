import { useState } from 'react'
import {
  followerOfJob,
  liftPlusMinus,
  placePlusMinus,
  tradeOf,
  unitsPerDeg,
  type FollowerAim,
} from '@link-count/core/followers'
import { entryLimits, type EntryOf, type Follower, type FollowerFigure, type Phase } from '@link-count/core/model'
import type { JobState } from '@link-count/core/ledger'
import type { Step } from '@link-count/core/runSheet'
import { useDegreesField, useDraft, useLengthField } from '../../../../ui/fields'
import { useBench } from '../../JobContext'
import { liveId } from './liveId'

type Read = EntryOf<'followerRead'>

export interface Asked {
  readonly step: Step
  readonly phase: Phase
  readonly follower: Follower
  readonly aim: FollowerAim | undefined
  readonly cylinderId: string
}

/** Where the dial of a pump is set to 0, by what the guard and the school let be done. */
export const wayOfZero = ({ guard, schools }: ReturnType<typeof useBench>['view']) =>
  guard.onlyRunning || schools.reversing === 'never' ? 'forward' : 'back'

/** How far TDC may be out where it was neither proved nor seen by a mark, one sigma, crank degrees. Ours. */
const SIGMA_WITHOUT_ZERO = 1

/** The drafts of a reading: kept apart for each cylinder and kind of figure. */
function useDrafts({ step, phase, follower, aim, cylinderId }: Asked) {
  const { view } = useBench()
  const isFuel = tradeOf(follower) === 'fuel'
  const key = `${view.job.id}:${step.id}:${cylinderId}`
  const by = useDraft(`${key}:by`, aim?.by ?? (isFuel ? 'lift' : 'beforeTdc'))
  const figure = by.text as FollowerFigure
  const limits = entryLimits('followerRead', 'value')
  return {
    by,
    figure,
    tool: useDraft(`${key}:with:${figure}`, figure === 'lift' ? 'dial' : isFuel ? 'spill' : 'lamp'),
    bolts: useDraft(`${key}:bolts`, phase === 'set' ? 'loose' : 'tight'),
    zeroed: useDraft(`${key}:zeroed`, wayOfZero(view)),
    // How it is come to and how the dial is pressed in stay as they were said for the readings after.
    approach: useDraft(`${view.job.id}:${step.id}:approach`, ''),
    pressedIn: useLengthField(`${view.job.id}:${step.id}:pressedIn`, entryLimits('followerRead', 'pressedInMm')),
    startAdvance: useDraft(`${view.job.id}:${follower.id}:startAdvance`, ''),
    control: useDraft(`${key}:control`, ''),
    pointsAt: useDraft(`${key}:points`, ''),
    mm: useLengthField(`${key}:${figure}:mm`, limits),
    deg: useDegreesField(`${key}:deg`, limits),
  }
}

/** The ± of a figure, in its own unit: by what it was read with, and by how far TDC may be out. */
function usePlusMinus({ follower }: Asked) {
  const { sheet, state } = useBench().view
  const { move } = followerOfJob(sheet, state, follower)
  const zeroSigma = state.zero?.sigmaDeg ?? state.crank.byMark?.sigmaDeg ?? SIGMA_WITHOUT_ZERO
  return (figure: FollowerFigure, by: Read['with'], value: number) => {
    if (figure === 'lift') return liftPlusMinus(zeroSigma, move?.perCrankDeg)
    const place = placePlusMinus(by, zeroSigma)
    return figure === 'beforeTdc' ? place : place * (unitsPerDeg(sheet, { by: figure, value }) ?? 1)
  }
}

export const pawlsAreOut = ({ register }: JobState, follower: Follower) =>
  register.some(({ itemId }) => itemId === liveId('pawlsOut', follower))

/** What is asked for a reading, and how it is written. */
export function useFollowerReading(asked: Asked) {
  const { view, say } = useBench()
  const { step, phase, follower, cylinderId } = asked
  const drafts = useDrafts(asked)
  const plusMinusOf = usePlusMinus(asked)
  const { figure, tool, bolts, zeroed, startAdvance, control, pointsAt, mm, deg, approach, pressedIn } = drafts
  const byHand = follower.advance !== undefined && follower.advance.by !== 'automatic'
  const pawlsOut = pawlsAreOut(view.state, follower)
  const field = figure === 'beforeTdc' ? deg : mm
  const value = figure === 'beforeTdc' ? deg.value : mm.value?.value
  const [tried, setTried] = useState(false)
  const write = () => {
    setTried(true)
    field.ask()
    if (figure === 'lift') pressedIn.ask()
    const pressedInMm = pressedIn.value?.value
    if (value === undefined || approach.text === '' || (byHand && control.text === '')) return
    if (figure === 'lift' && pressedInMm === undefined) return
    const by = tool.text as Read['with']
    void say(
      {
        kind: 'followerRead',
        followerId: follower.id,
        cylinderId,
        phase,
        by: figure,
        value,
        plusMinus: plusMinusOf(figure, by, value),
        with: by,
        bolts: bolts.text as Read['bolts'],
        ...(figure === 'lift' ? { zeroed: zeroed.text as NonNullable<Read['zeroed']> } : {}),
        ...(figure === 'lift' && pressedInMm !== undefined ? { pressedInMm } : {}),
        ...(figure === 'lift' && startAdvance.text ? { startAdvance: startAdvance.text as 'off' | 'on' } : {}),
        ...(byHand ? { control: control.text as NonNullable<Read['control']> } : {}),
        ...(follower.impulse ? { pawls: pawlsOut ? 'heldOut' : 'free' } : {}),
        ...(pointsAt.text ? { pointsAt: pointsAt.text } : {}),
        approach: approach.text === 'against' ? 'against' : 'running',
        typed: [{ field: 'value', text: field.said }],
        stepId: step.id,
      },
      [field],
    )
  }
  return { ...drafts, byHand, pawlsOut, value, write, tried }
}
