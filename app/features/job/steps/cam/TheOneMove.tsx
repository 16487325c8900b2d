import { Button } from '@mantine/core'
import { useState } from 'react'
import { lastOf, type JobState } from '@link-count/core/ledger'
import type { BuildSheet, Phase } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import {
  camshaftsToRead,
  countsAfter,
  movesIn,
  type CountsOfLoop,
  loopsToCount,
  moveProblemOf,
  moveToDo,
  type Move,
  type MoveProblem,
  type MoveSet,
} from '@link-count/core/search'
import { partsOf } from '@link-count/core/sheet'
import { fixed, formatLateness, type Side } from '@link-count/core/units'
import { Figure } from '../../../../ui/Figure'
import { inSentence, signedDeg } from '../../../../ui/wording'
import { useMoveSearch } from '../../../../workers/useMoveSearch'
import { askTurn } from '../../askTurn'
import { useBench } from '../../JobContext'
import { Targets } from './Targets'
import { newEntriesOf, oneMoveWords, othersOf } from './oneMove'
import { Fold } from '../../../../ui/Fold'
import './TheOneMove.css'

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
      <p className="soft">
        What was found has been worked on since. Count again. {askTurn({ again: 'readAsLeft' }, view, side).words}
      </p>
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
  const moves = best ? movesIn(best) : []
  const after = best ? countsAfter(best, { sheet, state, phase }) : []
  const within = best?.cams.every(({ leftoverDeg }) => Math.abs(leftoverDeg) <= withinDeg)
  const limit = `${fixed(withinDeg, 1)}°, ${sheet.toleranceDeg ? 'the sheet’s limit' : 'what it was read to'}`
  const done = (set: MoveSet) => void say(newEntriesOf(set, after, { sheet, side, stepId: step.id }))
  return (
    <section className="diagnosis" aria-label="The one move">
      <h3>The one move</h3>
      <SearchStatus search={search} cancel={cancel} />
      {best && moves.length === 0 && (
        <p className="result">
          {wide
            ? 'No adjustment here will improve it. Leave it, or measure what else could be moved.'
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
              ? `${within ? `The least trouble that leaves every cam within ${limit}` : `No set of moves leaves every cam within ${limit}: this comes nearest`}${within && best === found?.nearest[0] ? ', and the nearest of all' : ''}.`
              : 'One of the other ways.'}
          </p>
          <ThenReads best={best} problem={problem} phase={phase} />
          <NewCounts after={after} />
          <Button variant="default" onClick={() => done(best)}>
            It is moved so
          </Button>
        </>
      )}
      <OtherWays ways={[toDo, ...others]} shown={shown} nearest={found?.nearest[0]} onChoose={setShown} />
      <LeftOut sheet={sheet} state={state} phase={phase} />
      <Targets step={step} />
    </section>
  )
}

function SearchStatus({
  search,
  cancel,
}: {
  readonly search: ReturnType<typeof useMoveSearch>['search']
  readonly cancel: () => void
}) {
  return (
    <>
      {search.status === 'running' && (
        <p className="soft">
          Searching{search.progress ? `, ${search.progress.done} of ${search.progress.total}` : ''} …{' '}
          <button type="button" className="link" onClick={cancel}>
            Stop
          </button>
        </p>
      )}
      {search.status === 'cancelled' && <p className="soft">Stopped; nothing was moved.</p>}
      {search.status === 'tooMany' && (
        <p className="soft">
          So many adjusters together have more places than can be gone through one by one. Free fewer adjusters: on the
          build sheet, take off what is not to be moved.
        </p>
      )}
      {search.status === 'failed' && <p className="field-error">The search failed: {search.message}</p>}
    </>
  )
}

/** What each camshaft then reads, and what to mind on the way there. */
function ThenReads({
  best,
  problem,
  phase,
}: {
  readonly best: MoveSet
  readonly problem: MoveProblem
  readonly phase: Phase
}) {
  const { view, side } = useBench()
  const { sheet, state } = view
  return (
    <>
      <dl className="figures">
        {best.cams.map((cam) => (
          <div key={cam.id}>
            <dt>{partsOf(sheet).shaft(cam.id)?.name} then reads</dt>
            <dd className="reading">
              <Figure opened={openLeftover(cam, movesOfCam(best, cam, problem), { sheet, state, side, phase })}>
                {formatLateness(cam.leftoverDeg + (lastOf(state, 'target', cam.id)?.latenessDeg ?? 0))}
              </Figure>
            </dd>
          </div>
        ))}
      </dl>
      {best.cams.some((cam) => movesOfCam(best, cam, problem).length > 1) && (
        <p className="warn">Between the two moves the cam stands far out: do both before anything is turned.</p>
      )}
      {best.shared.some(isTooth) && (
        <p className="soft">
          Hold the camshafts where they stand, lift the loop off there and lay it on again: that puts all of them right
          at once.
        </p>
      )}
      {best.cams.some(({ moves: own }) => own.some(isTooth)) && (
        <p className="soft">
          One cam at a time, from the crank outwards along the pulled run, the ones that are set held: what is moved
          changes the count to the next.
        </p>
      )}
    </>
  )
}

function OtherWays({
  ways,
  shown,
  nearest,
  onChoose,
}: {
  readonly ways: readonly (MoveSet | undefined)[]
  readonly shown: number
  readonly nearest: MoveSet | undefined
  readonly onChoose: (i: number) => void
}) {
  const { view, side } = useBench()
  if (ways.length < 2) return null
  return (
    <Fold title="Other ways" note="less trouble, or nearer">
      <ul className="plain ways">
        {ways.map((set, i) =>
          i === shown || !set ? null : (
            <li key={i}>
              <button type="button" className="link" onClick={() => onChoose(i)}>
                {movesIn(set)
                  .map((move) => oneMoveWords(move, view.sheet, side))
                  .join(' ') || 'Leave it as it is.'}
              </button>{' '}
              <span className="soft">
                leaves {set.cams.map(({ leftoverDeg }) => signedDeg(leftoverDeg)).join(', ')}
                {set === nearest && ', the nearest of all'}
              </span>
            </li>
          ),
        )}
      </ul>
    </Fold>
  )
}

const isTooth = ({ moverId }: Move) => moverId.startsWith('tooth ')

/** Every move of a set that moves one camshaft, those that it shares with others first. */
const movesOfCam = ({ shared }: MoveSet, cam: MoveSet['cams'][number], problem: MoveProblem): Move[] => [
  ...shared.filter(({ moverId }) =>
    problem.shared.some(({ mover, camIds }) => mover.id === moverId && camIds.includes(cam.id)),
  ),
  ...cam.moves,
]

/** Where a leftover comes from: what was read, what each move does to it. */
function openLeftover(
  cam: MoveSet['cams'][number],
  moves: readonly Move[],
  { sheet, state, side, phase }: { sheet: BuildSheet; state: JobState; side: Side; phase: Phase },
) {
  const timing = state.timing[cam.id]?.[phase]
  const target = lastOf(state, 'target', cam.id)
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
      ...moves.map((move) => ({
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

/** What has to be counted between the marks once it is moved. */
function NewCounts({ after }: { after: readonly CountsOfLoop[] }) {
  const counts = after.flatMap((loop) =>
    loop.counts.map(
      ({ from, to, pitches }) =>
        `${fixed(pitches, 1)} pitches from the ${from.toLowerCase()} to the ${to.toLowerCase()}`,
    ),
  )
  const apart = after.filter(({ seats }) => Object.keys(seats).length > 0)
  return (
    <>
      {counts.length > 0 && <p>Then count {counts.join(', ')}.</p>}
      {apart.length > 0 && (
        <p className="warn">
          The marks of the {apart.map(({ loop }) => inSentence(loop.name)).join(' and the ')} then no longer meet as the
          book has them: that is what these moves mean, and the counts are judged by it.
        </p>
      )}
    </>
  )
}

/** What would have to be read or counted before more could be reckoned with. */
function LeftOut({ sheet, state, phase }: { sheet: BuildSheet; state: JobState; phase: Phase }) {
  const unread = camshaftsToRead(sheet, state, phase)
  const uncounted = loopsToCount(sheet, state, phase)
  const and = (names: readonly { readonly name: string }[]) => names.map(({ name }) => inSentence(name)).join(', the ')
  return (
    <>
      {unread.length > 0 && (
        <p className="soft">
          The {and(unread)} {unread.length > 1 ? 'are' : 'is'} not read: what would move{' '}
          {unread.length > 1 ? 'them' : 'it'} as well is left out.
        </p>
      )}
      {uncounted.length > 0 && (
        <p className="soft">
          The {and(uncounted)} {uncounted.length > 1 ? 'are' : 'is'} not counted: only teeth of the last loop to each
          camshaft are reckoned with until then.
        </p>
      )}
    </>
  )
}

/** Something that sets the cams was moved in this job. */
const workedOn = ({ couplings, loops, live }: JobState) =>
  Object.values(couplings).some(({ together, proof }) => !together || proof !== 'asArrived') ||
  Object.values(loops).some(({ on }) => !on) ||
  live.some(({ kind }) => kind === 'loop' || kind === 'moved' || kind === 'adjusted')
