import { inSentence } from '../../../../ui/wording'
import { Button, NativeSelect } from '@mantine/core'
import { allOf } from '@link-count/core/ledger'
import { camSpec } from '@link-count/core/cams'
import { loopKinds } from '@link-count/core/drive'
import { entryLimits, type Phase } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { partsOf } from '@link-count/core/sheet'
import { formatMm } from '@link-count/core/units'
import {
  LengthInput,
  parseWhole,
  useDraft,
  useField,
  useLengthField,
  wholeWords,
  WordsInput,
} from '../../../../ui/fields'
import { Fold } from '../../../../ui/Fold'
import { useBench } from '../../JobContext'
import { useDialPlace } from '../../ways/cam/useDialPlace'

/** A stretch of chain by calliper; of several places the worst counts. */
export function ChainMeasure({ step, open }: { readonly step: Step; readonly open?: boolean }) {
  const { view, say } = useBench()
  const { sheet, job, state } = view
  const chains = sheet.loops.filter(({ kind }) => loopKinds[kind].grows)
  const chosen = useDraft(`${job.id}:${step.id}:chain`, chains[0]?.id ?? '')
  const length = useLengthField(`${job.id}:${step.id}:chain-length`, entryLimits('chainLength', 'measuredMm'))
  const over = useField(`${job.id}:${step.id}:chain-over`, parseWhole(entryLimits('chainLength', 'overPitches')), '10')
  const loop = chains.find(({ id }) => id === chosen.text) ?? chains[0]
  if (!loop) return null
  const write = () => {
    length.ask()
    over.ask()
    if (!length.value || over.value === undefined) return
    void say(
      {
        kind: 'chainLength',
        loopId: loop.id,
        overPitches: over.value,
        measuredMm: length.value.value,
        typed: [{ field: 'length', text: length.said }],
        stepId: step.id,
      },
      [length],
    )
  }
  const places = allOf(state, 'chainLength').filter(({ loopId }) => loopId === loop.id).length
  return (
    <Fold
      title={`Measure the ${inSentence(loop.name)}`}
      note={places > 0 ? `${places} written` : 'for stretch'}
      {...(open ? { open } : {})}
    >
      {chains.length > 1 && (
        <NativeSelect
          label="Chain"
          value={loop.id}
          onChange={(event) => chosen.setText(event.currentTarget.value)}
          data={chains.map(({ id, name }) => ({ value: id, label: name }))}
        />
      )}
      <WordsInput
        label="Over how many pitches"
        inputMode="numeric"
        of={over}
        onBlur={over.leave}
        error={over.error && wholeWords(over.error)}
      />
      <LengthInput example="305 mm, 12 in" field={length} label="Measured, pulled lightly" onEnter={write} />
      <Button variant="default" onClick={write}>
        Write it down: chain
      </Button>
    </Fold>
  )
}

/** What a head or block has lost of its height. */
export function HeadMeasure({ step }: { readonly step: Step }) {
  const { view, say } = useBench()
  const { banks } = view.sheet
  const lower = useLengthField(`${view.job.id}:${step.id}:head-lower`, entryLimits('headHeight', 'lowerMm'))
  const bank = useDraft(`${view.job.id}:${step.id}:head-bank`, banks[0]?.id ?? '')
  const write = () => {
    lower.ask()
    if (!lower.value) return
    const typed = [{ field: 'lower', text: lower.said }]
    const of = banks.length > 1 ? { bankId: bank.text } : {}
    void say({ kind: 'headHeight', lowerMm: lower.value.value, ...of, typed, stepId: step.id }, [lower])
  }
  return (
    <Fold
      title="Measure the head or block"
      note={allOf(view.state, 'headHeight').length > 0 ? 'written' : 'was it skimmed?'}
    >
      {banks.length > 1 && (
        <NativeSelect
          label="Of which bank"
          value={bank.text}
          onChange={(event) => bank.setText(event.currentTarget.value)}
          data={banks.map(({ id, name }) => ({ value: id, label: name }))}
        />
      )}
      <LengthInput
        example="0.3 mm"
        field={lower}
        label="Lower than its book height by"
        description="All that was taken off between crank and camshafts; 0 where it is as the book."
        onEnter={write}
      />
      <Button variant="default" onClick={write}>
        Write it down: height
      </Button>
    </Fold>
  )
}

/** The most that each valve lifts, against the book. */
export function TopLiftMeasure({ step, phase }: { readonly step: Step; readonly phase: Phase }) {
  const { view, say } = useBench()
  const { sheet, job, state } = view
  const known = sheet.cams.filter((cam) => camSpec(sheet, cam).figures.topLift)
  const chosen = useDraft(`${job.id}:${step.id}:top-cam`, known[0]?.id ?? '')
  const lift = useLengthField(`${job.id}:${step.id}:top-lift`, entryLimits('topLift', 'liftMm'))
  const cam = known.find(({ id }) => id === chosen.text) ?? known[0]
  const dial = useDialPlace(`${job.id}:${step.id}:top`, cam)
  if (!cam) return null
  const read = allOf(state, 'topLift').filter((one) => one.phase === phase)
  const write = () => {
    lift.ask()
    const liftMm = dial.atBook(lift.value?.value)
    if (liftMm === undefined) return
    const typed = [{ field: 'lift', text: lift.said }]
    void say({ kind: 'topLift', camId: cam.id, phase, liftMm, typed, stepId: step.id }, [lift])
  }
  return (
    <Fold title="Measure a top lift" note={read.length > 0 ? `${read.length} written` : 'is a lobe worn?'}>
      {read.map(({ id, camId, liftMm }) => {
        const lobe = partsOf(sheet).cam(camId)
        const book = lobe && camSpec(sheet, lobe).figures.topLift?.value
        return (
          <p className="result" key={id}>
            {lobe?.name}: {formatMm(liftMm, 2)}
            {book === undefined ? '' : `, the book ${formatMm(book, 2)}`}
          </p>
        )
      })}
      <NativeSelect
        label="Valve"
        value={cam.id}
        onChange={(event) => chosen.setText(event.currentTarget.value)}
        data={known.map(({ id, name }) => ({ value: id, label: name }))}
      />
      {dial.choice}
      <LengthInput
        example="9.2 mm, 23/64 in"
        field={lift}
        label="Most it lifts"
        description={dial.words(lift.value?.value)}
        onEnter={write}
      />
      <Button variant="default" onClick={write}>
        Write it down: top lift
      </Button>
    </Fold>
  )
}
