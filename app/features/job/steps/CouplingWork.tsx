import { Button } from '@mantine/core'
import { bestPlaces, couplingShift, couplingWorth, drivenShaftOf, readDrive } from '@link-count/core/drive'
import type { Coupling } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { formatDeg, formatLateness, ratioValue } from '@link-count/core/units'
import { useDraft } from '../../../ui/fields'
import { couplingName, handWords, placesWords, placeWords } from '../../../ui/wording'
import { useBench } from '../JobContext'
import { MeshCount } from './MeshCount'
import './CouplingWork.css'

/** A coupling on the way to a camshaft: drawn apart, and put together again so many splines on, with what each is worth. */
export function CouplingWork({ coupling, step }: { readonly coupling: Coupling; readonly step: Step }) {
  const { view, side, say } = useBench()
  const { sheet, state, job } = view
  const key = `${job.id}:${step.id}:${coupling.id}`
  const from = useDraft(`${key}:steps`, '0')
  const to = useDraft(`${key}:steps-to`, '0')
  const now = state.couplings[coupling.id]
  const shaft = drivenShaftOf(sheet, coupling)
  if (!now || !shaft) return null
  const name = couplingName(coupling, sheet)
  const { many } = placeWords[coupling.kind]
  const isMesh = coupling.kind === 'gearMesh'
  const worth = couplingWorth(sheet, coupling)
  const [steps, stepsTo] = [Number(from.text) || 0, Number(to.text) || 0]
  const runs = ratioValue(readDrive(sheet).ratioOf(shaft)) < 0 ? -1 : 1
  const shift = couplingShift(sheet, coupling, { steps, stepsTo })
  const found = state.timing[shaft.id]?.found?.latenessDeg
  const left = found === undefined || (now.steps === 0 && now.stepsTo === 0) ? found : undefined
  const best = left === undefined ? undefined : bestPlaces(sheet, coupling, left)
  if (now.together) return <Together coupling={coupling} step={step} />
  const together = () => {
    void say(
      {
        kind: 'coupling',
        couplingId: coupling.id,
        change: 'together',
        steps,
        ...(worth.to ? { stepsTo } : {}),
        stepId: step.id,
      },
      [from, to],
    )
  }
  return (
    <div className="stack">
      <p className="warn">
        {isMesh ? `${name} are out of mesh` : `${name} is apart`}: the camshaft is loose. Hold it, and feel every
        degree.
      </p>
      {best && (best.steps !== 0 || best.stepsTo !== 0) && (
        <p className="move">
          <strong>
            {isMesh ? 'Mesh them' : 'Put it together'} {placesWords(best.steps, coupling.kind)}
            {worth.to && ` and, at the other end, ${placesWords(best.stepsTo)}`}.
          </strong>{' '}
          It was found {formatLateness(left ?? 0)}; it then stands {formatLateness(best.leftoverDeg)} at the crank.
        </p>
      )}
      <Places label={`${many} on`} value={steps} set={(n) => from.setText(String(n))} />
      {worth.to && <Places label={`${many} on, other end`} value={stepsTo} set={(n) => to.setText(String(n))} />}
      <p className="soft">
        {steps === 0 && stepsTo === 0
          ? 'Just where it was.'
          : `${placesWords(steps, coupling.kind)}${worth.to ? ` and ${placesWords(stepsTo)}` : ''}: on is ${handWords(runs, sheet, side)}. ${
              shift === undefined
                ? `What it is worth is not known before the ${many} are counted.`
                : `The camshaft comes ${formatLateness(shift)} at the crank.`
            }`}
      </p>
      <Button variant="filled" onClick={together}>
        {isMesh ? 'In mesh so' : 'Put together so'}
      </Button>
    </div>
  )
}

/** A coupling that is together: what a place of it is worth, and that it comes apart. */
function Together({ coupling, step }: { readonly coupling: Coupling; readonly step: Step }) {
  const { view, say } = useBench()
  const { sheet, state } = view
  const now = state.couplings[coupling.id]
  const name = couplingName(coupling, sheet)
  const { one, many } = placeWords[coupling.kind]
  const worth = couplingWorth(sheet, coupling)
  const isMesh = coupling.kind === 'gearMesh'
  return (
    <div className="stack">
      <p>
        {name}: {worth.from ? `one ${one} is ${formatDeg(worth.from.crankDeg, 2)} at the crank` : `${many} not counted`}
        {worth.to && `, ${formatDeg(worth.to.crankDeg, 2)} at its other end`}.
        {now?.proof === 'notRead' && ` ${isMesh ? 'In mesh' : 'Put together'} again: now see whether the mark meets.`}
      </p>
      <Button
        variant="quiet"
        onClick={() =>
          void say({ kind: 'coupling', couplingId: coupling.id, change: 'apart', steps: 0, stepId: step.id })
        }
      >
        {isMesh ? `${name} out of mesh` : `${name} drawn apart`}
      </Button>
      {isMesh && now?.proof !== 'asArrived' && <MeshCount coupling={coupling} step={step} phase="set" />}
    </div>
  )
}

function Places({ label, value, set }: { label: string; value: number; set: (n: number) => void }) {
  return (
    <div className="row" role="group" aria-label={label}>
      <Button variant="default" aria-label={`One back, ${label}`} onClick={() => set(Math.max(-400, value - 1))}>
        −
      </Button>
      <span className="reading places" aria-live="polite">
        {value > 0 ? `+${value}` : value}
      </span>
      <Button variant="default" aria-label={`One on, ${label}`} onClick={() => set(Math.min(400, value + 1))}>
        +
      </Button>
      <span className="soft">{label}</span>
    </div>
  )
}
