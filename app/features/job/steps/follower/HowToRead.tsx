import { BETWEEN_BY_EYE_DEG, beforeTdc, betweenLines, tradeOf, type FollowerAim } from '@link-count/core/followers'
import type { Follower } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import { fixed, formatMm } from '@link-count/core/units'
import { askTurn } from '../../askTurn'
import { useBench } from '../../JobContext'
import { TurnTo } from '../../TurnTo'
import { followerTarget } from '../../turnPlan'
import './follower.css'

/** How it is read, in order; each sentence that asks for the crank is asked of the guard. */
export function HowToRead({
  follower,
  aim,
  cylinderId,
}: {
  readonly follower: Follower
  readonly aim: FollowerAim | undefined
  readonly cylinderId: string
}) {
  const { view, side } = useBench()
  const { sheet } = view
  const name = partsOf(sheet).cylinder(cylinderId)?.name ?? ''
  const target = followerTarget({ targetIds: [follower.id] }, view, cylinderId)
  // Of single pumps each has a place of its own, which the bench beside it does not say.
  const own = follower.kind === 'singlePumps'
  const turn = target && (
    <div className={own ? 'shown-here' : undefined}>
      <TurnTo target={target} />
    </div>
  )
  const wayBack = view.guard.onlyRunning || view.schools.reversing === 'never' ? 'forward' : 'back'
  const decoys = (follower.marks ?? []).filter(({ is }) => is !== 'timing')
  if (aim?.by === 'lift' || (!aim && tradeOf(follower) === 'fuel')) {
    const zero = askTurn({ pumpZero: wayBack }, view, side)
    return (
      <>
        <ol className="plain-list">
          <li>Cold-start advance off. Dial in the pump, its needle pressed in by about 2 mm.</li>
          <li className={zero.may ? undefined : 'warn'}>{zero.words}</li>
          {zero.may && <li>Then up to firing TDC of cylinder {name}, one way, and read the dial.</li>}
        </ol>
        {turn}
      </>
    )
  }
  const place = aim && beforeTdc(sheet, { by: aim.by, value: aim.value, plusMinus: 0 })
  const before = typeof place === 'object' ? place.deg : undefined
  return (
    <>
      {follower.setBy.includes('pointsGap') && <p>Its points gap first: it moves where it opens.</p>}
      {turn}
      {before !== undefined && <Lines beforeDeg={before} cylinderId={cylinderId} />}
      {decoys.length > 0 && (
        <p className="warn">
          No timing marks: {decoys.map(({ name: own, is }) => `${own} (${DECOYS[is]})`).join(', ')}.
        </p>
      )}
    </>
  )
}

const DECOYS = { timing: '', casting: 'a casting line', assembly: 'for assembly', version: 'of another version' }

/** Where to stop, told from the lines of the rim. */
function Lines({ beforeDeg, cylinderId }: { readonly beforeDeg: number; readonly cylinderId: string }) {
  const { sheet } = useBench().view
  const between = betweenLines(sheet, beforeDeg, cylinderId)
  if (!between) return null
  const { from, to, pastDeg, pastMm, fraction } = between
  if (pastDeg < 0.05) return <p>It is the line “{from.name}”.</p>
  return (
    <p>
      {fixed(pastDeg, 1)}°{pastMm === undefined ? '' : `, ${formatMm(pastMm, 1)} of rim,`} past the line “{from.name}”
      {to && fraction !== undefined && `: ${fixed(fraction, 2)} of the way to “${to.name}”`}. By eye ±{' '}
      {BETWEEN_BY_EYE_DEG}° at best.
    </p>
  )
}
