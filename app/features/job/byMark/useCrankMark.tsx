import { NativeSelect, SegmentedControl } from '@mantine/core'
import { crankMarksOf, type CrankMark } from '@link-count/core/byMark'
import { hiddenMarks, type Stand } from '@link-count/core/ledger'
import { entryLimits, type BuildSheet, type EntryOf } from '@link-count/core/model'
import { wrapToSigned180 } from '@link-count/core/units'
import {
  DegreesInput,
  useDegreesField,
  useDraft,
  useWheelField,
  WheelInput,
  type DegreesField,
  type Draft,
  type Taken,
  type WheelField,
} from '../../../ui/fields'
import { inSentence, markPlaceWords } from '../../../ui/wording'
import { useBench } from '../JobContext'
import { AskExact } from './AskExact'

export interface CrankSeen {
  /** The mark that is looked at; undefined while the wheel is read instead. */
  readonly mark: CrankMark | undefined
  /** Undefined while what is typed cannot be read. */
  readonly crank: EntryOf<'camAtMark'>['crank'] | undefined
  readonly fields: Readonly<Record<string, DegreesField | WheelField>>
  readonly besides: readonly Taken[]
  /** Somebody has said something here, and not only left it as it stood. */
  readonly touched: boolean
  readonly panel: React.ReactNode
}

const WHEEL = 'the degree wheel'

/** Where a mark has the crank: at the TDC of the cylinder it is cut for, or so far about that of the zero cylinder. */
function placeOf({ id, placeDeg }: CrankMark, { rimMarks, cylinders }: BuildSheet): string {
  const rim = rimMarks.find((mark) => mark.id === id)
  const isTdc = rim?.cutFor === 'tdc' && !rim.claimDeg?.value && !rim.errorDeg?.value
  const name = cylinders.find((one) => one.id === rim?.cylinderId)?.name
  return isTdc && name && cylinders.length > 1 ? `TDC of ${name}` : markPlaceWords(placeDeg)
}

const choicesOf = (marks: readonly CrankMark[], wheel: boolean, sheet: BuildSheet) => [
  ...marks.map((mark) => ({ value: mark.id, label: `${mark.name}, ${placeOf(mark, sheet)}` })),
  ...(wheel ? [{ value: WHEEL, label: 'The degree wheel' }] : []),
]

/** Further from its mark than this nobody tells by the mark, degrees. */
const BESIDE_DEG = 15

/** How the crank stands to a mark by the ledger: at it, or so far past it or short of it. */
function standsBy({ rotation: { reference, totalDeg } }: Pick<Stand, 'rotation'>, placeDeg: number) {
  const past = reference && wrapToSigned180(reference.originDeg + totalDeg - placeDeg)
  if (past === undefined || Math.abs(past) > BESIDE_DEG) return { how: '', off: '' }
  return Math.abs(past) < 0.5
    ? { how: 'at', off: '' }
    : { how: past > 0 ? 'past' : 'short', off: String(Number(Math.abs(past).toFixed(1))) }
}

/** Where the crank stands at this try: at a mark of its own, past it, short of it, or by the wheel once its zero is known. A crank creeps, so it is asked each
 *  time. Undefined on an engine whose crank has no mark and no zero. `meetsDeg`: the mark that stands there comes first. */
export function useCrankMark(key: string, meetsDeg?: number): CrankSeen | undefined {
  const { sheet, state } = useBench().view
  const away = ({ placeDeg }: CrankMark) => Math.abs(wrapToSigned180(placeDeg - (meetsDeg ?? placeDeg)))
  const hidden = hiddenMarks(state)
  const last = state.crank.byMark?.markId
  // The mark that the crank was last seen by comes first of those that stand there; one that cannot be seen is not asked for.
  const marks = crankMarksOf(sheet)
    .filter(({ id }) => !hidden.has(id))
    .sort((a, b) => away(a) - away(b) || Number(b.id === last) - Number(a.id === last))
  const chosen = useDraft(`${key}:crank-by`, marks[0]?.id ?? WHEEL)
  const wheel = useWheelField(`${key}:crank-wheel`, state.degreeWheel)
  const byWheel = chosen.text === WHEEL && state.zero !== undefined
  const mark = byWheel ? undefined : (marks.find(({ id }) => id === chosen.text) ?? marks[0])
  // It begins with where the ledger has it; where that is not by this mark, somebody has to look and say so.
  const known = mark ? standsBy(state.stand, mark.placeDeg) : { how: '', off: '' }
  const how = useDraft(`${key}:crank-how`, known.how)
  const off = useDegreesField(
    `${key}:crank-off`,
    { ...entryLimits('camAtMark', 'crank', 'offDeg'), least: 0 },
    known.off,
  )
  if (!mark && !byWheel) return undefined
  const size = how.text === 'at' ? 0 : how.text === '' ? undefined : off.value
  const offDeg = size === undefined ? undefined : how.text === 'short' ? -size : size
  const choices = choicesOf(marks, state.zero !== undefined, sheet)
  const touched = chosen.touched || how.touched || off.text !== known.off || wheel.text !== ''
  const common = { besides: [chosen, how], mark, touched }
  const choice = choices.length > 1 && (
    <NativeSelect
      label="The crank is seen by"
      value={mark?.id ?? WHEEL}
      onChange={(event) => chosen.setText(event.currentTarget.value)}
      data={choices}
    />
  )
  if (!mark)
    return {
      ...common,
      crank: wheel.value === undefined ? undefined : { by: 'wheel', wheelDeg: wheel.value },
      fields: { wheel },
      panel: (
        <div className="stack">
          {choice}
          <WheelInput
            field={wheel}
            scale={state.degreeWheel}
            label="The degree wheel reads"
            onEnter={() => undefined}
          />
        </div>
      ),
    }
  return {
    ...common,
    crank: offDeg === undefined ? undefined : { by: 'mark', markId: mark.id, offDeg },
    fields: how.text === 'at' || how.text === '' ? {} : { crank: off },
    panel: (
      <div className="stack">
        {choice}
        <ByItsMark mark={mark} how={how} off={off} />
      </div>
    ),
  }
}

/** At its mark, past it or short of it; and how exact that mark is. */
function ByItsMark({ mark, how, off }: { readonly mark: CrankMark; readonly how: Draft; readonly off: DegreesField }) {
  return (
    <>
      <SegmentedControl
        fullWidth
        aria-label={`The crank, by the ${inSentence(mark.name)}`}
        value={how.text}
        onChange={how.setText}
        data={[
          { value: 'at', label: 'Crank at its mark' },
          { value: 'past', label: 'Past it' },
          { value: 'short', label: 'Short of it' },
        ]}
      />
      {how.text !== 'at' && how.text !== '' && (
        <DegreesInput
          field={off}
          label={how.text === 'past' ? 'Crank degrees past it' : 'Crank degrees short of it'}
          description="As the scale has it, or by eye."
          placeholder="2"
        />
      )}
      <AskExact markId={mark.id} name={inSentence(mark.name)} onRim={mark.on === 'rim'} exact={mark.exact} />
    </>
  )
}
