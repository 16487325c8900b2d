import { Button } from '@mantine/core'
import { useState } from 'react'
import { isTurnedRound, moveOverDriver, movesOf, readDrive, type Section } from '@link-count/core/drive'
import { readLoop } from '@link-count/core/ledger'
import type { Loop, Phase } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { partsOf } from '@link-count/core/sheet'
import { fixed, formatLateness } from '@link-count/core/units'
import { inSentence, nounsOf, sectionEndWords } from '../../../ui/wording'
import { useBench } from '../JobContext'
import { moveWords } from '../moveWords'

/** What the counts of a loop say together: the moves that put every wheel right, from the crank outwards, and what is then left over. */
export function LoopMoves({ loop, phase, step }: { loop: Loop; phase: Phase; step: Step }) {
  const { view, side, say } = useBench()
  const [moving, setMoving] = useState('')
  const { sections, found, lateness } = readLoop(view.sheet, loop, view.state.counts, phase, view.state.seats)
  const loopOn = view.state.loops[loop.id]?.on
  if (lateness.length === 0) return null
  const { moves, then } = movesOf(sections, lateness, found)
  const wrong = moves.filter(({ layTeeth }) => layTeeth !== 0)
  const atDriver = moveOverDriver(sections, lateness, readDrive(view.sheet).driverOf(loop)?.id)
  const nameOf = (id: string) => inSentence(partsOf(view.sheet).member(id)?.name) ?? ''
  const several = lateness.length > 1
  const shaftWords = (memberId: string) => {
    const shaft = lateness.find((one) => one.memberId === memberId)?.shaft
    return shaft?.kind === 'cam' && !several ? 'The cam' : (shaft?.name ?? '')
  }
  if (isTurnedRound(sections, found))
    return <TurnItRound loop={loop} step={phase === 'found' || !loopOn ? undefined : step} />
  if (wrong.length === 0) {
    return (
      <p className="result">
        The {inSentence(loop.name)} lies right
        {several && lateness.length < sections.length - 1 ? ' where it was counted' : ''}: nothing to move. What is left
        over is{' '}
        {moves.map(({ memberId, leftoverDeg }, i) => (
          <span key={memberId}>
            {i > 0 && ', '}
            <span className="reading">{formatLateness(leftoverDeg)}</span>
            {several && ` on the ${nameOf(memberId)}`}
          </span>
        ))}{' '}
        at the crank.
      </p>
    )
  }
  return (
    <>
      {atDriver && (
        <div className="move">
          <p>
            All stand out alike: <strong>{moveWords(atDriver, loop, view.sheet, side)}</strong> The camshafts stay, and
            all of them are put right at once. Or one by one:
          </p>
        </div>
      )}
      {wrong.map((move) => (
        <div className="move" key={move.memberId}>
          <p>
            <strong>{moveWords(move, loop, view.sheet, side)}</strong> {shaftWords(move.memberId)} then stands{' '}
            {formatLateness(move.leftoverDeg)} at the crank. The crank stays.
          </p>
        </div>
      ))}
      {several && then.length > 1 && <ThenCount loop={loop} sections={sections} then={then} />}
      {phase !== 'found' &&
        loopOn &&
        [...(atDriver ? [atDriver] : []), ...wrong].map(({ memberId, layTeeth }) => (
          <Button
            key={memberId}
            variant="filled"
            disabled={moving === memberId}
            onClick={() => {
              setMoving(memberId)
              void say({ kind: 'moved', loopId: loop.id, memberId, teeth: layTeeth, stepId: step.id })
            }}
          >
            {wrong.length > 1 ? `Moved it over the ${nameOf(memberId)}` : 'Moved it: count again'}
          </Button>
        ))}
    </>
  )
}

/** Its lines, or painted links, were read backwards: no move over a wheel puts that right. */
function TurnItRound({ loop, step }: { readonly loop: Loop; readonly step: Step | undefined }) {
  const { say } = useBench()
  const noun = nounsOf(loop).loop
  return (
    <>
      <div className="move" role="status">
        <p>
          <strong>Turn the {noun} round.</strong> These are its runs read the other way: its lines or painted links were
          followed backwards. Take it off, put each camshaft back to its mark, lay it on with its arrow or writing the
          way it runs, and count again.
        </p>
      </div>
      {step && (
        <Button
          variant="filled"
          onClick={() => void say({ kind: 'loop', loopId: loop.id, change: 'off', stepId: step.id })}
        >
          {loop.name} is off again
        </Button>
      )}
    </>
  )
}

/** What the counts are once it was moved. */
function ThenCount({
  loop,
  sections,
  then,
}: {
  loop: Loop
  sections: readonly Section[]
  then: ReturnType<typeof movesOf>['then']
}) {
  const { view, side } = useBench()
  const counts = then.map(({ sectionId, pitches }) => {
    const section = sections.find(({ id }) => id === sectionId)
    const from = section ? sectionEndWords(view.sheet, loop, section, 'from', side) : ''
    return `${fixed(pitches, 1)} pitches from ${from}`
  })
  return <p className="soft">Then count {counts.join(', ')}. The slack run takes up the rest.</p>
}
