import { NativeSelect } from '@mantine/core'
import { markSeat, pitchesFromCount } from '@link-count/core/drive'
import type { BookCount as Book, BuildSheet, CountRule, Loop, Mark } from '@link-count/core/model'
import { fixed } from '@link-count/core/units'
import { nounsOf } from '../../../ui/wording'
import { useSheetEditor } from '../SheetEditor'
import { PitchesField } from '../TrustedField'

export interface Stretch {
  readonly id: string
  readonly loop: Loop
  readonly from: Mark
  readonly to: Mark
  readonly run: 'tight' | 'slack'
}

const rules: readonly (CountRule | 'pitches')[] = ['pitches', 'both', 'firstOnly', 'lastOnly', 'neither']

/** A count as a book or an earlier job gives it, by the rule that it was printed in. */
export function BookCount({ stretch, label }: { readonly stretch: Stretch; readonly label: string }) {
  const { sheet, apply } = useSheetEditor()
  const { id, loop, from, to } = stretch
  const book = sheet.counts.find((one) => one.fromMarkId === from.id && one.toMarkId === to.id)
  const seats = { from: markSeat(from), to: markSeat(to) } as const
  const unit = nounsOf(loop).counted.many
  const rule = book?.printed?.rule ?? 'pitches'
  const ruleLabels: Record<(typeof rules)[number], string> = {
    pitches: `${nounsOf(loop).pitches} from mark to mark`,
    both: `${unit}, both marked ones counted`,
    firstOnly: `${unit}, the first marked one counted`,
    lastOnly: `${unit}, the last marked one counted`,
    neither: `${unit}, neither marked one counted`,
  }
  const byRule = (next: CountRule | 'pitches') =>
    apply((s) => ({
      ...s,
      counts: s.counts.map((one): Book => {
        if (one.id !== book?.id) return one
        const { printed, ...plain } = one
        const counted = printed?.counted ?? Math.round(one.pitches.value)
        if (next === 'pitches') return { ...plain, pitches: { ...one.pitches, value: counted } }
        const value = pitchesFromCount({ counted, rule: next, ...seats })
        return { ...one, pitches: { ...one.pitches, value }, printed: { counted, rule: next } }
      }),
    }))
  return (
    <div className="book-count">
      <PitchesField
        id={`count-${id}`}
        label={label}
        help={
          book?.printed
            ? `= ${fixed(book.pitches.value, 1)} ${nounsOf(loop).pitches} from mark to mark.`
            : 'By the book or an earlier job; worked out where the places are known.'
        }
        value={book?.pitches}
        change={(pitches) => (s) => withCount(s, stretch, pitches, book?.printed?.rule)}
      />
      {book && (
        <NativeSelect
          className={book.printed ? undefined : 'rule-unsaid'}
          aria-label={`${label}, the book counts`}
          value={rule}
          onChange={(event) => void byRule(event.currentTarget.value as 'pitches')}
          data={rules.map((value) => ({ value, label: ruleLabels[value] }))}
        />
      )}
    </div>
  )
}

function withCount(
  sheet: BuildSheet,
  { loop, from, to, run }: Stretch,
  typed: Book['pitches'] | undefined,
  rule: CountRule | undefined,
): BuildSheet {
  const others = sheet.counts.filter((one) => one.fromMarkId !== from.id || one.toMarkId !== to.id)
  if (!typed) return { ...sheet, counts: others }
  const id = `${from.id}-${to.id}`.slice(0, 64)
  const common = { id, loopId: loop.id, fromMarkId: from.id, toMarkId: to.id, run }
  if (!rule) return { ...sheet, counts: [...others, { ...common, pitches: typed }] }
  const counted = Math.round(typed.value)
  const value = pitchesFromCount({ counted, rule, from: markSeat(from), to: markSeat(to) })
  return { ...sheet, counts: [...others, { ...common, pitches: { ...typed, value }, printed: { counted, rule } }] }
}
