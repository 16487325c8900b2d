import { Button, Textarea } from '@mantine/core'
import { useState } from 'react'
import { readLoop, seatsOf, type JobState } from '@link-count/core/ledger'
import type { BuildSheet, Phase } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { moveProblemOf, moveToDo, type MoveSet } from '@link-count/core/search'
import { fixed, formatLateness, type Side } from '@link-count/core/units'
import { DegreesInput, useDegreesField, useDraft } from '../../../../ui/fields'
import { Figure } from '../../../../ui/Figure'
import { signedDeg } from '../../../../ui/wording'
import { useMoveSearch } from '../../../../workers/useMoveSearch'
import { useBench } from '../../JobContext'
import { draftsOf, oneMoveWords, othersOf } from './oneMove'

/** The moves that leave least over all camshafts, the best few of them: what, which way from here, how many, and what is then left. */
export function TheOneMove({ step, phase }: { readonly step: Step; readonly phase: Phase }) {
  const { view, side, say } = useBench()
  const { sheet, state } = view
  const [shown, setShown] = useState(0)
  const problem = moveProblemOf(sheet, state, phase)
  const { search, cancel } = useMoveSearch(problem)
  if (!problem) return null
  if (phase === 'found' && workedOn(state)) {
    return (
      <p className="soft">What was found has been worked on since. Count again, turn it twice, and read it as left.</p>
    )
  }
  const wide = problem.cams.some(({ latenessDeg }) => Math.abs(latenessDeg) > 0.25)
  const found = search.status === 'ok' ? search.found : undefined
  // Nearer than it can be read is no gain.
  const readToDeg = Math.max(0, ...problem.cams.map(({ id }) => state.timing[id]?.[phase]?.plusMinusDeg ?? 0))
  const withinDeg = sheet.toleranceDeg?.value ?? readToDeg
  const toDo = found && moveToDo(found, withinDeg)
  const others = found && toDo ? othersOf(found, toDo) : []
  const best = shown === 0 ? toDo : (others[shown - 1] ?? toDo)
  const moves = best ? [...best.shared, ...best.cams.flatMap((cam) => cam.moves)] : []
  const done = (set: MoveSet) => void say(...draftsOf(set, sheet, side, step.id))
  return (
    <section className="diagnosis" aria-label="The one move">
      <h3>The one move</h3>
      {search.status === 'running' && (
        <p className="soft">
          Searching{search.progress ? `, ${search.progress.done} of ${search.progress.total}` : ''} …{' '}
          <button type="button" className="link" onClick={cancel}>
            Stop
          </button>
        </p>
      )}
      {search.status === 'cancelled' && <p className="soft">Stopped; nothing was moved.</p>}
      {search.status === 'failed' && <p className="field-error">The search failed: {search.message}</p>}
      {best && moves.length === 0 && (
        <p className="result">
          {wide
            ? 'Nothing on this drive brings it nearer. Leave it, or measure what else could be moved.'
            : 'Nothing to move: it stands as near as this drive can be set.'}
        </p>
      )}
      {best && moves.length > 0 && (
        <>
          <ol className="moves">
            {moves.map((move) => (
              <li key={move.moverId}>
                <strong>{oneMoveWords(move, sheet, side)}</strong>
              </li>
            ))}
          </ol>
          <p className="soft">
            {shown === 0
              ? `The least trouble that leaves every cam within ${fixed(withinDeg, 1)}°, ${sheet.toleranceDeg ? 'the sheet’s limit' : 'what it was read to'}${best === found?.nearest[0] ? ', and the nearest of all' : ''}.`
              : 'One of the other ways.'}
          </p>
          <dl className="figures">
            {best.cams.map((cam) => (
              <div key={cam.id}>
                <dt>{sheet.shafts.find((shaft) => shaft.id === cam.id)?.name} then reads</dt>
                <dd className="reading">
                  <Figure opened={openLeftover(cam, best, { sheet, state, side, phase })}>
                    {formatLateness(cam.leftoverDeg + (state.targets[cam.id]?.latenessDeg ?? 0))}
                  </Figure>
                </dd>
              </div>
            ))}
          </dl>
          {best.cams.some((cam) => cam.moves.length > 1) && (
            <p className="warn">Between the two moves the cam stands far out: do both before anything is turned.</p>
          )}
          {moves.some(({ moverId }) => moverId.startsWith('tooth')) && (
            <p className="soft">
              One cam at a time, from the crank outwards along the pulled run, the ones that are set held: what is moved
              changes the count to the next.
            </p>
          )}
          <NewCounts set={best} sheet={sheet} state={state} />
          <Button variant="default" onClick={() => done(best)}>
            It is moved so
          </Button>
        </>
      )}
      {others.length > 0 && (
        <details className="section">
          <summary>
            Other ways <span className="soft">less trouble, or nearer</span>
          </summary>
          <ul className="section-body plain ways">
            {[toDo, ...others].map((set, i) =>
              i === shown || !set ? null : (
                <li key={i}>
                  <button type="button" className="link" onClick={() => setShown(i)}>
                    {[...set.shared, ...set.cams.flatMap((cam) => cam.moves)]
                      .map((move) => oneMoveWords(move, sheet, side))
                      .join(' ') || 'Leave it as it is.'}
                  </button>{' '}
                  <span className="soft">
                    leaves {set.cams.map(({ leftoverDeg }) => signedDeg(leftoverDeg)).join(', ')}
                    {set === found?.nearest[0] && ', the nearest of all'}
                  </span>
                </li>
              ),
            )}
          </ul>
        </details>
      )}
      <Targets step={step} />
    </section>
  )
}

/** Where a leftover comes from: what was read, what each move does to it. */
function openLeftover(
  cam: MoveSet['cams'][number],
  { shared }: MoveSet,
  { sheet, state, side, phase }: { sheet: BuildSheet; state: JobState; side: Side; phase: Phase },
) {
  const timing = state.timing[cam.id]?.[phase]
  const target = state.targets[cam.id]
  return {
    title: 'Lateness after the move',
    value: formatLateness(cam.leftoverDeg + (target?.latenessDeg ?? 0)),
    plusMinus: timing && `${fixed(timing.plusMinusDeg, 1)}°`,
    readings: [
      {
        label: phase === 'found' ? 'As found' : 'As left',
        value: timing ? formatLateness(timing.latenessDeg) : 'not read',
      },
      ...(target ? [{ label: 'Meant to stand', value: formatLateness(target.latenessDeg) }] : []),
      ...[...shared, ...cam.moves].map((move) => ({
        label: oneMoveWords(move, sheet, side),
        value: signedDeg(move.laterDeg, 2),
      })),
    ],
    formula:
      'What was read and every move, added up in crank degrees, late is plus; whole turns of the camshaft are left out. All moves that the sheet lists were gone through together for all camshafts.',
    source:
      'The teeth, places, keys and slots of the build sheet. How much trouble each kind of move is, is common practice.',
  }
}

/** What has to be counted between the marks once it is moved: a hub moved on the camshaft wants its wheel elsewhere on the loop. */
function NewCounts({ set, sheet, state }: { set: MoveSet; sheet: BuildSheet; state: JobState }) {
  const moved = [...set.shared, ...set.cams.flatMap((cam) => cam.moves)].flatMap(({ moverId, laterDeg }) => {
    const [kind, adjusterId] = moverId.split(' ')
    return kind === 'adjuster' && adjusterId ? [{ adjusterId, laterDeg }] : []
  })
  const seats = seatsOf(sheet, [...state.adjusted, ...moved])
  const laid = new Set(set.cams.flatMap((cam) => cam.moves).map(({ moverId }) => moverId.split(' ')[1]))
  const touched = sheet.loops.filter(
    ({ id, path }) => laid.has(id) || path.some(({ memberId }) => seats[memberId] !== undefined),
  )
  const counts = touched.flatMap((loop) =>
    readLoop(sheet, loop, [], undefined, seats).sections.flatMap(({ run, from, to, expected }) =>
      run === 'tight' && expected
        ? [`${fixed(expected.pitches, 1)} pitches from the ${from.name.toLowerCase()} to the ${to.name.toLowerCase()}`]
        : [],
    ),
  )
  return counts.length === 0 ? null : <p>Then count {counts.join(', ')}.</p>
}

/** Something that sets the cams was moved in this job. */
const workedOn = ({ moves, adjusted, couplings, loops, live }: JobState) =>
  moves.length + adjusted.length > 0 ||
  Object.values(couplings).some(({ together, proof }) => !together || proof !== 'asArrived') ||
  Object.values(loops).some(({ on }) => !on) ||
  live.some(({ kind }) => kind === 'loop')

/** A camshaft meant to stand elsewhere than the book has it, with the reason. */
function Targets({ step }: { step: Step }) {
  const { view, say } = useBench()
  const { sheet, state, job } = view
  const camshafts = sheet.shafts.filter(({ id, kind }) => kind === 'cam' && state.timing[id])
  const off = useDegreesField(`${job.id}:${step.id}:target`, { least: -90, most: 90 })
  const reason = useDraft(`${job.id}:${step.id}:target-reason`)
  const write = (shaftId: string) => {
    off.ask()
    if (off.value === undefined || reason.text.trim() === '') return
    void say({ kind: 'target', shaftId, latenessDeg: off.value, reason: reason.text.trim(), stepId: step.id })
  }
  return (
    <details className="section">
      <summary>
        Set it other than the book{' '}
        <span className="soft">{Object.keys(state.targets).length > 0 ? 'written' : 'only with a reason'}</span>
      </summary>
      <div className="section-body stack">
        {Object.values(state.targets).map(({ id, shaftId, latenessDeg, reason: why }) => (
          <p key={id} className="result">
            {sheet.shafts.find((shaft) => shaft.id === shaftId)?.name}: {formatLateness(latenessDeg)}, {why}
          </p>
        ))}
        <DegreesInput
          field={off}
          label="Crank degrees after the book"
          description="Late is plus; minus is advanced."
          placeholder="-2"
        />
        <Textarea
          label="Because"
          value={reason.text}
          onChange={(event) => reason.setText(event.currentTarget.value)}
          autosize
          minRows={1}
        />
        <div className="row">
          {camshafts.map(({ id, name }) => (
            <Button key={id} variant="default" disabled={reason.text.trim() === ''} onClick={() => write(id)}>
              For the {name.toLowerCase()}
            </Button>
          ))}
        </div>
      </div>
    </details>
  )
}
