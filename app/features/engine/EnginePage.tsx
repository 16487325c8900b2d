import { Button, SegmentedControl } from '@mantine/core'
import { useHotkeys } from '@mantine/hooks'
import { useState } from 'react'
import { useNavigate, useParams, useSearchParams } from 'react-router'
import type { BuildSheet, Engine, Job } from '@link-count/core/model'
import { sheetLabels } from '@link-count/core/sheet'
import { otherSide, type Side } from '@link-count/core/units'
import { newestSheet } from '../../domain/sheets'
import { selectEngine, selectSheets } from '../../domain/selectors'
import { changeSheet } from '../../domain/writes'
import { useAppDispatch, useAppSelector } from '../../store'
import { EngineGate } from '../../ui/EngineGate'
import { takenOf, type Taken } from '../../ui/fields'
import { PageHeader } from '../../ui/PageHeader'
import { useAttempt } from '../../ui/useAttempt'
import { useWorkshop } from '../../ui/WorkshopContext'
import { AboutEngine } from './AboutEngine'
import { Answers } from './answers/Answers'
import { Disagreements } from './answers/Disagreements'
import { MeasureNext } from './answers/MeasureNext'
import { ChosenPartProvider } from './ChosenPart'
import { CylindersDrawing } from './drawings/CylindersDrawing'
import { DriveDrawing } from './drawings/DriveDrawing'
import { RimDrawing } from './drawings/RimDrawing'
import { ValvesDrawing } from './drawings/ValvesDrawing'
import { DataSheet } from './DataSheet'
import { DriveCheck } from './DriveCheck'
import { Jobs } from './Jobs'
import { NotTaken } from './NotTaken'
import { enginePartsOf, type EnginePart, type View } from './parts/engineParts'
import { PartList } from './parts/PartList'
import { PartPanel } from './parts/PartPanel'
import { RivalSheets } from './RivalSheets'
import type { SheetChange } from './sheetChanges'
import { SheetEditorProvider } from './SheetEditor'
import { UndoRedo } from './UndoRedo'
import { useSheetHistory } from './useSheetHistory'
import './engine.css'

/** An engine is its drawing: a part is touched and its few figures stand beside it; what can be answered, and what to measure next, in a short list. */
export default function EnginePage() {
  const { engineId = '' } = useParams()
  const engine = useAppSelector((state) => selectEngine(state, engineId))
  return <EngineGate engineId={engineId}>{engine && <EngineSheet key={engineId} engine={engine} />}</EngineGate>
}

function EngineSheet({ engine }: { readonly engine: Engine }) {
  const versions = useAppSelector((state) => selectSheets(state, engine.id))
  const sheet = newestSheet(versions)
  if (!sheet) return <p className="page-message">This engine has no build sheet.</p>
  return <OpenSheet engine={engine} sheet={sheet} versions={versions} />
}

/** Writes to the newest build sheet, each remembered to be taken back. */
function useEditor(engine: Engine, sheet: BuildSheet) {
  const dispatch = useAppDispatch()
  const attempt = useAttempt()
  const history = useSheetHistory()
  const write = (typed: readonly Taken[]) => async (change: SheetChange) => {
    const row = await attempt(
      'The build sheet',
      () => dispatch(changeSheet(engine.id, change, takenOf(typed))),
      typed[0],
    )
    if (row) for (const field of typed) field.settled()
    return row
  }
  return {
    history,
    write: write([]),
    editor: {
      engineId: engine.id,
      sheet,
      apply: (change: SheetChange, typed: readonly Taken[] = []) => history.remembering(change, write(typed)),
    },
  }
}

const views: readonly { readonly value: View; readonly label: string }[] = [
  { value: 'drive', label: 'Drive' },
  { value: 'cylinders', label: 'Cylinders' },
  { value: 'valves', label: 'Valves' },
  { value: 'rim', label: 'Rim' },
]

/** What nobody has said yet of a new engine comes first. */
const firstPart = ({ running, interference }: BuildSheet) =>
  running && interference.value !== 'unknown' ? '' : 'running:'

function OpenSheet({
  engine,
  sheet,
  versions,
}: {
  readonly engine: Engine
  readonly sheet: BuildSheet
  readonly versions: readonly BuildSheet[]
}) {
  const { editor, history, write } = useEditor(engine, sheet)
  const parts = enginePartsOf(sheet)
  const [address, setAddress] = useSearchParams()
  const [first] = useState(() => firstPart(sheet))
  const key = address.get('part') ?? first
  const navigate = useNavigate()
  const { kind } = useWorkshop()
  const start = (like?: Job) => void navigate(`/${kind}/engine/${engine.id}/job`, { state: { like } })
  const part = parts.find((one) => one.key === key)
  const [view, setView] = useState<View>(part?.view ?? 'drive')
  const asked = address.get('for') ?? ''
  const goTo = (part: string, answer: string) =>
    setAddress({ part, ...(answer ? { for: answer } : {}) }, { replace: true, preventScrollReset: true })
  const choose = (next: string) => {
    goTo(next, asked)
    const there = parts.find((one) => one.key === next)
    if (there && !isSeenIn(there, view)) setView(there.view)
  }
  useHotkeys([
    ['mod+z', () => void history.undo?.(write)],
    ['mod+shift+z', () => void history.redo?.(write)],
  ])
  return (
    <SheetEditorProvider value={editor}>
      <ChosenPartProvider value={{ key, choose, asked, ask: (answer) => goTo('', answer) }}>
        <div className="engine">
          <PageHeader crumbs={[{ words: engine.name }]}>
            <UndoRedo history={history} write={write} />
            <Button variant="filled" onClick={() => start()}>
              Start a job
            </Button>
          </PageHeader>
          <RivalSheets sheets={versions} />
          <main id="main" className={part ? 'engine-main with-part' : 'engine-main'}>
            <Beside engine={engine} sheet={sheet} versions={versions} parts={parts} onAgain={start} />
            <Drawing sheet={sheet} view={view} onView={setView} />
            {part && <PartPanel part={part} />}
          </main>
          <DataSheet engine={engine} sheet={sheet} />
        </div>
      </ChosenPartProvider>
    </SheetEditorProvider>
  )
}

function Drawing({
  sheet,
  view,
  onView,
}: {
  readonly sheet: BuildSheet
  readonly view: View
  readonly onView: (view: View) => void
}) {
  const [side, setSide] = useState<Side>(sheet.seenFrom)
  return (
    <div className="engine-drawing">
      <SegmentedControl
        className="engine-views"
        aria-label="What is drawn"
        value={view}
        onChange={(next) => onView(next as View)}
        data={[...views]}
      />
      {(view === 'drive' || view === 'rim') && (
        <Button
          className="engine-side-button"
          variant="default"
          aria-label={`Seen from ${sheet.sides[side]} ⇄`}
          onClick={() => setSide(otherSide(side))}
        >
          <span className="seen-from">Seen from&nbsp;</span>
          <strong>{sheet.sides[side]}</strong>&nbsp;⇄
        </Button>
      )}
      {view === 'drive' && <DriveDrawing side={side} />}
      {view === 'cylinders' && <CylindersDrawing />}
      {view === 'valves' && <ValvesDrawing />}
      {view === 'rim' && <RimDrawing side={side} />}
    </div>
  )
}

/** Shafts are drawn with the drive and over the valves. */
const isSeenIn = (part: EnginePart, view: View) => part.view === view || (part.kind === 'shaft' && view === 'valves')

/** What can be answered, what to measure next, every part, sums at the bench, jobs. */
function Beside({
  engine,
  sheet,
  versions,
  parts,
  onAgain,
}: {
  readonly engine: Engine
  readonly sheet: BuildSheet
  readonly versions: readonly BuildSheet[]
  readonly parts: readonly EnginePart[]
  readonly onAgain: (like: Job) => void
}) {
  return (
    <aside className="engine-side" aria-label="Drive and jobs">
      <div>
        <h1>{engine.name}</h1>
        <p className="soft">
          {engine.description}
          {engine.description ? ' · ' : ''}Build sheet {sheetLabels(versions).get(sheet.id)}
          {versions.length > 1 && `, ${versions.length - 1} older kept`}
        </p>
      </div>
      <NotTaken parts={parts} />
      <Disagreements />
      <Answers />
      <MeasureNext />
      <PartList parts={parts} />
      <DriveCheck />
      <div className="engine-keeping">
        <Jobs engine={engine} onAgain={onAgain} />
        <AboutEngine engine={engine} />
      </div>
    </aside>
  )
}
