import { Button } from '@mantine/core'
import { couldHaveRun } from '@link-count/core/ledger'
import type { GuardReason } from '@link-count/core/guard'
import type { BuildSheet, NewEntry, Settled } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import './Settle.css'
import { inSentence, couplingName } from '../../../ui/wording'
import { useBench } from '../JobContext'

interface Answer {
  readonly words: string
  readonly newEntries: readonly NewEntry[]
  /** The line that it strikes instead. */
  readonly strikes?: string
}

/** For what nobody knows: what somebody sees on the engine now, each answer a line of the ledger. */
export function Settle({ reason }: { readonly reason: GuardReason }) {
  const { view, say, strike } = useBench()
  const { sheet, state } = view
  const answers = answersTo(reason, sheet, state.ranAsked === undefined && couldHaveRun(state.stand))
  if (answers.length === 0) return null
  const act = ({ newEntries, strikes }: Answer) => {
    const entry = view.entries.find(({ id }) => id === strikes)
    if (entry) strike(entry, 'it does not stand there', 'asked')
    else void say(newEntries)
  }
  return (
    <div className="row settle" role="group" aria-label="What do you see on the engine?">
      {answers.map((answer) => (
        <Button key={answer.words} variant="default" onClick={() => act(answer)}>
          {answer.words}
        </Button>
      ))}
    </div>
  )
}

const seen = (part: Settled): NewEntry[] => [{ kind: 'settled', part, role: '' }]

function answersTo({ code, targetId: id, vanished }: GuardReason, sheet: BuildSheet, askRan: boolean): Answer[] {
  if (vanished !== undefined) return vanishedAnswers(code, id, sheet)
  switch (code) {
    case 'loopSaidTwoWays':
      return [
        { words: 'It is on', newEntries: seen({ about: 'loop', id, is: 'on' }) },
        { words: 'It is off', newEntries: seen({ about: 'loop', id, is: 'off' }) },
      ]
    case 'loopJobLost':
      return [
        { words: 'It is on', newEntries: seen({ about: 'loop', id, is: 'on' }) },
        { words: 'It is off', newEntries: seen({ about: 'loop', id, is: 'off' }) },
      ]
    case 'couplingJobLost':
      return [
        { words: 'It is together', newEntries: seen({ about: 'coupling', id, is: 'together' }) },
        { words: 'It is apart', newEntries: seen({ about: 'coupling', id, is: 'apart' }) },
      ]
    case 'jobLost':
      return [
        {
          words: 'Nothing of it is left in, and every camshaft is in its place',
          newEntries: seen({ about: 'job', id, is: 'nothingInside' }),
        },
      ]
    case 'loopNewOnSheet':
      return [
        { words: 'On, as it ran', newEntries: seen({ about: 'loop', id, is: 'asItRan' }) },
        { words: 'On, fitted since', newEntries: seen({ about: 'loop', id, is: 'on' }) },
        { words: 'It is off', newEntries: seen({ about: 'loop', id, is: 'off' }) },
      ]
    case 'couplingSaidTwoWays':
      return [
        { words: 'It is together', newEntries: seen({ about: 'coupling', id, is: 'together' }) },
        { words: 'It is apart', newEntries: seen({ about: 'coupling', id, is: 'apart' }) },
      ]
    case 'couplingNewOnSheet':
      return [
        { words: 'Together, as it ran', newEntries: seen({ about: 'coupling', id, is: 'asItRan' }) },
        { words: 'Put together since', newEntries: seen({ about: 'coupling', id, is: 'together' }) },
        { words: 'It is apart', newEntries: seen({ about: 'coupling', id, is: 'apart' }) },
      ]
    case 'tensionerNotSaid':
      return [
        { words: 'It is released', newEntries: seen({ about: 'tensioner', id, is: 'released' }) },
        { words: 'It is held back', newEntries: seen({ about: 'tensioner', id, is: 'heldBack' }) },
      ]
    case 'camshaftSaidTwoWays':
      return (['driven', 'held', 'free', 'out'] as const).map((is) => ({
        words: { driven: 'Driven', held: 'In and held', free: 'In and free', out: 'Out' }[is],
        newEntries: seen({ about: 'camshaft', id, is }),
      }))
    case 'camshaftHeld':
      return [{ words: 'Its hold is off', newEntries: [{ kind: 'camshaft', shaftId: id, is: 'driven' }] }]
    case 'itemSaidTwoWays':
      return [
        { words: 'It is in', newEntries: seen({ about: 'item', id, is: 'in' }) },
        { words: 'It is out', newEntries: seen({ about: 'item', id, is: 'out' }) },
      ]
    case 'placeContradicted':
      return [
        { words: 'It stands where I said', newEntries: seen({ about: 'crank', id, is: 'asSeen' }) },
        { words: 'What I said is wrong', newEntries: [], strikes: id },
      ]
    case 'camshaftReadsOut':
      return !askRan
        ? []
        : [{ words: 'It ran so until it came in', newEntries: [{ kind: 'ranUntilNow', says: 'yes', role: '' }] }]
    default:
      return []
  }
}

/** A part that is on the sheet no more: which of today's it is, or that it is off the engine for good. */
function vanishedAnswers(code: GuardReason['code'], id: string, sheet: BuildSheet): Answer[] {
  const about = code.startsWith('tensioner') ? 'tensioner' : code.startsWith('coupling') ? 'coupling' : 'loop'
  const parts =
    about === 'tensioner'
      ? partsOf(sheet).tensioners
      : about === 'loop'
        ? sheet.loops
        : sheet.couplings.map((one) => ({ ...one, name: couplingName(one, sheet) }))
  return [
    ...parts.map((part) => ({
      words: `It is now the ${inSentence(part.name)}`,
      newEntries: seen({ about, id, is: 'became', became: part.id }),
    })),
    { words: 'It is off the engine for good', newEntries: seen({ about, id, is: 'gone' }) },
  ]
}
