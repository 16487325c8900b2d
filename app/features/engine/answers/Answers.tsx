import { UnstyledButton } from '@mantine/core'
import type { Answer } from '@link-count/core/answers'
import type { BuildSheet } from '@link-count/core/model'
import { answerLines, sectionOf, type AnswerLine } from './answerLines'
import { useChosenPart } from '../ChosenPart'
import { partKey } from '../parts/engineParts'
import { useSheetEditor } from '../SheetEditor'
import { figureWords } from './figureWords'
import './Answers.css'

const statusWords = { known: 'answered', half: 'half answered', open: 'open' } as const

/** What the sheet can tell now, and what it still wants: a line that is open, touched, asks for its own figures one after the other. */
export function Answers() {
  const { sheet } = useSheetEditor()
  const { choose, asked, ask } = useChosenPart()
  return (
    <section className="answers" aria-label="What can be answered now">
      <h2>What can be answered now</h2>
      <ul className="plain">
        {answerLines(sheet).map((line) => (
          <li key={line.name}>
            <UnstyledButton
              className="answer-line"
              aria-pressed={line.status === 'known' ? undefined : line.name === asked}
              onClick={() => (line.status === 'known' ? choose(partOfLine(sheet, line)) : ask(line.name))}
            >
              <span className={`pin-dot ${line.status}`} role="img" aria-label={statusWords[line.status]} />
              <span className="answer-name">{line.name}</span>
              {line.told ? (
                <span className="reading answer-value">{line.told}</span>
              ) : (
                <span className="soft answer-wants">{wantsWords(sheet, line)}</span>
              )}
            </UnstyledButton>
          </li>
        ))}
      </ul>
    </section>
  )
}

/** What an open line wants first, and how much more. */
function wantsWords(sheet: BuildSheet, { answers }: AnswerLine): string {
  const open = answers.find(({ status }) => status !== 'known')
  const least = open ? leastWay(open) : []
  const [first] = least
  if (!first) return ''
  return `${figureWords(sheet, first).name}${least.length > 1 ? ` and ${least.length - 1} more` : ''}`
}

const partOfLine = (sheet: BuildSheet, { answers: [one] }: AnswerLine) => (one ? partOf(sheet, one) : '')

const leastWay = ({ ways }: Answer) =>
  ways.reduce((best, way) => (way.length < best.length ? way : best), ways[0] ?? [])

/** The part that an answer speaks of. */
function partOf(sheet: BuildSheet, answer: Answer): string {
  switch (answer.about) {
    case 'tooth':
      return partKey('wheel', answer.targetId)
    case 'count':
      return partKey('counts', sectionOf(sheet, answer)?.loopId)
    case 'length':
      return partKey('loop', answer.targetId)
    case 'events':
    case 'lash':
      return partKey('valve', answer.targetId)
    case 'stop':
      return partKey('crank')
    case 'firing':
      return partKey('firing')
    case 'meeting':
      return partKey('running')
  }
}
