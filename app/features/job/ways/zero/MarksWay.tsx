import { Button } from '@mantine/core'
import { useState } from 'react'
import { compareMark, readMarks, type MarkReading } from '@link-count/core/marks'
import type { RimMark } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import { fixed, formatMm } from '@link-count/core/units'
import { selectEarlierMarks } from '../../../../domain/views'
import { useAppSelector } from '../../../../store'
import { useWheelField, WheelInput, type Taken } from '../../../../ui/fields'
import { RimMarkForm } from '../../../../ui/marks/RimMarkForm'
import { claimWords, cutForWords, markVerdictWords } from '../../../../ui/wording'
import { useBench } from '../../JobContext'
import type { ZeroWayProps } from './way'
import './MarksWay.css'

const FACTORY = 'TDC mark'

/** Marks of the rim held against the zero: each is a claim until it is read. */
export function MarksWay(props: ZeroWayProps) {
  const { view, changeSheet } = useBench()
  const { sheet, state } = view
  const [adding, setAdding] = useState(false)
  const readings = readMarks(sheet, state)
  const add = async (mark: RimMark, typed: readonly Taken[]) => {
    if (await changeSheet((old) => ({ ...old, rimMarks: [...old.rimMarks, mark] }), typed)) setAdding(false)
  }
  return (
    <div className="stack">
      {!state.zero && (
        <p className="soft">
          A mark means little before the zero is found: it is a claim to be tested, and not averaged in.
        </p>
      )}
      {sheet.rimMarks.map((mark) => (
        <OneMark key={mark.id} {...props} mark={mark} reading={readings.find(({ markId }) => markId === mark.id)} />
      ))}
      {sheet.rimMarks.length === 0 && (
        <OneMark {...props} mark={undefined} reading={readings.find(({ markId }) => markId === undefined)} />
      )}
      {adding ? (
        <RimMarkForm
          sheet={sheet}
          keyPrefix={`${view.job.id}:new-mark`}
          onSave={(mark, typed) => void add(mark, typed)}
          onLeave={() => setAdding(false)}
        />
      ) : (
        <Button variant="quiet" onClick={() => setAdding(true)}>
          Another mark on the rim
        </Button>
      )}
    </div>
  )
}

function OneMark({
  step,
  cylinder,
  mark,
  reading,
}: ZeroWayProps & { readonly mark: RimMark | undefined; readonly reading: MarkReading | undefined }) {
  const { view, say } = useBench()
  const { state, job, sheet } = view
  const field = useWheelField(`${job.id}:${step.id}:mark${mark ? `:${mark.id}` : ''}`, state.degreeWheel)
  const name = mark?.name ?? FACTORY
  const write = () => {
    field.ask()
    if (field.value === undefined) return
    void say(
      {
        kind: 'factoryMark',
        cylinderId: mark?.cylinderId ?? cylinder.id,
        name,
        wheelDeg: field.value,
        claimDeg: mark?.claimDeg?.value ?? 0,
        ...(mark ? { markId: mark.id } : {}),
        typed: [{ field: 'wheel', text: field.text }],
        stepId: step.id,
      },
      [field],
    )
  }
  const plainTdc = mark?.cutFor === 'tdc' && mark.claimDeg?.value === 0
  const cylinderName = partsOf(sheet).cylinder(mark?.cylinderId)?.name ?? ''
  const claim = !mark
    ? 'A claim to be tested, not averaged in.'
    : plainTdc
      ? `Cut for TDC of ${cylinderName}`
      : `Cut for ${cutForWords[mark.cutFor]}${mark.claimDeg ? `, ${claimWords(mark, sheet)}` : ''}`
  return (
    <div className="stack mark-claim">
      <WheelInput
        field={field}
        scale={state.degreeWheel}
        label={mark ? `${name} at its pointer: wheel reads` : 'Factory TDC mark at its pointer: wheel reads'}
        description={claim}
        onEnter={write}
      />
      <Button variant="quiet" onClick={write} disabled={field.text.trim() === ''}>
        Write the mark down
      </Button>
      {reading && <Verdict reading={reading} mark={mark} />}
    </div>
  )
}

function Verdict({ reading, mark }: { reading: MarkReading; mark: RimMark | undefined }) {
  const { view, changeSheet } = useBench()
  const { sheet, job, engine } = view
  const earlier = useAppSelector((state) => selectEarlierMarks(state, engine.id, job.id))
  const before = earlier.find(({ mark: then }) => (then.markId ?? then.name) === (reading.markId ?? reading.name))
  const moved = before && compareMark(reading, before.mark)
  const { errorDeg, sigmaDeg, errorMm } = reading
  const keep = () => {
    const value = { value: errorDeg, typed: `job ${view.label}`, trust: 'measured' as const }
    void changeSheet((old) => ({
      ...old,
      rimMarks: old.rimMarks.map((one) => (one.id === mark?.id ? { ...one, errorDeg: value } : one)),
    }))
  }
  const kept = mark?.errorDeg && Math.abs(mark.errorDeg.value - errorDeg) < 1e-6
  return (
    <div className="result">
      <p>
        <span className="reading">{`${fixed(Math.abs(errorDeg), 1)}° ${errorDeg >= 0 ? 'after' : 'before'}`}</span> its
        claim <span className="soft">± {fixed(2 * sigmaDeg, 1)}°</span>
        {errorMm !== undefined && <>, {formatMm(Math.abs(errorMm), 1)} of the rim</>}
      </p>
      <p>{markVerdictWords(reading.verdict, sheet)}</p>
      {before && moved && (
        <p className={moved.moved ? 'brass' : 'soft'}>
          Job {before.jobLabel} had it {fixed(Math.abs(before.mark.errorDeg), 1)}°{' '}
          {before.mark.errorDeg >= 0 ? 'after' : 'before'}:{' '}
          {moved.moved
            ? `it has moved by ${fixed(Math.abs(moved.movedDeg), 1)}° since.`
            : `no more than the ± of both visits (${fixed(2 * moved.sigmaDeg, 1)}°).`}
        </p>
      )}
      {mark &&
        (kept ? (
          <p className="soft">On the build sheet.</p>
        ) : (
          <Button variant="default" onClick={keep}>
            Put this on the build sheet
          </Button>
        ))}
    </div>
  )
}
