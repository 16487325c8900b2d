import { attemptsAt, readLoop, type Attempt } from '@link-count/core/ledger'
import type { Loop } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import { fixed, formatLateness } from '@link-count/core/units'
import { inSentence, sectionEndWords } from '../../../../ui/wording'
import { moveWords } from '../../moveWords'
import { useBench } from '../../JobContext'
import './AttemptsLog.css'

/** Every try at hanging a loop since it went on: moved how, read what, and the move that came of it. */
export function AttemptsLog({ loop }: { readonly loop: Loop }) {
  const { view, side } = useBench()
  const { sheet, state } = view
  const attempts = attemptsAt(sheet, loop, state.live, state)
  if (attempts.length < 2) return null
  const { sections } = readLoop(sheet, loop, state.counts, undefined, state.seats)
  const fromOf = (sectionId: string) => {
    const section = sections.find(({ id }) => id === sectionId)
    return section ? sectionEndWords(sheet, loop, section, 'from', side) : ''
  }
  const words = (move: { memberId: string; teeth: number }) =>
    moveWords({ memberId: move.memberId, layTeeth: move.teeth }, loop, sheet, side)
  const circle = attempts.at(-1)?.sameAs
  return (
    <section className="attempts" aria-label={`Tries at the ${inSentence(loop.name)}`}>
      <h3>Tries so far</h3>
      <ol>
        {attempts.map((attempt, i) => (
          <li key={i}>
            {attempt.moved.map(words).join(' ') || 'As it was hung.'} <Read attempt={attempt} fromOf={fromOf} />
          </li>
        ))}
      </ol>
      {circle !== undefined && (
        <p className="warn">
          It lies as it lay at try {circle + 1}: going round in a circle. Check which sprocket the{' '}
          {inSentence(loop.name)} was laid over, and that the crank and the cams have not moved.
        </p>
      )}
    </section>
  )
}

function Read({ attempt, fromOf }: { attempt: Attempt; fromOf: (sectionId: string) => string }) {
  const { sheet } = useBench().view
  const seen = attempt.seen.map(
    ({ shaftId, latenessDeg }) => `${inSentence(partsOf(sheet).shaft(shaftId)?.name)} ${formatLateness(latenessDeg)}`,
  )
  if (attempt.found.length + seen.length === 0) return <span className="soft">Not read yet.</span>
  const counted = attempt.found.map(
    ({ sectionId, foundPitches, expectedPitches }) =>
      `${fixed(foundPitches, 1)}${expectedPitches === undefined ? '' : ` of ${fixed(expectedPitches, 1)}`} from ${fromOf(sectionId)}`,
  )
  return (
    <span className="soft">
      {counted.length > 0 && `Counted ${counted.join(', ')}${attempt.next.length === 0 ? ': right. ' : '. '}`}
      {seen.length > 0 && `Seen: ${seen.join(', ')}.`}
    </span>
  )
}
