import { answersOf, fallsOf, figureKey, gainsOf, nextFigure, type Answer, type Gain } from '@link-count/core/answers'
import type { BuildSheet } from '@link-count/core/model'
import { useDraft } from '../../../ui/fields'
import { useChosenPart } from '../ChosenPart'
import { useSheetEditor } from '../SheetEditor'
import { answerLines } from './answerLines'

/** The figure to measure next: of the answer that is asked for, the first of what it still wants; else the one that buys most. But for those that somebody cannot
 *  get at. */
export function useNextFigure() {
  const { sheet, engineId } = useSheetEditor()
  const { asked } = useChosenPart()
  const cannot = useDraft(`sheet:${engineId}:cannot`)
  const passed = new Set(cannot.text.split('\n').filter(Boolean))
  const line = asked ? answerLines(sheet).find(({ name }) => name === asked) : undefined
  const own = line && firstOf(sheet, line.answers, passed)
  return {
    /** The answer that is asked for. */
    line,
    next: line ? own?.gain : nextFigure(answersOf(sheet), { cannot: passed, falls: fallsOf(sheet) }),
    /** How many figures its answer wants in all. */
    wanted: own?.wanted ?? 0,
    /** How many were passed over. */
    passed: passed.size,
    pass: (key: string) => cannot.setText([...passed, key].join('\n')),
    askAgain: cannot.drop,
  }
}

/** Of the answers of one line, the first that is open: what its shortest way wants first, in the order in which a mechanic measures. */
function firstOf(
  sheet: BuildSheet,
  answers: readonly Answer[],
  cannot: ReadonlySet<string>,
): { readonly gain: Gain | undefined; readonly wanted: number } | undefined {
  for (const { ways } of answers) {
    const open = ways.filter((way) => way.length > 0 && !way.some((one) => cannot.has(figureKey(one))))
    const [way] = [...open].sort((a, b) => a.length - b.length)
    const first = way?.[0]
    if (!way || !first) continue
    const gain = gainsOf(answersOf(sheet), { cannot }).find(({ figure }) => figureKey(figure) === figureKey(first))
    return { gain, wanted: way.length }
  }
  return undefined
}
