import { SegmentedControl } from '@mantine/core'
import { turnsToMeet } from '@link-count/core/marks'
import { partsOf } from '@link-count/core/sheet'
import { PART_IDS as ids } from '@link-count/core/starters'
import { upFromPlane } from '@link-count/core/units'
import { patchMark, withValue } from '../sheetChanges'
import { useSheetEditor } from '../SheetEditor'
import { DirectionField } from '../TrustedField'
import { nounsOf, upperFirst } from '../../../ui/wording'
import { TimingPosition } from './TimingPosition'
import { BookCount } from './drive/BookCount'
import { Section, WordsField } from './Section'

const MARKS = [
  { id: ids.crankMark, words: 'Crank mark' },
  { id: ids.camMark, words: 'Cam mark' },
] as const

export function MarksSection() {
  const { sheet } = useSheetEditor()
  return (
    <Section
      title="Marks and the timing position"
      lead="The timing position is where the marks meet. It belongs to this engine: firing TDC, overlap TDC, or some other place."
    >
      <TimingPosition />
      {MARKS.map(({ id, words }) => (
        <PoseMark key={id} id={id} words={words} />
      ))}
      <WordsField
        id="meets"
        label="The cam mark meets"
        value={partsOf(sheet).mark(ids.camMark)?.meets ?? ''}
        change={(text) => patchMark(ids.camMark, (one) => ({ ...one, meets: text }))}
      />
      <BookCountField />
    </Section>
  )
}

/** Where a mark points in the timing position, and whether it stands at a gap or a tip. */
function PoseMark({ id, words }: { id: string; words: string }) {
  const { sheet, apply } = useSheetEditor()
  const mark = partsOf(sheet).mark(id)
  const points = mark?.pointsAtDeg
  const turns = mark && turnsToMeet(sheet, mark)
  return (
    <div className="mark-fields">
      <DirectionField
        id={`points-${id}`}
        label={`${words} points to, in the timing position`}
        help={
          points
            ? `= ${upFromPlane(points.value).toFixed(1)}° clockwise from straight up, seen from the timing side`
            : 'Seen from the timing side: a clock face, or degrees clockwise from straight up.'
        }
        value={points}
        change={(value) => patchMark(id, (one) => withValue(one, 'pointsAtDeg', value))}
      />
      <div>
        <p className="field-label">{words} stands at a</p>
        <SegmentedControl
          aria-label={`${words} stands at a`}
          value={mark && mark.halfTeeth % 2 === 1 ? 'tip' : 'gap'}
          onChange={(seat) => apply(patchMark(id, (one) => ({ ...one, halfTeeth: seat === 'tip' ? 1 : 0 })))}
          data={[
            { value: 'gap', label: 'tooth gap' },
            { value: 'tip', label: 'tooth tip' },
          ]}
        />
        {turns !== undefined && (
          <p className="soft">Back at its pointer every {turns === 1 ? 'turn' : `${turns} turns`} of the crank.</p>
        )}
      </div>
    </div>
  )
}

/** The count of the tight run by the book. */
function BookCountField() {
  const { sheet } = useSheetEditor()
  const parts = partsOf(sheet)
  const [loop, from, to] = [parts.loop(ids.chain), parts.mark(ids.camMark), parts.mark(ids.crankMark)]
  if (!loop || !from || !to) return null
  return (
    <BookCount
      stretch={{ id: 'book', loop, from, to, run: 'tight' }}
      label={`${upperFirst(nounsOf(loop).pitches)} from cam mark to crank mark, tight run`}
    />
  )
}
