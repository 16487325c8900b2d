import { Button } from '@mantine/core'
import { isReleased } from '@link-count/core/ledger'
import type { BuildSheet, Loop, Member, NewEntry } from '@link-count/core/model'
import { cameIn, type Step } from '@link-count/core/runSheet'
import { partsOf } from '@link-count/core/sheet'
import { tighteners } from '@link-count/core/tension'
import { inSentence, nounsOf, tightenerWordsOf } from '../../../../ui/wording'
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
          onClick={() => void say(takenBack(tensioner, step.id, sheet.loops.length > 1 ? inSentence(loop.name) : ''))}
        >
          {backWords(tensioner)}
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

/** What lets the chain come off: held back and latched, or slacked off where it stands. */
function takenBack({ id, tightener }: Member, stepId: string, where: string): NewEntry[] {
  if (tightener && tighteners[tightener.kind].worked === 'locked')
    return [{ kind: 'tensioner', memberId: id, state: 'loose', stepId }]
  return [
    { kind: 'tensioner', memberId: id, state: 'heldBack', stepId },
    { kind: 'item', itemId: `pin-${id}`, item: 'tensionerPin', where, change: 'in', stepId },
  ]
}

function backWords({ name, tightener }: Member): string {
  if (!tightener) return 'Tensioner held back, its pin in'
  const { says } = tightenerWordsOf(tightener.kind)
  return `${name}: ${inSentence(says.heldBack ?? says.loose ?? 'slacked off')}`
}
