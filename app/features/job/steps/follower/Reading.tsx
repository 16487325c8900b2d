import { pointsWhere, type FollowerOfJob, type FollowerReading } from '@link-count/core/followers'
import { formatMm } from '@link-count/core/units'
import { Figure } from '../../../../ui/Figure'
import {
  againstWords,
  figureOfWords,
  followerFigure,
  followerWithWords,
  notToldWords,
  pointsWords,
  zeroedWords,
} from '../../../../ui/wording'
import { useBench } from '../../JobContext'

/** One reading against what is wanted: it can be opened. */
export function Reading({
  of: { follower, aim },
  reading,
  short = false,
}: {
  readonly of: FollowerOfJob
  readonly reading: FollowerReading
  readonly short?: boolean
}) {
  const { sheet, state } = useBench().view
  const { entry, value, plusMinus, not, against, stale } = reading
  const by = aim?.by ?? entry.by
  const asSeen = `${followerFigure(entry.by, entry.value)} ${figureOfWords[entry.by]}`
  const points = pointsWhere(sheet, state, follower, entry)
  if (value === undefined)
    return (
      <p className="warn">
        {asSeen} is not held against what is wanted: {not ? notToldWords[not] : 'something is missing'}.
        {entry.approach === 'against' || entry.by === 'lift' ? ' Then read it again.' : ''}
      </p>
    )
  const told = (
    <>
      <Figure
        opened={{
          title: follower.name,
          value: followerFigure(by, value),
          plusMinus: followerFigure(by, plusMinus),
          readings: [
            { label: `As seen, ${followerWithWords[entry.with]}`, value: asSeen },
            { label: 'Its bolts', value: entry.bolts },
            ...(entry.zeroed ? [{ label: 'The dial', value: zeroedWords[entry.zeroed] }] : []),
            ...(entry.pressedInMm === undefined
              ? []
              : [{ label: 'Its needle at 0', value: `pressed in by ${formatMm(entry.pressedInMm, 1)}` }]),
            ...(entry.startAdvance ? [{ label: 'Its cold-start advance', value: entry.startAdvance }] : []),
            ...(entry.pawls ? [{ label: 'Its pawls', value: entry.pawls === 'free' ? 'free' : 'held out' }] : []),
            ...(aim
              ? [
                  {
                    label: 'Wanted',
                    value: `${followerFigure(by, aim.value)}, ${followerFigure(by, aim.least)} to ${followerFigure(by, aim.most)}`,
                  },
                ]
              : []),
          ],
          formula:
            entry.by === 'lift'
              ? 'Lift from its zero to firing TDC. Less than wanted is late.'
              : 'Where it stands before firing TDC, with the lag of an impulse coupling and the travel of an advance where the figure is meant without them. Less than wanted is late.',
          source: 'common practice; the ± by what it was read with and by how far TDC may be out is ours',
        }}
      >
        {followerFigure(by, value)} ± {followerFigure(by, plusMinus)}
      </Figure>
      , bolts {entry.bolts}
      {against && `: ${againstWords(against)}`}
      {stale && <span className="soft">, moved since</span>}
    </>
  )
  if (short) return <span>{told}</span>
  return (
    <>
      <p className={against?.is === 'in' && against.sure === 'sure' ? 'result' : 'warn'}>
        <strong>{told}</strong>.
      </p>
      {entry.by === 'piston' && <ByPiston />}
      {points !== 'open' && points !== 'cannotMatter' && (
        <p className={points === 'right' ? 'result' : 'warn'}>{pointsWords[points]}</p>
      )}
    </>
  )
}

/** What a piston's drop was reckoned for: what is not on the sheet is said, and never taken in silence. */
function ByPiston() {
  const { plugAngleDeg, rodMm } = useBench().view.sheet
  const hole = !plugAngleDeg
    ? 'a hole along the bore, since how far it leans is not on the build sheet'
    : plugAngleDeg.value === 0
      ? 'a hole along the bore'
      : `a flat crown and a hole that leans ${plugAngleDeg.value}°`
  return (
    <p className="soft">
      Reckoned for {hole}
      {rodMm ? '' : ', the rod not known'}.
    </p>
  )
}
