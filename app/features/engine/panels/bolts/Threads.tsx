import { Checkbox } from '@mantine/core'
import { LOCKED_BY, THREAD_WITH, type BoltGroup } from '@link-count/core/model'
import { Fold } from '../../../../ui/Fold'
import { lockedByWords, threadWithWords } from '../../../../ui/wording'
import { patchBolts, withValue } from '../../sheetChanges'
import { useSheetEditor } from '../../SheetEditor'
import { Choice, WordsField } from '../fields'

type Words = 'thread' | 'strength' | 'lengths' | 'lockerGrade' | 'againAfterRun'
type YesNo = 'leftHand' | 'newEachTime' | 'stretch'

/** Threads, what goes on them, and what keeps the bolts from coming undone. */
export function Threads({ group }: { readonly group: BoltGroup }) {
  const { apply } = useSheetEditor()
  const { id, threadWith } = group
  const patch = (change: (one: BoltGroup) => BoltGroup) => patchBolts(id, change)
  const words = (key: Words, label: string) => (
    <WordsField
      mayBeEmpty
      id={`bolts-${id}-${key}`}
      label={label}
      value={group[key] ?? ''}
      change={(text) => patch((one) => withValue(one, key, text === '' ? undefined : text))}
    />
  )
  const yes = (key: YesNo, label: string) => (
    <Checkbox
      label={label}
      checked={group[key] ?? false}
      onChange={(event) => {
        const is = event.currentTarget.checked || undefined
        void apply(patch((one) => withValue(one, key, is)))
      }}
    />
  )
  const note = [group.thread, threadWith?.map((one) => threadWithWords[one]).join(' and ')].filter(Boolean).join(', ')
  return (
    <Fold title="Their threads" note={note || 'not written down'}>
      {words('thread', 'Thread, as M10 x 1.5 or 3/8-24 UNF')}
      {words('strength', 'Stamped on the head: 8.8, 10.9, grade 5')}
      <Choice
        label="They go into"
        value={group.into ?? ''}
        options={[
          { value: '', label: 'not known' },
          { value: 'steel', label: 'steel' },
          { value: 'castIron', label: 'cast iron' },
          { value: 'lightMetal', label: 'light metal' },
        ]}
        onChoose={(into) => apply(patch((one) => withValue(one, 'into', into === '' ? undefined : into)))}
      />
      {words('lengths', 'Lengths, where they are not alike')}
      {yes('leftHand', 'Left-hand thread')}
      {yes('newEachTime', 'New ones each time')}
      {yes('stretch', 'Stretch bolts')}
      {THREAD_WITH.map((what) => (
        <Checkbox
          key={what}
          label={`On the thread: ${threadWithWords[what]}`}
          checked={threadWith?.includes(what) ?? false}
          onChange={(event) => {
            const now = threadWith ?? []
            const next = event.currentTarget.checked ? [...now, what] : now.filter((one) => one !== what)
            void apply(patch((one) => ({ ...one, threadWith: next })))
          }}
        />
      ))}
      {words('lockerGrade', 'Grade of thread-locker')}
      <Choice
        label="Kept from coming undone by"
        value={group.lockedBy ?? ''}
        options={[
          { value: '', label: 'nothing else' },
          ...LOCKED_BY.map((value) => ({ value, label: lockedByWords[value] })),
        ]}
        onChoose={(by) => apply(patch((one) => withValue(one, 'lockedBy', by === '' ? undefined : by)))}
      />
      {words('againAfterRun', 'Tightened again after the first run, by which source')}
    </Fold>
  )
}
