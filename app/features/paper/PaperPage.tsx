import { Button } from '@mantine/core'
import { useParams } from 'react-router'
import { newestSheet } from '../../domain/sheets'
import { screenSlice } from '../../domain/screen'
import { selectEngine, selectSheets } from '../../domain/selectors'
import { useAppDispatch, useAppSelector } from '../../store'
import { EngineGate } from '../../ui/EngineGate'
import { PageHeader } from '../../ui/PageHeader'
import { sideName } from '../../ui/wording'
import { PistonTable } from './PistonTable'
import { PrintedWheel } from './PrintedWheel'
import { RimTape } from './RimTape'
import type { PartOfPaper } from './usePaper'
import './paper.css'

/** Angles laid out along this engine's rim, a tape and a degree wheel to print, and piston drop against crank degrees. */
export default function PaperPage() {
  const { engineId = '' } = useParams()
  return (
    <EngineGate engineId={engineId}>
      <OpenPaper engineId={engineId} />
    </EngineGate>
  )
}

function OpenPaper({ engineId }: { readonly engineId: string }) {
  const engine = useAppSelector((state) => selectEngine(state, engineId))
  const sheet = newestSheet(useAppSelector((state) => selectSheets(state, engineId)))
  if (!engine || !sheet) return <p className="page-message">There is no such engine in this workshop.</p>
  return <Paper key={engineId} engine={engine} sheet={sheet} />
}

function Paper({ engine, sheet }: PartOfPaper) {
  const dispatch = useAppDispatch()
  const side = useAppSelector(({ screen }) => screen.side)
  return (
    <div className="engine paper">
      <PageHeader crumbs={[{ words: engine.name, to: `/engine/${engine.id}` }, { words: 'On paper' }]}>
        <Button variant="quiet" className="side-button" onClick={() => dispatch(screenSlice.actions.flipped())}>
          <span>
            <span className="wide">Seen from </span>
            <strong>{sideName(sheet, side)}</strong> <span aria-hidden="true">⇄</span>
          </span>
        </Button>
      </PageHeader>
      <main id="main" className="paper-main">
        <RimTape engine={engine} sheet={sheet} />
        <PrintedWheel engine={engine} sheet={sheet} />
        <PistonTable sheet={sheet} keyPrefix={`paper:${engine.id}:piston`} />
      </main>
    </div>
  )
}
