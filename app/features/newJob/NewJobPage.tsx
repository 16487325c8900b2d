import { Button, NativeSelect } from '@mantine/core'
import { WordsInput } from '../../ui/fields'
import { useState } from 'react'
import { useLocation, useNavigate, useParams } from 'react-router'
import type { BuildSheet, Engine, Job } from '@link-count/core/model'
import { selectEngine, selectSheets } from '../../domain/selectors'
import { newestSheet } from '../../domain/sheets'
import type { Inheritance } from '../../domain/views'
import { useAppSelector } from '../../store'
import { EngineGate } from '../../ui/EngineGate'
import type { Draft } from '../../ui/fields'
import { GuardShape } from '../../ui/GuardShape'
import { OwedBefore } from '../../ui/job'
import { PageHeader } from '../../ui/PageHeader'
import { reasonWords } from '../../ui/wording'
import { ArrivalChoice } from './ArrivalChoice'
import { PurposeChoice } from './PurposeChoice'
import { SchoolChoice } from './SchoolChoice'
import { METER_UNITS, useNewJob, type MeterUnit } from './useNewJob'
import './newJob.css'

/** What a job is here for, how the engine came in, how it is done here; then it begins. */
export default function NewJobPage() {
  const { engineId = '' } = useParams()
  const engine = useAppSelector((state) => selectEngine(state, engineId))
  return <EngineGate engineId={engineId}>{engine && <OpenNewJob key={engineId} engine={engine} />}</EngineGate>
}

function OpenNewJob({ engine }: { readonly engine: Engine }) {
  const sheet = newestSheet(useAppSelector((state) => selectSheets(state, engine.id)))
  const { state } = useLocation() as { readonly state: { readonly like?: Job } | null }
  if (!sheet) return <p className="page-message">This engine has no build sheet.</p>
  return <NewJob engine={engine} sheet={sheet} like={state?.like} />
}

function NewJob({
  engine,
  sheet,
  like,
}: {
  readonly engine: Engine
  readonly sheet: BuildSheet
  readonly like: Job | undefined
}) {
  const job = useNewJob(engine, sheet, like)
  const navigate = useNavigate()
  const [beginning, setBeginning] = useState(false)
  const begin = async () => {
    setBeginning(true)
    const to = await job.begin()
    if (to === undefined) setBeginning(false)
    else await navigate(to, { replace: true })
  }
  return (
    <div className="new-job">
      <PageHeader crumbs={[{ words: engine.name, to: `/engine/${engine.id}` }, { words: 'New job' }]}>
        <Button variant="filled" disabled={!job.ready || beginning} onClick={() => void begin()}>
          Begin: {job.steps.length} steps
        </Button>
      </PageHeader>
      <main id="main" className="new-job-main">
        <PurposeChoice sheet={sheet} schools={job.schools} kept={job.kept} chosen={job.chosen} onChoose={job.choose} />
        <div className="new-job-side">
          {job.inherited && job.inherited.reasons.length > 0 && <Inherited {...job.inherited} sheet={sheet} />}
          <OwedBefore engineId={engine.id} />
          <ArrivalChoice
            sheet={sheet}
            arrival={job.arrival}
            off={job.off}
            onArrival={job.setArrival}
            onOff={job.setOff}
          />
          <SchoolChoice
            sheet={sheet}
            schools={job.schools}
            kinds={new Set(job.steps.map(({ kind }) => kind))}
            bands={job.bands}
            keep={job.keep}
            onChoose={job.chooseSchools}
            onKeep={job.setKeep}
          />
          <section aria-labelledby="why-label">
            <h2 id="why-label">For the card</h2>
            <WordsInput label="Why it is here" placeholder="rattles at idle" maxLength={400} of={job.reason} />
            <Meter meter={job.meter} bad={job.badMeter} unit={job.unit} onUnit={job.setUnit} />
          </section>
          <p className="soft">
            Steps can be added, left out and moved at any time; what is left out stands on the card.
          </p>
        </div>
      </main>
    </div>
  )
}

/** What it has run, where somebody knows. */
const Meter = ({
  meter,
  bad,
  unit,
  onUnit,
}: {
  readonly meter: Draft
  readonly bad: boolean
  readonly unit: MeterUnit
  readonly onUnit: (unit: MeterUnit) => void
}) => (
  <div className="row">
    <WordsInput
      label="It has run, if you know"
      placeholder="1240"
      inputMode="decimal"
      maxLength={12}
      of={meter}
      error={bad ? 'A number from 0 up.' : undefined}
    />
    <NativeSelect
      label="counted in"
      miw={120}
      value={unit}
      onChange={(event) => onUnit(event.currentTarget.value as MeterUnit)}
      data={[...METER_UNITS]}
    />
  </div>
)

/** What the last jobs left on the engine: the new one takes it over as it is. */
function Inherited({ label, reasons, sheet }: Inheritance & { readonly sheet: BuildSheet }) {
  return (
    <section aria-label="Taken over" className="warn">
      <strong>Still on this engine from job {label}</strong>
      <ul className="plain guard-reasons">
        {reasons.map((reason) => (
          <li key={reason.code + reason.targetId}>
            <GuardShape verdict={reason.verdict} size={28} />
            <span>{reasonWords(reason, sheet).why}</span>
          </li>
        ))}
      </ul>
      <p>Make it safe again. Where the crank stands is reckoned, and the zero in doubt, until somebody looks.</p>
    </section>
  )
}
