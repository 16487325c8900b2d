import { fixed } from '@link-count/core/units'
import { useBench } from '../JobContext'
import { TurnTo } from '../TurnTo'
import type { TurnTarget } from '../turnPlan'
import { pastPlace } from './creep'

/** A crank that has crept from its place while something was fitted: to be brought back, or carried in the sum. */
export function CrankCrept({ target }: { readonly target: TurnTarget }) {
  const { view } = useBench()
  const past = pastPlace(view, target.deg)
  if (past === undefined) return null
  const deg = `${fixed(Math.abs(past), 1)}°`
  return (
    <div className="stack">
      <p className="warn">
        The crank stands <strong>{`${deg} ${past > 0 ? 'past' : 'short of'} its place`}</strong>. Either it goes back
        there first, or what is set and read here carries those {deg} with it.
      </p>
      <TurnTo target={target} />
    </div>
  )
}
