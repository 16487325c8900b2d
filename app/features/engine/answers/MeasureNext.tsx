import { Button } from '@mantine/core'
import { useEffect, useRef } from 'react'
import { figureKey, type Gain } from '@link-count/core/answers'
import { FieldGroup } from '../../../ui/fields'
import { inSentence } from '../../../ui/wording'
import { ChosenPartProvider, useChosenPart } from '../ChosenPart'
import { useSheetEditor } from '../SheetEditor'
import type { AnswerLine } from './answerLines'
import { FigureField, isWrittenHere } from './FigureField'
import { figureWords } from './figureWords'
import { useNextFigure } from './useNextFigure'

/** The one figure to measure next, how it is come by, and the next one where it cannot be got at: of the answer that was touched, else the one that buys most. Where to
 *  hold the calliper is shown on the drawing. */
export function MeasureNext() {
  const { sheet } = useSheetEditor()
  const chosen = useChosenPart()
  const { next, line, wanted, passed, pass, askAgain } = useNextFigure()
  const section = useAsked(line, next && figureKey(next.figure))
  const again = passed > 0 && (
    <Button variant="quiet" onClick={askAgain}>
      {passed === 1 ? 'One was passed over: ask again' : `${passed} were passed over: ask again`}
    </Button>
  )
  const whatElse = line && (
    <Button variant="quiet" onClick={() => chosen.ask('')}>
      What else to measure
    </Button>
  )
  if (!next)
    return again || line ? (
      <section className="measure-next stack" aria-label="Measure next" ref={section} tabIndex={-1}>
        {line && <Asked line={line} />}
        <div className="row">
          {whatElse}
          {again}
        </div>
      </section>
    ) : null
  const { name, how, part } = figureWords(sheet, next.figure)
  // Where its part is open it is written there, and asked for once.
  const here = part !== chosen.key && isWrittenHere(sheet, next.figure)
  return (
    <section className="measure-next stack" aria-label="Measure next" ref={section} tabIndex={-1}>
      {line && <p className="measure-for">For: {inSentence(line.name)}</p>}
      <h2>Next: {name}</h2>
      <p className="soft">
        {how} {line ? stillWords(wanted - 1) : boughtWords(next)}
      </p>
      {here && (
        <ChosenPartProvider value={{ ...chosen, key: part }}>
          <FieldGroup className="panel-fields">
            <FigureField key={figureKey(next.figure)} figure={next.figure} />
          </FieldGroup>
        </ChosenPartProvider>
      )}
      <div className="row">
        {!here && part !== chosen.key && (
          <Button variant="default" onClick={() => chosen.choose(part)}>
            Write it down
          </Button>
        )}
        <Button variant="quiet" onClick={() => pass(figureKey(next.figure))}>
          Cannot get at it
        </Button>
        {whatElse}
        {again}
      </div>
    </section>
  )
}

/** Brings into sight what is asked for when an answer was touched, and goes on to the next figure when one is written. */
function useAsked(line: AnswerLine | undefined, figure: string | undefined) {
  const section = useRef<HTMLElement>(null)
  const name = line?.name
  useEffect(() => {
    if (name === undefined) return
    const field = section.current?.querySelector<HTMLElement>('input, select')
    const at = field ?? section.current
    at?.focus()
    section.current?.scrollIntoView({ block: 'nearest' })
  }, [name, figure])
  return section
}

/** An answer that wants nothing more that can be got at. */
const Asked = ({ line }: { readonly line: AnswerLine }) => (
  <p>
    <strong>{line.name}:</strong>{' '}
    {line.told ?? 'what it still wants was passed over, or follows from nothing that can be measured here.'}
  </p>
)

const stillWords = (more: number) =>
  more > 0 ? `${more === 1 ? 'One figure' : `${more} figures`} more after it.` : 'That is all it wants.'

const boughtWords = ({ settles, helps, narrows }: Gain) => {
  const n = settles.length
  if (n > 0) return `It answers ${n === 1 ? 'one thing more' : `${n} things more`}.`
  const nearer = `It brings ${helps.length === 1 ? 'one answer' : `${helps.length} answers`} nearer`
  return narrows >= 1 ? `${nearer}, and is what they hang on most.` : `${nearer}.`
}
