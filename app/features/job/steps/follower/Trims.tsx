import { bandOf } from '@link-count/core/diagnose'
import { cylindersRead, followerOfJob } from '@link-count/core/followers'
import { allOf } from '@link-count/core/ledger'
import type { Follower, Phase } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import { fixed, formatLateness } from '@link-count/core/units'
import { followerFigure } from '../../../../ui/wording'
import { useBench } from '../../JobContext'

/** Single pumps on a camshaft, trimmed one by one: whether the camshaft's own lateness still allows it, and every cylinder before and after. */
export function Trims({ follower }: { readonly follower: Follower }) {
  return (
    <>
      <MayTrim follower={follower} />
      <EachCylinder follower={follower} />
    </>
  )
}

function MayTrim({ follower: { shaftId } }: { readonly follower: Follower }) {
  const { sheet, state } = useBench().view
  const shaft = partsOf(sheet).shaft(shaftId)
  const { left, set, found } = state.timing[shaftId] ?? {}
  const timing = left ?? set ?? found
  if (shaft?.kind !== 'cam') return null
  if (!timing)
    return (
      <p className="warn">
        The {shaft.name.toLowerCase()} was not read. A pump is trimmed for what its camshaft is late by, up to 2°
        (common practice); beyond that the camshaft itself is set. Read it first.
      </p>
    )
  const plusMinus = 2 * timing.sigmaDeg
  const { band, sure } = bandOf(timing.latenessDeg, plusMinus, 'marine')
  const told = `The camshaft is ${formatLateness(timing.latenessDeg)} ± ${fixed(plusMinus, 2)}°`
  const says =
    sure === 'cannotTell'
      ? 'whether that may still be trimmed cannot be told: read it more closely.'
      : sure === 'onLimit'
        ? 'on the limit of 2°. Trim the pumps, and read it again.'
        : band.code === 'resetCamshaft'
          ? 'over the limit of 2°. Set the camshaft, not the pumps.'
          : band.code === 'early'
            ? 'early: that is no wear, and no pump is trimmed for it.'
            : 'the pumps may be trimmed for it. That mends no late exhaust valve.'
  const mayTrim = sure === 'in' && band.code === 'trim'
  return (
    <p className={mayTrim ? 'result' : 'warn'}>
      {told}: {says} <span className="soft">Limit: common practice.</span>
    </p>
  )
}

function EachCylinder({ follower }: { readonly follower: Follower }) {
  const { sheet, state } = useBench().view
  const peaks = allOf(state, 'pressure').filter(({ what }) => what === 'peak')
  const peak = (cylinderId: string, phase: Phase) =>
    peaks.findLast((one) => one.cylinderId === cylinderId && one.phase === phase)?.bar
  const bar = (value: number | undefined) => (value === undefined ? '' : ` ${fixed(value, 1)} bar`)
  return (
    <table className="trims">
      <caption>Each cylinder, before and after</caption>
      <thead>
        <tr>
          <th scope="col">Cylinder</th>
          <th scope="col">As found</th>
          <th scope="col">Now</th>
          <th scope="col">To go</th>
        </tr>
      </thead>
      <tbody>
        {cylindersRead(follower).flatMap((cylinderId) => {
          if (!cylinderId) return []
          const { found, now, aim, move } = followerOfJob(sheet, state, follower, cylinderId)
          const by = aim?.by ?? now?.entry.by ?? 'beforeTdc'
          const told = (value: number | undefined) => (value === undefined ? 'not read' : followerFigure(by, value))
          return [
            <tr key={cylinderId}>
              <th scope="row">{partsOf(sheet).cylinder(cylinderId)?.name ?? cylinderId}</th>
              <td>
                {told(found?.value)}
                {bar(peak(cylinderId, 'found'))}
              </td>
              <td>
                {now ? told(now.value) : 'read again'}
                {bar(peak(cylinderId, 'left'))}
              </td>
              <td>
                {!move || !now
                  ? ''
                  : now.against?.is === 'in'
                    ? 'in its band'
                    : `${followerFigure(by, Math.abs(move.short))} ${move.towards === 'advance' ? 'earlier' : 'later'}`}
              </td>
            </tr>,
          ]
        })}
      </tbody>
    </table>
  )
}
