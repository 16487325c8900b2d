import { fixed } from '@link-count/core/units'
import { readWithWords, slackFigureWords, turnsOn } from '../../../ui/wording'
import { useBench } from '../JobContext'
import type { ChosenRound } from './useRound'

/** Every reading of the round with its conditions; each can be taken back. */
export function SlackTable({ chosen: { slack } }: { readonly chosen: ChosenRound }) {
  const { strike } = useBench()
  const tightest = slack.round?.tightest.entry.id
  const loosest = slack.round?.loosest.entry.id
  if (slack.entries.length === 0) return null
  return (
    <table className="slack-table">
      <caption className="unseen">Readings of this round</caption>
      <thead>
        <tr>
          <th scope="col">Where</th>
          <th scope="col">Read</th>
          <th scope="col">How</th>
          <th scope="col">
            <span className="unseen">Take it back</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {slack.entries.map((entry) => (
          <tr key={entry.id}>
            <td>{turnsOn(entry.turnDeg ?? 0)}</td>
            <td className="reading">
              {slackFigureWords(entry)}
              {entry.plusMinus > 0 && <span className="soft"> ± {fixed(entry.plusMinus, 1)}</span>}
              {slack.entries.length > 1 && entry.id === tightest && <strong> tightest</strong>}
              {slack.entries.length > 2 && entry.id === loosest && <span> loosest</span>}
            </td>
            <td>
              {readWithWords[entry.with]}, {entry.conditions.includes('hot') ? 'hot' : 'cold'}
              {entry.conditions.includes('tensionerHeld') ? ', tensioner slack' : ''}
              {entry.support === 'missing' ? ', not all fitted' : entry.support === 'fitted' ? ', all fitted' : ''}
            </td>
            <td>
              <button
                type="button"
                className="link"
                aria-label={`Take back ${slackFigureWords(entry)} ${turnsOn(entry.turnDeg ?? 0)}`}
                onClick={() => strike(entry, 'read again')}
              >
                Take back
              </button>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
