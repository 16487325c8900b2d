import { Button } from '@mantine/core'
import { toString as codeOf } from 'qrcode'
import { useEffect, useState } from 'react'
import { useParams } from 'react-router'
import { selectJobView, type JobView } from '../../domain/views'
import { useAppSelector } from '../../store'
import { EngineGate } from '../../ui/EngineGate'
import { PageHeader } from '../../ui/PageHeader'
import { shortCardLines, shortCardText } from './shortCard'
import './card.css'

/** The settings alone, to hang on the engine, with a code that holds them as plain text. */
export default function ShortCardPage() {
  const { jobId = '' } = useParams()
  return (
    <EngineGate jobId={jobId}>
      <OpenShortCard jobId={jobId} />
    </EngineGate>
  )
}

function OpenShortCard({ jobId }: { readonly jobId: string }) {
  const view = useAppSelector((state) => selectJobView(state, jobId))
  if (!view) return <p className="page-message">There is no such job in this workshop.</p>
  return (
    <div className="card-page">
      <PageHeader
        crumbs={[
          { words: view.engine.name, to: `/engine/${view.engine.id}` },
          { words: `Job ${view.label}`, to: `/job/${view.job.id}` },
          { words: 'Card', to: `/job/${view.job.id}/card` },
          { words: 'Short' },
        ]}
      >
        <Button variant="filled" onClick={() => window.print()}>
          Print
        </Button>
      </PageHeader>
      <main id="main">
        <ShortCard view={view} />
      </main>
    </div>
  )
}

function ShortCard({ view }: { readonly view: JobView }) {
  const [name = '', ...lines] = shortCardLines(view)
  return (
    <article className="short-card" aria-label="Short card">
      <div>
        <h1>{name}</h1>
        {lines.map((line) => (
          <p key={line} className="reading">
            {line}
          </p>
        ))}
      </div>
      <Code text={shortCardText([name, ...lines])} />
    </article>
  )
}

/** The code, drawn by a common package: plain text, no address. */
function Code({ text }: { readonly text: string }) {
  const [svg, setSvg] = useState('')
  useEffect(() => {
    let gone = false
    void codeOf(text, { type: 'svg', errorCorrectionLevel: 'M', margin: 4 }).then((drawn) => {
      if (!gone) setSvg(drawn)
    })
    return () => {
      gone = true
    }
  }, [text])
  return (
    <img
      className="short-card-code"
      alt="These settings as plain text, to be scanned"
      src={`data:image/svg+xml;utf8,${encodeURIComponent(svg)}`}
    />
  )
}
