import {
  cylindersRead,
  followerOfJob,
  leadsOfJob,
  type FollowerOfJob,
  type FollowerReading,
} from '@link-count/core/followers'
import { partsOf } from '@link-count/core/sheet'
import { CapOf } from '../../ui/leads/CapOf'
import type { JobView } from '../../domain/views'
import {
  againstWords,
  figureOfWords,
  followerFigure,
  followerWithWords,
  leadsWords,
  whichAimWords,
} from '../../ui/wording'

/** Fuel and spark as found and as left, with what they were set to and why. */
export function FollowerRows({ view: { sheet, state } }: { readonly view: JobView }) {
  return (sheet.followers ?? []).flatMap((follower) =>
    cylindersRead(follower).flatMap((cylinderId) => {
      const of = followerOfJob(sheet, state, follower, cylinderId)
      const leads = leadsOfJob(sheet, state, follower)?.judged
      if (of.readings.length === 0) return []
      const left = of.readings.findLast(({ entry }) => entry.phase !== 'found')
      const name = cylinderId && partsOf(sheet).cylinder(cylinderId)?.name
      return [
        <tr key={`${follower.id} ${cylinderId ?? ''}`}>
          <th scope="row">
            {follower.name}
            {name ? `, cylinder ${name}` : ''}
            <Wanted of={of} />
          </th>
          <td>{of.found ? <Cell of={of} reading={of.found} /> : 'not read'}</td>
          <td>
            {left ? <Cell of={of} reading={left} left /> : 'left alone'}
            {leads && <>. {leadsWords(leads, (id) => partsOf(sheet).cylinder(id)?.name ?? id)}</>}
          </td>
        </tr>,
      ]
    }),
  )
}

/** The leads round each cap that was looked at, as they belong. */
export function LeadsDrawn({ view: { sheet, state } }: { readonly view: JobView }) {
  return (sheet.followers ?? []).flatMap((follower) =>
    leadsOfJob(sheet, state, follower)
      ? [
          <section key={follower.id}>
            <strong>{follower.name}: leads</strong>
            <CapOf sheet={sheet} follower={follower} />
          </section>,
        ]
      : [],
  )
}

function Wanted({ of: { aim } }: { readonly of: FollowerOfJob }) {
  if (!aim) return null
  return (
    <span className="soft">
      {' '}
      wanted {followerFigure(aim.by, aim.value)} {figureOfWords[aim.by]}, {followerFigure(aim.by, aim.least)} to{' '}
      {followerFigure(aim.by, aim.most)}, {whichAimWords[aim.which]}
      {aim.reason && `: ${aim.reason}`}
      {aim.outsideBook && ', outside the book’s band on purpose'}
    </span>
  )
}

function Cell({
  of: { aim },
  reading: { entry, value, plusMinus, against, stale },
  left = false,
}: {
  readonly of: FollowerOfJob
  readonly reading: FollowerReading
  readonly left?: boolean
}) {
  const by = value === undefined ? entry.by : (aim?.by ?? entry.by)
  return (
    <>
      <span className="reading">
        {followerFigure(by, value ?? entry.value)} ± {followerFigure(by, plusMinus)}
      </span>
      , {followerWithWords[entry.with]}
      {left && `, bolts ${entry.bolts}`}
      {against && `: ${againstWords(against)}`}
      {left && stale && <strong>, moved since: to be read again</strong>}
    </>
  )
}
