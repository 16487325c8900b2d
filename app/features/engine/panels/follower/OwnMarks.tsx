import { Button } from '@mantine/core'
import type { Follower } from '@link-count/core/model'
import { Fold } from '../../../../ui/Fold'
import { patchFollower, withValue } from '../../sheetChanges'
import { useSheetEditor } from '../../SheetEditor'
import { Choice, WordsField } from '../fields'

type OwnMark = NonNullable<Follower['marks']>[number]

const IS: readonly { readonly value: OwnMark['is']; readonly label: string }[] = [
  { value: 'timing', label: 'its timing line' },
  { value: 'casting', label: 'a casting line: no timing mark' },
  { value: 'assembly', label: 'for putting it together only' },
  { value: 'version', label: 'of another version' },
]

/** Its own lines: the timing mark, and those that look like one. */
export function OwnMarks({ follower }: { readonly follower: Follower }) {
  const { apply } = useSheetEditor()
  const marks = follower.marks ?? []
  const set = (next: readonly OwnMark[]) =>
    patchFollower(follower.id, (one) => withValue(one, 'marks', next.length > 0 ? [...next] : undefined))
  const change = (i: number, to: Partial<OwnMark>) => set(marks.map((one, k) => (k === i ? { ...one, ...to } : one)))
  return (
    <Fold title="Its own marks" note={marks.length === 0 ? 'none written down' : `${marks.length}`}>
      {marks.map(({ name, is }, i) => (
        <div key={i} className="panel-group">
          <WordsField
            id={`own-mark-${follower.id}-${i}`}
            label={`Mark ${i + 1} looks like`}
            value={name}
            change={(text) => change(i, { name: text })}
          />
          <Choice label={`Mark ${i + 1} is`} value={is} options={IS} onChoose={(to) => apply(change(i, { is: to }))} />
          <Button variant="quiet" onClick={() => void apply(set(marks.filter((_one, k) => k !== i)))}>
            Take mark {i + 1} off
          </Button>
        </div>
      ))}
      {marks.length < 24 && (
        <Button
          variant="quiet"
          onClick={() => void apply(set([...marks, { name: `Line ${marks.length + 1}`, is: 'timing' }]))}
        >
          Add a mark on it
        </Button>
      )}
    </Fold>
  )
}
