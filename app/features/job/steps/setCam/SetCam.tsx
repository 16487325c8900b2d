import { Button } from '@mantine/core'
import { inTeeth, markSigmaDeg, offPlace, tellsToothBy, type SeenOff } from '@link-count/core/byMark'
import { markOfShaft } from '@link-count/core/cams'
import { couplingsTo, markPoseDeg, readDrive } from '@link-count/core/drive'
import type { Mark, NewEntry, Shaft } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { partsOf } from '@link-count/core/sheet'
import { fixed, formatLateness, ratioValue } from '@link-count/core/units'
import { inSentence, nounsOfAll, seenOffWords } from '../../../../ui/wording'
import { Fold } from '../../../../ui/Fold'
import { askTurn } from '../../askTurn'
import { AskExact } from '../../byMark/AskExact'
import { CrankCrept } from '../../byMark/CrankCrept'
import { creepEntries, pastPlace } from '../../byMark/creep'
import { useCrankMark } from '../../byMark/useCrankMark'
import { useSeenOff } from '../../byMark/useSeenOff'
import { useBench } from '../../JobContext'
import { useReversingGear } from '../../ways/cam/useReversingGear'
import { timingPosition } from '../../timingPosition'
import { TurnTo } from '../../TurnTo'
import { CouplingWork } from '../CouplingWork'

/** With the loop off: the cam to its mark, and how far it is off it by whatever is seen; the crank looked at each time. */
export function SetCam({ step }: { readonly step: Step }) {
  const { view, side } = useBench()
  const { sheet, state } = view
  const shaft = partsOf(sheet).shaft(step.targetIds[0])
  if (!shaft) return null
  const mark = markOfShaft(sheet, shaft.id)
  const couplings = couplingsTo(sheet, shaft.id)
  const apart = couplings.some(({ id }) => state.couplings[id]?.together === false)
  const justTogether = couplings.some(({ id }) => state.couplings[id]?.proof === 'notRead')
  const off = sheet.loops.length === 0 || apart || justTogether || Object.values(state.loops).some(({ on }) => !on)
  const { target, arrived, stood } = timingPosition(view, step.id, { shaftId: shaft.id })
  const meets = { mark: inSentence(mark?.name) ?? 'cam mark', meets: mark?.meets || 'its pointer' }
  const bring = askTurn({ camshaftTo: meets }, view, side)
  return (
    <div className="stack">
      {!off && (
        <p className="warn">
          The {nounsOfAll(sheet.loops).loop} is on: the cam goes with it. Take it off first
          {couplings.length > 0 && ', or draw its coupling apart'}.
        </p>
      )}
      {off && !stood && (couplings.length > 0 || target.deg !== sheet.referencePose.crankDeg.value) && (
        <TurnTo target={target} arrived={arrived} />
      )}
      {couplings.map((coupling) => (
        <CouplingWork key={coupling.id} coupling={coupling} step={step} />
      ))}
      {!apart && (
        <>
          <CrankCrept target={target} />
          {off && !justTogether && <p className={bring.may ? undefined : 'warn'}>{bring.words}</p>}
          {justTogether && (
            <p>
              With the crank at its place: see whether the {meets.mark} meets {meets.meets}.
            </p>
          )}
          <SeenSet key={shaft.id} step={step} shaft={shaft} mark={mark} />
        </>
      )}
      <SetSoFar shaft={shaft} placeDeg={target.deg} />
    </div>
  )
}

/** How the camshaft stands now, and where the crank does. */
function SeenSet({
  step,
  shaft,
  mark,
}: {
  readonly step: Step
  readonly shaft: Shaft
  readonly mark: Mark | undefined
}) {
  const { view, say } = useBench()
  const { sheet, job } = view
  const key = `${job.id}:${step.id}:${shaft.id}:set`
  const crank = useCrankMark(key, markPoseDeg(sheet, mark))
  const seen = useSeenOff(key, shaft, mark)
  const gear = useReversingGear()
  const offDeg = seen.off && ownOff(sheet, shaft, seen.off)
  const asksCrank = view.state.zero === undefined
  // Nothing said otherwise, the one button says that it meets.
  const meets = !seen.isOff && mark !== undefined
  const write = () => {
    const fields = { ...crank?.fields, ...seen.fields }
    for (const field of Object.values(fields)) field.ask()
    const off: SeenOff | undefined = meets ? { by: 'level' } : seen.off
    const deg = meets ? 0 : offDeg
    if (!off || deg === undefined || (asksCrank && crank && !crank.crank)) return
    const typed = Object.entries(fields).map(([field, { text }]) => ({ field, text }))
    const set: NewEntry = {
      kind: 'camSet',
      shaftId: shaft.id,
      offDeg: deg,
      off,
      ...(mark && seen.byMark ? { markId: mark.id } : {}),
      conditions: gear.conditions,
      typed,
      stepId: step.id,
    }
    // With the zero known the crank stands where the ledger has it, unless somebody looked.
    const looked = crank?.crank && (asksCrank || crank.touched)
    const moved = looked && crank.crank ? creepEntries(view, crank.crank, step.id) : []
    void say([...moved, set], [...Object.values(fields), ...(crank?.besides ?? []), ...seen.besides])
  }
  return (
    <>
      {asksCrank && crank?.panel}
      {seen.panel}
      {gear.panel}
      <Button
        variant="filled"
        onClick={write}
        disabled={gear.isOpen || (!meets && offDeg === undefined) || (asksCrank && crank !== undefined && !crank.crank)}
      >
        {meets ? 'It meets' : 'Write it down: set so'}
      </Button>
      {mark && seen.byMark && (!seen.off || tellsToothBy(seen.off) === 'ifSharp') && (
        <AskExact markId={mark.id} name={inSentence(mark.name)} onRim={false} exact={mark.exact} brief />
      )}
      {!asksCrank && crank && (
        <Fold title="Is the crank still at its mark?" note="look at each try">
          {crank.panel}
        </Fold>
      )}
    </>
  )
}

/** Degrees of the camshaft's own off its place; undefined where it cannot be told. */
function ownOff(sheet: Parameters<typeof offPlace>[0], shaft: Shaft, off: SeenOff): number | undefined {
  // The tops of pushrods tell a lateness, and no place of the camshaft by itself: level is at its place.
  if (off.by === 'pushrods') return off.exhaustHigherMm === 0 ? 0 : undefined
  const told = offPlace(sheet, shaft, off)
  return typeof told === 'string' ? undefined : told.deg
}

/** How it was set last, with what the crank adds to it, in degrees at the crank and in teeth. */
function SetSoFar({ shaft, placeDeg }: { readonly shaft: Shaft; readonly placeDeg: number }) {
  const { view } = useBench()
  const { sheet, state } = view
  const set = state.camSet[shaft.id]
  if (!set) return null
  const ratio = Math.abs(ratioValue(readDrive(sheet).ratioOf(shaft))) || 1
  const past = pastPlace(view, placeDeg) ?? 0
  const latenessDeg = past + set.offDeg / ratio
  const mark = markOfShaft(sheet, shaft.id)
  const told = set.off && set.off.by !== 'pushrods' ? offPlace(sheet, shaft, set.off) : undefined
  const sigma = Math.hypot(
    typeof told === 'object' ? told.sigmaDeg : 0,
    markSigmaDeg(mark?.exact, partsOf(sheet).member(mark?.memberId)?.teeth?.value),
  )
  const teeth = inTeeth(sheet, shaft, { latenessDeg, sigmaDeg: sigma / ratio })
  const nameOf = (id: string) => partsOf(sheet).cylinder(id)?.name ?? ''
  return (
    <p className="result">
      {shaft.name}:{' '}
      <span className="reading">
        {set.off
          ? seenOffWords(set.off, nameOf)
          : set.offDeg === 0
            ? 'meets its mark'
            : `${formatLateness(set.offDeg)} (its own degrees)`}
      </span>
      {latenessDeg !== 0 &&
        `. Hung so it would be ${formatLateness(latenessDeg)} at the crank${teeth ? `, ${fixed(Math.abs(teeth.teeth), 1)} teeth` : ''}${past === 0 ? '' : `, ${fixed(Math.abs(past), 1)}° of it from the crank`}`}
      .{set.off && teeth && !teeth.tells && ' Seen so it cannot tell a tooth: the count will.'}
    </p>
  )
}
