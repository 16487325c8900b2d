import { Button } from '@mantine/core'
import { figureKey, type Gain } from '@link-count/core/answers'
import { FieldGroup } from '../../../ui/fields'
import { ChosenPartProvider, useChosenPart } from '../ChosenPart'
import { useSheetEditor } from '../SheetEditor'
import { FigureField, isWrittenHere } from './FigureField'
import { figureWords } from './figureWords'
import { useNextFigure } from './useNextFigure'

/** The one figure that buys most, how it is come by, and the next one where it cannot be got at. Where to hold the calliper is shown on the drawing. */
export function MeasureNext() {
  const { sheet } = useSheetEditor()
  const { key: open, choose } = useChosenPart()
  const { next, passed, pass, askAgain } = useNextFigure()
  const again = passed > 0 && (
    <Button variant="quiet" onClick={askAgain}>
      {passed === 1 ? 'One was passed over: ask again' : `${passed} were passed over: ask again`}
    </Button>
  )
  if (!next) return again ? <section className="measure-next">{again}</section> : null
  const { name, how, part } = figureWords(sheet, next.figure)
  // Where its part is open it is written there, and asked for once.
  const here = part !== open && isWrittenHere(sheet, next.figure)
  return (
    <section className="measure-next stack" aria-label="Measure next">
      <h2>Next: {name}</h2>
      <p className="soft">
        {how} {boughtWords(next)}
      </p>
      {here && (
        <ChosenPartProvider value={{ key: part, choose }}>
          <FieldGroup className="panel-fields">
            <FigureField key={figureKey(next.figure)} figure={next.figure} />
          </FieldGroup>
        </ChosenPartProvider>
      )}
      <div className="row">
        {!here && part !== open && (
          <Button variant="default" onClick={() => choose(part)}>
            Write it down
          </Button>
        )}
        <Button variant="quiet" onClick={() => pass(figureKey(next.figure))}>
          Cannot get at it
        </Button>
        {again}
      </div>
    </section>
  )
}

const boughtWords = ({ settles, helps }: Gain) => {
  const n = settles.length
  if (n > 0) return `It answers ${n === 1 ? 'one thing more' : `${n} things more`}.`
  return `It brings ${helps.length === 1 ? 'one answer' : `${helps.length} answers`} nearer.`
}
