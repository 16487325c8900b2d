import { Button, SegmentedControl } from '@mantine/core'
import { useState } from 'react'
import { couplingsTo } from '@link-count/core/drive'
import type { Step } from '@link-count/core/runSheet'
import { partsOf } from '@link-count/core/sheet'
import { formatLateness } from '@link-count/core/units'
import { entryLimits } from '@link-count/core/model'
import { DegreesInput, useDegreesField, type Taken } from '../../../../ui/fields'
import { askTurn } from '../../askTurn'
import { useBench } from '../../JobContext'
import { timingPosition } from '../../timingPosition'
import { TurnTo } from '../../TurnTo'
import { CouplingWork } from '../CouplingWork'
import { Fold } from '../../../../ui/Fold'
import { nounsOfAll } from '../../../../ui/wording'

/** With the loop off: the cam to its mark, and how far it is off it. */
export function SetCam({ step }: { readonly step: Step }) {
  const { view, side, say } = useBench()
  const { sheet, state, job } = view
  const shaft = partsOf(sheet).shaft(step.targetIds[0])
  const set = shaft && state.camSet[shaft.id]
  if (!shaft) return null
  const mark = sheet.marks.find(({ memberId }) =>
    sheet.members.some(({ id, shaftId }) => id === memberId && shaftId === shaft.id),
  )
  const couplings = couplingsTo(sheet, shaft.id)
  const apart = couplings.some(({ id }) => state.couplings[id]?.together === false)
  const justTogether = couplings.some(({ id }) => state.couplings[id]?.proof === 'notRead')
  const off = sheet.loops.length === 0 || apart || justTogether || Object.values(state.loops).some(({ on }) => !on)
  const { target, arrived, stood } = timingPosition(view, step.id)
  const meets = { mark: mark?.name.toLowerCase() ?? 'cam mark', meets: mark?.meets || 'its pointer' }
  const bring = askTurn({ camshaftTo: meets }, view, side)
  const write = (offDeg: number, text: string, typed: readonly Taken[] = []) => {
    void say({ kind: 'camSet', shaftId: shaft.id, offDeg, typed: [{ field: 'off', text }], stepId: step.id }, typed)
  }
  return (
    <div className="stack">
      {!off && (
        <p className="warn">
          The {nounsOfAll(sheet.loops).loop} is on: the cam goes with it. Take it off first
          {couplings.length > 0 && ', or draw its coupling apart'}.
        </p>
      )}
      {off && !stood && couplings.length > 0 && <TurnTo target={target} arrived={arrived} />}
      {couplings.map((coupling) => (
        <CouplingWork key={coupling.id} coupling={coupling} step={step} />
      ))}
      {!apart && (
        <>
          {off && !justTogether && <p className={bring.may ? undefined : 'warn'}>{bring.words}</p>}
          {justTogether && (
            <p>
              With the crank at the timing position: see whether the {meets.mark} meets {meets.meets}.
            </p>
          )}
          <Button variant={set ? 'quiet' : 'filled'} onClick={() => write(0, 'meets')}>
            It meets
          </Button>
          <OffByDegrees fieldKey={`${job.id}:${step.id}:off`} onWrite={write} />
        </>
      )}
      {set && (
        <p className="result">
          {shaft.name}:{' '}
          <span className="reading">
            {set.offDeg === 0 ? 'meets its mark' : `${formatLateness(set.offDeg)} (its own degrees)`}
          </span>
        </p>
      )}
    </div>
  )
}

function OffByDegrees({
  fieldKey,
  onWrite,
}: {
  readonly fieldKey: string
  readonly onWrite: (offDeg: number, text: string, typed: readonly Taken[]) => void
}) {
  const field = useDegreesField(fieldKey, { ...entryLimits('camSet', 'offDeg'), least: 0 })
  const [way, setWay] = useState<'late' | 'early'>('late')
  return (
    <Fold title="It stands off by some degrees">
      <DegreesInput field={field} label="Degrees of the camshaft" onEnter={() => undefined} />
      <SegmentedControl
        aria-label="Which way off"
        value={way}
        onChange={(value) => setWay(value as 'late')}
        data={[
          { value: 'late', label: 'Late' },
          { value: 'early', label: 'Early' },
        ]}
      />
      <Button
        variant="default"
        onClick={() => {
          field.ask()
          if (field.value !== undefined)
            onWrite(way === 'late' ? field.value : -field.value, `${field.text} ${way}`, [field])
        }}
      >
        Write it down
      </Button>
    </Fold>
  )
}
