import { Button } from '@mantine/core'
import { useState } from 'react'
import { Link, useParams } from 'react-router'
import type { BuildSheet, Engine } from '@link-count/core/model'
import { sheetLabels } from '@link-count/core/sheet'
import { PART_IDS } from '@link-count/core/starters'
import { newestSheet } from '../../domain/sheets'
import { selectEngine, selectJobs, selectSheets } from '../../domain/selectors'
import { selectJobView, selectNotReadable } from '../../domain/views'
import { changeSheet } from '../../domain/writes'
import { useAppDispatch, useAppSelector } from '../../store'
import { ChainProgress } from '../../ui/ChainProgress'
import { pinState } from '../../ui/pinState'
import { EngineGate } from '../../ui/EngineGate'
import { PageHeader } from '../../ui/PageHeader'
import { saveToFile } from '../../ui/saveToFile'
import { useWorkshop } from '../../ui/WorkshopContext'
import { formatDate, stepTitle } from '../../ui/wording'
import { takenOf, type Taken } from '../../ui/fields'
import { useAttempt } from '../../ui/useAttempt'
import type { SheetChange } from './sheetChanges'
import { SheetEditorProvider } from './SheetEditor'
import {
  NamesSection,
  ValvesOnCamshafts,
  AdjustersSection,
  CamsSection,
  CrankSection,
  CylindersSection,
  DrivePartsSection,
  DriveSection,
  MarksSection,
  RimSection,
  RunningSection,
} from './sections'
import { DriveCheck } from './DriveCheck'
import { RivalSheets } from './RivalSheets'
import { StartJobDialog } from './StartJobDialog'
import { TrendTable } from './TrendTable'
import './engine.css'

/** The build sheet, in the order a mechanic measures it; half filled it works, and says what each gap costs. */
export default function EnginePage() {
  const { engineId = '' } = useParams()
  const engine = useAppSelector((state) => selectEngine(state, engineId))
  return <EngineGate engineId={engineId}>{engine && <EngineSheet key={engineId} engine={engine} />}</EngineGate>
}

function EngineSheet({ engine }: { engine: Engine }) {
  const dispatch = useAppDispatch()
  const { kind, now } = useWorkshop()
  const attempt = useAttempt()
  const versions = useAppSelector((state) => selectSheets(state, engine.id))
  const sheet = newestSheet(versions)
  const [starting, setStarting] = useState(false)
  const [everyPart, setEveryPart] = useState(false)
  if (!sheet) return <p className="page-message">This engine has no build sheet.</p>
  const editor = {
    engineId: engine.id,
    sheet,
    apply: async (change: SheetChange, typed: readonly Taken[] = []) => {
      const write = () => dispatch(changeSheet(engine.id, change, takenOf(typed)))
      const row = await attempt('The build sheet', write, typed[0])
      if (row) for (const field of typed) field.settled()
      return row
    },
  }
  return (
    <SheetEditorProvider value={editor}>
      <div className="engine">
        <PageHeader crumbs={[{ words: engine.name }]}>
          <Button variant="quiet" onClick={() => void dispatch(saveToFile(kind, now(), engine.id))}>
            Save<span className="wide">&nbsp;this engine to a file</span>
          </Button>
          <Button variant="filled" onClick={() => setStarting(true)}>
            Start a job
          </Button>
        </PageHeader>
        <RivalSheets sheets={versions} />
        <main className="engine-main">
          <div className="engine-sheet">
            <div className="engine-title">
              <h1>{engine.name}</h1>
              <p className="soft">
                {engine.description}
                {engine.description ? ' · ' : ''}Build sheet {sheetLabels(versions).get(sheet.id)}
                {versions.length > 1 && `, ${versions.length - 1} older kept`}
              </p>
            </div>
            <RunningSection />
            <CrankSection />
            <CylindersSection />
            <RimSection />
            {isOneChain(sheet) && !everyPart ? (
              <>
                <DriveSection />
                <MarksSection />
                <div className="sheet-section">
                  <Button variant="quiet" onClick={() => setEveryPart(true)}>
                    The drive has more to it: show every part
                  </Button>
                </div>
              </>
            ) : (
              sheet.members.length > 0 && <DrivePartsSection />
            )}
            <ValvesOnCamshafts />
            {sheet.cams.length > 0 && <AdjustersSection />}
            {sheet.cams.length > 0 && <CamsSection />}
            <NamesSection />
          </div>
          <aside className="engine-side" aria-label="Drive and jobs">
            <DriveCheck />
            <Jobs engine={engine} />
            <TrendTable />
          </aside>
        </main>
        {starting && <StartJobDialog engine={engine} sheet={sheet} onClose={() => setStarting(false)} />}
      </div>
    </SheetEditorProvider>
  )
}

/** The shape of one chain to one camshaft has a sheet of its own, in fewer fields. */
const isOneChain = ({ loops, members, couplings }: BuildSheet) =>
  loops.length === 1 &&
  couplings.length === 0 &&
  members.some(({ id }) => id === PART_IDS.camSprocket) &&
  members.length <= 4

function Jobs({ engine }: { engine: Engine }) {
  const jobs = useAppSelector((state) => selectJobs(state, engine.id))
  return (
    <section>
      <h2>Jobs</h2>
      {jobs.length === 0 && <p className="soft">None yet.</p>}
      <ul className="plain jobs">
        {jobs.map(({ id }) => (
          <JobLine key={id} jobId={id} />
        ))}
      </ul>
    </section>
  )
}

function JobLine({ jobId }: { jobId: string }) {
  const { kind } = useWorkshop()
  const view = useAppSelector((state) => selectJobView(state, jobId))
  const notReadable = useAppSelector((state) => selectNotReadable(state, jobId))
  if (notReadable)
    return (
      <li>
        <strong>A job that cannot be read</strong>
        <Link className="button-link" to={`/${kind}/job/${jobId}`}>
          Look at it
        </Link>
      </li>
    )
  if (!view) return null
  const { job, label, state, steps, inHand } = view
  return (
    <li>
      <div>
        <strong>Job {label}</strong> <span className="soft">{formatDate(job.at)}</span>
        <p className="soft">{job.reason}</p>
        <ChainProgress
          pins={steps.map(({ step, status }) => ({
            title: stepTitle(step, view.sheet),
            state: pinState(status, step === inHand && !state.closed),
          }))}
        />
      </div>
      <Link
        className="button-link"
        to={state.closed ? `/${kind}/job/${job.id}/card` : `/${kind}/job/${job.id}`}
        aria-label={`${state.closed ? 'Card' : 'Go on'}, job ${label}`}
      >
        {state.closed ? 'Card' : 'Go on'}
      </Link>
    </li>
  )
}
