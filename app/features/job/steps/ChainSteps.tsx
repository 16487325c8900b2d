import { Button, SegmentedControl, Textarea } from '@mantine/core'
import { useState } from 'react'
import { driverOf, ratioOfShaft } from '@link-count/core/drive'
import { isReleased } from '@link-count/core/ledger'
import type { BuildSheet, Loop } from '@link-count/core/model'
import { PROOF_TURN_DEG, type Step } from '@link-count/core/runSheet'
import { fixed, formatLateness, ratioValue } from '@link-count/core/units'
import { DegreesInput, useDegreesField, useDraft } from '../../../ui/fields'
import { handWords, sideName } from '../../../ui/wording'
import { useBench } from '../JobContext'
import { TurnTo } from '../TurnTo'
import { TurnedDialog } from '../TurnedDialog'
import { poseWords, wheelAt } from '../turnPlan'
import { CountPanel } from './CountPanel'
import { TimingReadings } from './TimingReadings'

/** The tensioner of a loop. */
const tensionerOf = (sheet: BuildSheet, loop: Loop | undefined) =>
  sheet.members.find(({ kind, id }) => kind === 'tensioner' && loop?.path.some(({ memberId }) => memberId === id))

/** Crank to the reference pose, tensioner held back, chain off. */
export function PoseChainOff({ step }: { readonly step: Step }) {
  const { view, say } = useBench()
  const { sheet, state, job } = view
  const loop = sheet.loops.find(({ id }) => id === step.targetIds[0])
  const on = loop && state.loops[loop.id]?.on
  const pose = sheet.referencePose
  const wheelDeg = state.zero ? wheelAt(view, pose.crankDeg.value) : undefined
  const stood =
    state.live.some((entry) => entry.kind === 'stands' && entry.place === 'pose') &&
    Math.abs(state.crank.sinceReferenceDeg) < 0.5
  const tensioner = tensionerOf(sheet, loop)
  const held = tensioner && !isReleased(state.tensioners[tensioner.id] ?? 'out')
  if (!loop) return null
  if (!on) {
    const sits = state.loops[loop.id]?.offAt === 'pose'
    return (
      <div className="stack">
        <p className="result">
          {job.arrival === 'chainOff' ? 'It came in with its chain off. ' : 'The chain is off. '}
          {sits ? 'The crank is at the pose: trims only.' : 'Where the crank stands to the pose is not known.'}
        </p>
        {!sits && (
          <>
            <TurnTo
              target={{ deg: pose.crankDeg.value, words: `the pose: ${poseWords(view)}` }}
              arrived={{
                words: 'It stands at the pose',
                drafts: [
                  {
                    kind: 'stands',
                    place: 'pose',
                    cylinderId: pose.cylinderId,
                    ...(wheelDeg === undefined ? {} : { wheelDeg }),
                    stepId: step.id,
                  },
                ],
              }}
            />
            <p className="soft">
              With the chain off the lobes say nothing about the crank: firing or overlap is then whichever the cam is
              set to.
            </p>
          </>
        )}
      </div>
    )
  }
  return (
    <div className="stack">
      <TurnTo
        target={{ deg: pose.crankDeg.value, words: `the pose: ${poseWords(view)}` }}
        {...(stood
          ? {}
          : {
              arrived: {
                words: 'It stands at the pose',
                drafts: [
                  {
                    kind: 'stands' as const,
                    place: 'pose' as const,
                    cylinderId: pose.cylinderId,
                    ...(wheelDeg === undefined ? {} : { wheelDeg }),
                    stepId: step.id,
                  },
                ],
              },
            })}
      />
      {tensioner && !held && (
        <Button
          variant={stood ? 'filled' : 'default'}
          onClick={() =>
            void say(
              { kind: 'tensioner', memberId: tensioner.id, state: 'heldBack', stepId: step.id },
              {
                kind: 'item',
                itemId: `pin-${tensioner.id}`,
                item: 'tensionerPin',
                where: sheet.loops.length > 1 ? loop.name.toLowerCase() : '',
                change: 'in',
                stepId: step.id,
              },
            )
          }
        >
          Tensioner held back, its pin in
        </Button>
      )}
      <Button
        variant={stood && (!tensioner || held) ? 'filled' : 'quiet'}
        disabled={!stood}
        onClick={() => void say({ kind: 'loop', loopId: loop.id, change: 'off', stepId: step.id })}
      >
        {loop.name} is off
      </Button>
      {!stood && (
        <p className="soft">First say that it stands at the pose: with the chain off the crank may only be trimmed.</p>
      )}
    </div>
  )
}

/** With the loop off: the cam to its mark, and how far it is off it. */
export function SetCam({ step }: { readonly step: Step }) {
  const { view, side, say } = useBench()
  const { sheet, state, job, guard } = view
  const shaft = sheet.shafts.find(({ id }) => id === step.targetIds[0])
  const field = useDegreesField(`${job.id}:${step.id}:off`, { least: 0, most: 90 })
  const [way, setWay] = useState<'late' | 'early'>('late')
  const set = shaft && state.camSet[shaft.id]
  if (!shaft) return null
  const mark = sheet.marks.find(({ memberId }) =>
    sheet.members.some(({ id, shaftId }) => id === memberId && shaftId === shaft.id),
  )
  const off = sheet.loops.length === 0 || Object.values(state.loops).some(({ on }) => !on)
  const write = (offDeg: number, typed: string) => {
    void say({ kind: 'camSet', shaftId: shaft.id, offDeg, typed: [{ field: 'off', text: typed }], stepId: step.id })
    field.drop()
  }
  return (
    <div className="stack">
      {!off && <p className="warn">The chain is on: the cam goes with it. Take it off first.</p>}
      <p>
        Bring the {mark?.name.toLowerCase() ?? 'cam mark'} to {mark?.meets || 'its pointer'}, the last movement{' '}
        {handWords(1, sheet, side)}, seen from the {sideName(sheet, side)}.{' '}
        {guard.camshafts === 'trim' && 'A few degrees at a time; resistance is information: stop.'}
        {guard.camshafts === 'unknown' &&
          'Where the pistons stand is not known: feel every degree, or relieve the valves first.'}
      </p>
      <Button variant={set ? 'quiet' : 'filled'} onClick={() => write(0, 'meets')}>
        It meets
      </Button>
      <details className="section">
        <summary>It stands off by some degrees</summary>
        <div className="section-body stack">
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
              if (field.value !== undefined) write(way === 'late' ? field.value : -field.value, `${field.text} ${way}`)
            }}
          >
            Write it down
          </Button>
        </div>
      </details>
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

/** The loop goes on with its slack on the tensioner's run; then the count, and the move until it is right. */
export function ChainOnCount({ step }: { readonly step: Step }) {
  const { view, side, say } = useBench()
  const { sheet, state } = view
  const loop = sheet.loops.find(({ id }) => id === step.targetIds[0])
  if (!loop) return null
  const at = state.loops[loop.id]
  const driver = driverOf(sheet, loop)
  const driverShaft = sheet.shafts.find(({ id }) => id === driver?.shaftId)
  const runs = driverShaft && ratioValue(ratioOfShaft(sheet, driverShaft)) < 0 ? -1 : 1
  if (!at?.on) {
    return (
      <div className="stack">
        <p>
          Hang the {loop.name.toLowerCase()} on the {driver?.name.toLowerCase() ?? 'crank sprocket'} first, keep the
          runs that are pulled straight, and let all the slack lie on the run that leaves it,{' '}
          {handWords(runs, sheet, side)}. The crank and the cams stay where they are: the{' '}
          {loop.kind === 'toothedBelt' ? 'belt' : 'chain'} moves.
        </p>
        <Button
          variant="filled"
          onClick={() => void say({ kind: 'loop', loopId: loop.id, change: 'on', stepId: step.id })}
        >
          {loop.name} is on
        </Button>
      </div>
    )
  }
  const tries = state.moves.filter(({ loopId }) => loopId === loop.id)
  return (
    <div className="stack">
      {at.proof === 'asArrived' && (
        <p className="soft">The chain was not off in this job. Counting it here is the count as it is set.</p>
      )}
      <CountPanel step={step} />
      {tries.length > 0 && (
        <p className="soft">
          Moved so far:{' '}
          {tries
            .map(
              ({ teeth }) =>
                `${Math.abs(teeth)} ${Math.abs(teeth) === 1 ? 'tooth' : 'teeth'} ${handWords(teeth, sheet, side)}`,
            )
            .join(', then ')}
          .
        </p>
      )}
    </div>
  )
}

/** Fitted held back, released, and felt to push. */
export function TensionerStep({ step }: { readonly step: Step }) {
  const { view, say } = useBench()
  const { state, sheet } = view
  const memberId = step.targetIds[0] ?? ''
  const at = state.tensioners[memberId] ?? 'out'
  const name = sheet.members.find(({ id }) => id === memberId)?.name ?? 'Tensioner'
  const pin = state.register.find(({ item, itemId }) => item === 'tensionerPin' && itemId === `pin-${memberId}`)
  const set = (next: 'fitted' | 'released' | 'proven') =>
    ({ kind: 'tensioner', memberId, state: next, stepId: step.id }) as const
  return (
    <div className="stack">
      <p className="caution">Springs fly. Fitted extended it strips its threads; left unreleased the chain jumps.</p>
      {(at === 'out' || at === 'heldBack' || at === 'asArrived') && (
        <Button variant="filled" onClick={() => void say(set('fitted'))}>
          {name} is fitted, seated, held back
        </Button>
      )}
      {at === 'fitted' && (
        <Button
          variant="filled"
          onClick={() =>
            void say(
              ...(pin
                ? [
                    {
                      kind: 'item',
                      itemId: pin.itemId,
                      item: pin.item,
                      where: pin.where,
                      change: 'out',
                      stepId: step.id,
                    } as const,
                  ]
                : []),
              set('released'),
            )
          }
        >
          {pin ? 'Pin is out: heard or felt it go' : 'Released: heard or felt it go'}
        </Button>
      )}
      {at === 'released' && (
        <Button variant="default" onClick={() => void say(set('proven'))}>
          Pushed the run against it: it gives and comes back
        </Button>
      )}
      {(at === 'released' || at === 'proven') && (
        <p className="result">
          Released{at === 'proven' ? ', ' : '.'} {at === 'proven' && <span className="proved">proved by feel</span>}
        </p>
      )}
    </div>
  )
}

/** Two full turns the running way with everything tight, and everything read again. */
export function TwoTurns({ step }: { readonly step: Step }) {
  const { view, side, say } = useBench()
  const { sheet, state, guard } = view
  const [other, setOther] = useState(false)
  const turned = Math.min(...step.targetIds.map((id) => state.loops[id]?.turnedTightDeg ?? 0))
  const enough = turned >= PROOF_TURN_DEG
  const held = guard.verdict !== 'turn'
  const camshafts = sheet.shafts.filter(({ kind }) => kind === 'cam')
  return (
    <div className="stack">
      <p>
        {enough ? (
          <>Turned {fixed(turned, 0)}° with everything tight.</>
        ) : (
          <>
            Turn by hand {handWords(1, sheet, side)}, seen from the {sideName(sheet, side)}: two full turns. Turned so
            far <span className="reading">{fixed(turned, 0)}°</span> of 720°. Resistance is information: stop, go back,
            find out.
          </>
        )}
      </p>
      {held && !enough && <p className="warn">Not yet: see the guard at the foot for what has to be freed first.</p>}
      {!enough && (
        <div className="row">
          <Button
            variant="filled"
            disabled={held}
            onClick={() => void say({ kind: 'turned', deg: 360, ended: 'onMark', stepId: step.id })}
          >
            One full turn done
          </Button>
          <Button variant="quiet" onClick={() => setOther(true)}>
            Other
          </Button>
        </div>
      )}
      {other && <TurnedDialog planned={undefined} onClose={() => setOther(false)} />}
      {enough &&
        camshafts.map((shaft, i) => (
          <TimingReadings key={shaft.id} step={step} shaft={shaft} phase="left" counts={i === 0} />
        ))}
      {enough && camshafts.map((shaft) => <Deviation key={shaft.id} step={step} shaftId={shaft.id} />)}
    </div>
  )
}

/** A camshaft left off its book figure on purpose, with the reason. */
function Deviation({ step, shaftId }: { step: Step; shaftId: string }) {
  const { view, say } = useBench()
  const { state, sheet, job } = view
  const timing = state.timing[shaftId]?.left
  const reason = useDraft(`${job.id}:${step.id}:${shaftId}:deviation`)
  const tolerance = sheet.toleranceDeg?.value
  const written = state.deviations.findLast((one) => one.shaftId === shaftId)
  if (!timing) return null
  const within = tolerance !== undefined && Math.abs(timing.latenessDeg) <= tolerance
  if (within) {
    return (
      <p className="result">
        Within the sheet’s {fixed(tolerance, 1)}° by {fixed(tolerance - Math.abs(timing.latenessDeg), 1)}°. Leave it.
      </p>
    )
  }
  if (written) {
    return (
      <p className="result">
        Left {formatLateness(written.latenessDeg)} on purpose: {written.reason}
      </p>
    )
  }
  return (
    <div className="stack">
      <p className={tolerance === undefined ? 'soft' : 'warn'}>
        {tolerance === undefined
          ? 'The sheet has no limit to judge this against.'
          : `Outside the sheet’s ${fixed(tolerance, 1)}° by ${fixed(Math.abs(timing.latenessDeg) - tolerance, 1)}°.`}{' '}
        If it is left so on purpose, write why.
      </p>
      <Textarea
        label="Left so, because"
        value={reason.text}
        onChange={(event) => reason.setText(event.currentTarget.value)}
        autosize
        minRows={1}
      />
      <Button
        variant="default"
        disabled={reason.text.trim() === ''}
        onClick={() => {
          void say({
            kind: 'deviation',
            shaftId,
            latenessDeg: timing.latenessDeg,
            reason: reason.text.trim(),
            stepId: step.id,
          })
          reason.drop()
        }}
      >
        Leave it so
      </Button>
    </div>
  )
}
