import { Button } from '@mantine/core'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { useParams } from 'react-router'
import { markSeat } from '@link-count/core/drive'
import { lastLive } from '@link-count/core/ledger'
import type { BuildSheet, CountRule } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { screenSlice } from '../../domain/screen'
import { selectJobView, selectNotReadable, type JobView } from '../../domain/views'
import { makeDrawnCrank, useAppDispatch, useAppSelector } from '../../store'
import { ChainProgress } from '../../ui/ChainProgress'
import { pinState } from '../../ui/pinState'
import { EngineGate } from '../../ui/EngineGate'
import { PageHeader } from '../../ui/PageHeader'
import { PartBoundary } from '../../ui/PartBoundary'
import { sideName, stepTitle } from '../../ui/wording'
import { BenchMode } from './BenchMode'
import { BenchDrawing, viewsOf } from './bench/BenchDrawing'
import type { CountedOnFace } from '../../ui/face'
import { firstPinFor } from './bench/useScene'
import { countDraftKey, ruleDraftKey } from './countKeys'
import { countablesOf, inHandOf, sectionDraftKey } from './countSection'
import { GuardBar } from './guard/GuardBar'
import { HelpDialog, useLetterKeys } from './HelpDialog'
import { BenchProvider, useBench, type Bench } from './JobContext'
import { LedgerDialog } from './LedgerDialog'
import { NewerSheet } from './NewerSheet'
import { RunSheetDialog } from './RunSheetDialog'
import { NotReadableJob } from '../../ui/job/NotReadableJob'
import { SheetList } from './SheetList'
import { useStrike } from './useStrike'
import { StepPanel } from './steps/StepPanel'
import { useSaying } from './useSaying'
import { useShownStep } from './useShownStep'
import { useStepInView } from './useStepInView'
import { useBenchKeys } from './useBenchKeys'
import './job.css'

/** The bench: the sheet, the living drawing, the strip, the guard. */
export default function JobPage() {
  const { jobId = '' } = useParams()
  return (
    <EngineGate jobId={jobId}>
      <OpenJob jobId={jobId} />
    </EngineGate>
  )
}

function OpenJob({ jobId }: { readonly jobId: string }) {
  const view = useAppSelector((state) => selectJobView(state, jobId))
  const notReadable = useAppSelector((state) => selectNotReadable(state, jobId))
  if (notReadable) return <NotReadableJob jobId={jobId} why={notReadable.why} />
  if (!view) return <p className="page-message">There is no such job in this workshop.</p>
  return <JobBench key={jobId} view={view} />
}

function JobBench({ view }: { view: JobView }) {
  const { job, sheet, state } = view
  const screen = useAppSelector((root) => root.screen)
  const [dialog, setDialog] = useState<'ledger' | 'help' | 'runSheet'>()
  const drawn = useMemo(() => makeDrawnCrank(), [])
  const { say, changeSheet } = useSaying(job.id)
  const { shown, showStep } = useShownStep(view)
  const home = useCallback(
    () => drawn.set(state.crank.deg ?? sheet.referencePose.crankDeg.value),
    [drawn, state.crank.deg, sheet.referencePose.crankDeg.value],
  )
  useEffect(home, [home])
  const { strike, asking } = useStrike(view)
  const letters = useLetterKeys()
  const bench: Bench = { view, side: screen.side, drawn, say, changeSheet, strike, showStep }
  const counted = useCountedOnFace(view, shown?.step)
  const { setBenchMode, flip, otherView } = useScreenActions(sheet)
  useBenchKeys(drawn, sheet.cycleDeg, {
    flip,
    otherView,
    home,
    benchMode: () => setBenchMode(!screen.benchMode),
    help: () => setDialog('help'),
    ledger: () => setDialog('ledger'),
    undo: () => {
      const last = lastLive(view.entries)
      if (last) strike(last, 'undone')
    },
    leave: () => setBenchMode(false),
    letters,
  })
  return (
    <BenchProvider value={bench}>
      <div className="job">
        <BenchHeader flip={flip} open={setDialog} startBenchMode={() => setBenchMode(true)} />
        <main id="main" className="job-main">
          <BenchSheet shown={shown} openLedger={() => setDialog('ledger')} openRunSheet={() => setDialog('runSheet')} />
          <BenchDrawing shown={shown} counted={counted} />
        </main>
        <GuardBar />
        {asking}
        {dialog === 'ledger' && <LedgerDialog onClose={() => setDialog(undefined)} />}
        {dialog === 'runSheet' && <RunSheetDialog onClose={() => setDialog(undefined)} />}
        {dialog === 'help' && <HelpDialog onClose={() => setDialog(undefined)} />}
        {screen.benchMode && shown && <BenchMode step={shown.step} onLeave={() => setBenchMode(false)} />}
      </div>
    </BenchProvider>
  )
}

/** A step of the job, and how it stands. */
type Shown = JobView['steps'][number] | undefined

function BenchHeader({
  flip,
  open,
  startBenchMode,
}: {
  readonly flip: () => void
  readonly open: (dialog: 'ledger' | 'help') => void
  readonly startBenchMode: () => void
}) {
  const { view, side } = useBench()
  return (
    <PageHeader crumbs={[{ words: view.engine.name, to: `/engine/${view.engine.id}` }, { words: `Job ${view.label}` }]}>
      <Button variant="quiet" onClick={flip} className="side-button">
        <span>
          <span className="wide">Seen from </span>
          <strong>{sideName(view.sheet, side)}</strong> <span aria-hidden="true">⇄</span>
        </span>
      </Button>
      <Button variant="quiet" onClick={() => open('ledger')} className="wide">
        Ledger
      </Button>
      <Button variant="quiet" onClick={startBenchMode}>
        Bench<span className="wide">&nbsp;mode</span>
      </Button>
      <Button variant="quiet" onClick={() => open('help')} aria-label="Keys and help">
        ?
      </Button>
    </PageHeader>
  )
}

/** The run sheet as a list, the step that is shown between what comes before and after it; on a phone folded. */
function BenchSheet({
  shown,
  openLedger,
  openRunSheet,
}: {
  readonly shown: Shown
  readonly openLedger: () => void
  readonly openRunSheet: () => void
}) {
  const { view } = useBench()
  const { sheet, steps, inHand } = view
  const panel = useRef<HTMLDivElement>(null)
  const shownId = shown?.step.id
  useStepInView(panel, shownId)
  const at = steps.findIndex(({ step }) => step.id === shownId)
  return (
    <div className="sheet" ref={panel}>
      <h1 className="unseen">
        {view.engine.name}, job {view.label}
      </h1>
      <div className="phone-progress">
        <ChainProgress
          pins={steps.map(({ step, status }) => ({
            title: stepTitle(step, sheet),
            state: pinState(status, step === inHand),
          }))}
        />
        {/* Keyed by the step: choosing one folds the list away. */}
        <details className="section" key={shown?.step.id}>
          <summary>
            Step {at + 1} of {steps.length} <span className="soft">all steps, and the ledger</span>
          </summary>
          <SheetList steps={steps} shown={shown?.step} />
          <div className="row">
            <Button variant="quiet" onClick={openLedger}>
              Ledger
            </Button>
            <Button variant="quiet" onClick={openRunSheet}>
              Change the run sheet
            </Button>
          </div>
        </details>
      </div>
      <div className="desk-steps">
        <SheetList steps={steps.slice(0, at)} shown={shown?.step} />
      </div>
      <NewerSheet />
      {shown && (
        <PartBoundary of="This step" resetBy={[shown.step.id, view.entries.length]}>
          <StepPanel step={shown.step} status={shown.status} />
        </PartBoundary>
      )}
      <div className="desk-steps">
        <SheetList steps={steps.slice(at + 1)} shown={shown?.step} />
        <Button variant="quiet" className="change-run-sheet" onClick={openRunSheet}>
          Change the run sheet
        </Button>
      </div>
    </div>
  )
}

function useScreenActions(sheet: BuildSheet) {
  const dispatch = useAppDispatch()
  const view = useAppSelector((root) => root.screen.view)
  const views = viewsOf(sheet)
  const next = views[(views.indexOf(view) + 1) % views.length] ?? 'wheel'
  return {
    setBenchMode: (on: boolean) => void dispatch(screenSlice.actions.benchModeSet(on)),
    flip: () => void dispatch(screenSlice.actions.flipped()),
    otherView: () => void dispatch(screenSlice.actions.viewChosen(next)),
  }
}

/** What the Face shows as counted: the live count of the section in hand, else its written one. */
function useCountedOnFace(view: JobView, step: Step | undefined): (CountedOnFace & { live: boolean }) | undefined {
  const { job } = view
  const chosen = useAppSelector((root) =>
    step ? root.drafts[sectionDraftKey(job.id, step.id, view.state.live)] : undefined,
  )
  const inHand = step && inHandOf(countablesOf(step, view), chosen ?? '')
  const key = step && countDraftKey(job.id, step.id, inHand?.section.id ?? '')
  const live = useAppSelector((root) => (key ? root.drafts[key] : undefined))
  const ruleDraft = useAppSelector((root) => root.drafts[ruleDraftKey(job.id)])
  const written = inHand?.written
  const n = live === undefined ? written?.counted : Number(live)
  const isLive =
    inHand !== undefined && (live !== undefined || (!written && ruleDraft !== undefined && ruleDraft !== ''))
  const rule = live === undefined && written ? written.rule : ((ruleDraft ?? written?.rule ?? '') as CountRule | '')
  const first = inHand && firstPinFor(rule, markSeat(inHand.section.from))
  const loopId = inHand?.loop.id
  const fromMarkId = inHand?.section.from.id
  const toMarkId = inHand?.section.to.id
  const { fromTeeth = 0, toTeeth = 0 } = inHand?.section.expected ?? {}
  return useMemo(
    () =>
      first && loopId && fromMarkId && toMarkId && (n !== undefined || isLive)
        ? { n: n ?? 0, first, loopId, fromMarkId, toMarkId, fromTeeth, toTeeth, live: isLive }
        : undefined,
    [first, n, isLive, loopId, fromMarkId, toMarkId, fromTeeth, toTeeth],
  )
}
