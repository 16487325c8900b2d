import { inTeeth } from '@link-count/core/byMark'
import { correctByTeeth, type CamTiming, type CamWayKind } from '@link-count/core/cams'
import { couplingsTo, readDrive } from '@link-count/core/drive'
import { camWitnesses, lastOf, shaftOfRead } from '@link-count/core/ledger'
import type { Phase, Shaft } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { partsOf } from '@link-count/core/sheet'
import { formatDeg, formatLateness } from '@link-count/core/units'
import { camWayWords, couplingName, notSaidWords } from '../../../ui/wording'
import { useBench } from '../JobContext'
import { moveWords } from '../moveWords'
import { TimingFigure } from '../../../ui/job'
import { camWayPanels } from '../ways/cam'
import { CountPanel } from './CountPanel'
import { MeshCount } from './MeshCount'
import { Fold } from '../../../ui/Fold'
import { Word } from '../../../ui/Word'

const { camMark: CamMarkWay, camAtMark: AtMarkWay, ...byOtherWays } = camWayPanels
const others = Object.entries(byOtherWays) as [CamWayKind, (typeof camWayPanels)[CamWayKind]][]

/** The ways one camshaft is read, each a witness: its mark against the crank, the count, an opening and a closing. */
export function TimingReadings({
  step,
  shaft,
  phase,
  counts = true,
}: {
  readonly step: Step
  readonly shaft: Shaft
  readonly phase: Extract<Phase, 'found' | 'left'>
  /** Where several camshafts are read in one step the loops are counted with the first. */
  readonly counts?: boolean
}) {
  const { view } = useBench()
  const { sheet, state } = view
  const timing = state.timing[shaft.id]?.[phase]
  const reads = state.camReads.filter((read) => read.phase === phase && shaftOfRead(sheet, read) === shaft.id)
  const has = (kind: string) => reads.some((read) => read.kind === kind)
  const counted = state.counts.some((one) => one.phase === phase)
  // Without a wheel there is nothing to bring the mark by.
  const byWheel = state.zero !== undefined || state.degreeWheel !== undefined
  // What a camshaft is set by here is read first: its own lobes, or its mark.
  const byItself = view.schools.trusts === 'cam' && byWheel
  const markByWheel = (
    <Fold
      title={camWayWords.camMark}
      note={has('camMark') ? 'written' : 'not yet'}
      open={byWheel && !byItself && !has('camMark')}
    >
      <CamMarkWay step={step} shaft={shaft} phase={phase} />
    </Fold>
  )
  return (
    <div className="stack">
      {byWheel && markByWheel}
      <Fold
        title={camWayWords.camAtMark}
        note={has('camAtMark') ? 'written' : 'not yet'}
        open={!byWheel && !has('camAtMark')}
      >
        <AtMarkWay step={step} shaft={shaft} phase={phase} />
      </Fold>
      {counts && sheet.loops.length > 0 && (
        <Fold
          title="Count the tight run"
          note={counted ? 'written' : 'not yet'}
          open={has('camMark') || has('camAtMark')}
        >
          <CountPanel step={step} />
        </Fold>
      )}
      <MeshCounts step={step} shaft={shaft} phase={phase} />
      {!byWheel && markByWheel}
      {others.map(([kind, Way]) => (
        <Fold
          key={kind}
          title={camWayWords[kind]}
          note={has(kind) ? 'written' : 'not yet'}
          open={byItself && kind === 'valveEvents' && !has(kind)}
        >
          <Way step={step} shaft={shaft} phase={phase} />
        </Fold>
      ))}
      <Silent shaft={shaft} phase={phase} />
      {timing && sheet.cycleDeg === 720 && byWheel && state.crank.deg === undefined && (
        <p className="soft">
          The half of the cycle is not known, so a cam half a turn out would read the same here: see Which TDC.
        </p>
      )}
      {timing && <WholeTeeth timing={timing} shaft={shaft} />}
      <TimingSoFar shaft={shaft} phase={phase} />
    </div>
  )
}

/** Teeth between the marks of the gears on its way. */
function MeshCounts({
  step,
  shaft,
  phase,
}: {
  readonly step: Step
  readonly shaft: Shaft
  readonly phase: Extract<Phase, 'found' | 'left'>
}) {
  const { sheet, state } = useBench().view
  return couplingsTo(sheet, shaft.id)
    .filter(({ kind }) => kind === 'gearMesh')
    .map((mesh) => (
      <Fold
        key={mesh.id}
        title={`Teeth between marks: ${couplingName(mesh, sheet)}`}
        note={lastOf(state, 'meshCount', `${phase} ${mesh.id}`) ? 'written' : 'not yet'}
        open={false}
      >
        <MeshCount coupling={mesh} step={step} phase={phase} />
      </Fold>
    ))
}

/** Readings that say nothing yet, and why. */
function Silent({ shaft, phase }: { readonly shaft: Shaft; readonly phase: Phase }) {
  const { sheet, state } = useBench().view
  const reads = state.camReads.filter((read) => read.phase === phase && shaftOfRead(sheet, read) === shaft.id)
  const { silent } = camWitnesses({ sheet, zeros: state.zeros, camReads: reads }, shaft.id, phase)
  return (
    <>
      {silent.map(({ entryId, why }) => {
        const read = reads.find(({ id }) => id === entryId)
        return (
          read && (
            <p className="soft" key={entryId}>
              {camWayWords[read.kind]}: written. {notSaidWords[why]}
            </p>
          )
        )
      })}
    </>
  )
}

/** What was read of a camshaft together; what was read twice and does not agree. */
function TimingSoFar({ shaft, phase }: { readonly shaft: Shaft; readonly phase: Phase }) {
  const { view } = useBench()
  const timing = view.state.timing[shaft.id]?.[phase]
  if (!timing) return null
  return (
    <>
      {timing.witnesses.map(
        ({ kind, entryId, repeats }) =>
          repeats && (
            <p className={repeats.agree ? 'soft' : 'warn'} key={entryId}>
              {camWayWords[kind]}, read {repeats.entryIds.length} times, {formatDeg(repeats.apartDeg, 1)} apart:{' '}
              {repeats.agree
                ? 'they agree within what such a reading can show.'
                : 'they do not agree. Neither is taken for right: read it once more, and strike the one that was wrong in the ledger.'}
            </p>
          ),
      )}
      <p className="result">
        {shaft.name}: <TimingFigure timing={timing} view={view} />{' '}
        {timing.misfits.length > 0 ? (
          <strong className="brass">the readings do not agree</strong>
        ) : timing.proved ? (
          <span className="proved">proved</span>
        ) : (
          <span className="soft">
            read, one <Word of="witness" />
          </span>
        )}
      </p>
    </>
  )
}

/** A lateness near whole teeth is a tooth: the move, and what would be left over. */
function WholeTeeth({ timing, shaft }: { timing: CamTiming; shaft: Shaft }) {
  const { latenessDeg } = timing
  const { view, side } = useBench()
  const { sheet } = view
  const way = readDrive(sheet).ways[shaft.id] ?? []
  const last = way.findLast(({ by }) => by.kind === 'loop')
  const wheel = last?.toShaftId === shaft.id ? last.teeth?.driven : undefined
  const loop = partsOf(sheet).loop(last?.by.id)
  if (!wheel?.teeth || !loop) return null
  const { layTeeth, leftoverDeg, toothCrankDeg } = correctByTeeth(
    latenessDeg,
    wheel.teeth.value,
    readDrive(sheet).ratioOf(shaft),
  )
  if (inTeeth(sheet, shaft, timing)?.tells === false)
    return <p className="soft">Read so it cannot tell a tooth: see the mark itself, or count.</p>
  if (layTeeth === 0) {
    return (
      <p className="soft">
        Less than half a tooth ({formatDeg(toothCrankDeg / 2, 1)} at the crank): no whole tooth would improve it.
      </p>
    )
  }
  return (
    <p className="move">
      <strong>{moveWords({ layTeeth, memberId: wheel.id }, loop, sheet, side)}</strong> It then stands{' '}
      {formatLateness(leftoverDeg)} at the crank.
    </p>
  )
}
