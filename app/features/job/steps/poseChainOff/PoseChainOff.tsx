import { Button } from '@mantine/core'
import { isReleased } from '@link-count/core/ledger'
import type { BuildSheet, Loop } from '@link-count/core/model'
import { cameIn, type Step } from '@link-count/core/runSheet'
import { partsOf } from '@link-count/core/sheet'
import { inSentence, nounsOf } from '../../../../ui/wording'
import { useBench } from '../../JobContext'
import { Passing } from '../../Passing'
import { TurnTo } from '../../TurnTo'
import { timingPosition } from '../../timingPosition'

/** The tensioner of a loop. */
const tensionerOf = (sheet: BuildSheet, loop: Loop | undefined) =>
  partsOf(sheet).tensioners.find(({ id }) => loop?.path.some(({ memberId }) => memberId === id))

/** Crank to the reference pose, tensioner held back, chain off. */
export function PoseChainOff({ step }: { readonly step: Step }) {
  const { view, say } = useBench()
  const { sheet, state, job } = view
  const loop = partsOf(sheet).loop(step.targetIds[0])
  const on = loop && state.loops[loop.id]?.on
  const { target, arrived, stood } = timingPosition(view, step.id, loop && { loopId: loop.id })
  const tensioner = tensionerOf(sheet, loop)
  const held = tensioner && !isReleased(state.tensioners[tensioner.id] ?? 'out')
  if (!loop) return null
  const noun = nounsOf(loop).loop
  if (!on) {
    const sits = state.loops[loop.id]?.offAt === 'pose'
    return (
      <div className="stack">
        <p className="result">
          {cameIn(sheet, job).loopOff(step.targetIds[0] ?? '')
            ? `It came in with its ${noun} off. `
            : `The ${noun} is off. `}
          {sits ? 'The crank is at its place: trims only.' : 'Where the crank stands to that place is not known.'}
        </p>
        {!sits && (
          <>
            <TurnTo target={target} arrived={arrived} />
            <p className="soft">
              With the {noun} off the lobes say nothing about the crank: firing or overlap is then whichever the cam is
              set to.
            </p>
          </>
        )}
      </div>
    )
  }
  return (
    <div className="stack">
      <TurnTo target={target} {...(stood ? {} : { arrived })} />
      {!stood && target.deg !== sheet.referencePose.crankDeg.value && <Passing toDeg={target.deg} />}
      {tensioner && !held && (
        <Button
          variant={stood ? 'filled' : 'default'}
          onClick={() =>
            void say([
              { kind: 'tensioner', memberId: tensioner.id, state: 'heldBack', stepId: step.id },
              {
                kind: 'item',
                itemId: `pin-${tensioner.id}`,
                item: 'tensionerPin',
                where: sheet.loops.length > 1 ? inSentence(loop.name) : '',
                change: 'in',
                stepId: step.id,
              },
            ])
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
        <p className="soft">First say that it stands there: with the {noun} off the crank may only be trimmed.</p>
      )}
    </div>
  )
}
