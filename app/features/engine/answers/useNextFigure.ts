import { answersOf, nextFigure } from '@link-count/core/answers'
import { useDraft } from '../../../ui/fields'
import { useSheetEditor } from '../SheetEditor'

/** The figure that buys most, but for those that somebody cannot get at. */
export function useNextFigure() {
  const { sheet, engineId } = useSheetEditor()
  const cannot = useDraft(`sheet:${engineId}:cannot`)
  const passed = new Set(cannot.text.split('\n').filter(Boolean))
  return {
    next: nextFigure(answersOf(sheet), passed),
    /** How many were passed over. */
    passed: passed.size,
    pass: (key: string) => cannot.setText([...passed, key].join('\n')),
    askAgain: cannot.drop,
  }
}
