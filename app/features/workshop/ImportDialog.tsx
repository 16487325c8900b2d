import { Button } from '@mantine/core'
import { useRef, useState } from 'react'
import { takeOther, type MergeOutcome, type Offer } from '@link-count/core/file'
import { addRecords } from '../../domain/writes'
import { useAppDispatch } from '../../store'
import { Dialog } from '../../ui/Dialog'
import { useAttempt } from '../../ui/useAttempt'
import { useWorkshop } from '../../ui/WorkshopContext'
import { fileWords } from '../../ui/wording'
import type { OpenedFile } from '../../workers/fileWork'
import { offerWords, valueWords } from './offerWords'

interface Ready extends OpenedFile {
  readonly name: string
}

/** Opens a file: what it would do is listed before it is done; where it and what is here differ, both are shown and one is chosen. */
export default function ImportDialog({ onClose }: { readonly onClose: () => void }) {
  const dispatch = useAppDispatch()
  const attempt = useAttempt()
  const { kind } = useWorkshop()
  const input = useRef<HTMLInputElement>(null)
  const [reading, setReading] = useState<number>()
  const [refused, setRefused] = useState<string>()
  const [ready, setReady] = useState<Ready>()
  const read = async (file: File | undefined) => {
    if (!file) return
    setReady(undefined)
    setRefused(undefined)
    setReading(0)
    try {
      const { openFile } = await import('../../workers/fileWork')
      const opened = await openFile(file, kind, setReading)
      if (opened.ok) setReady({ ...opened.value, name: file.name })
      else setRefused(fileWords(opened.error))
    } catch (cause) {
      const why = cause instanceof Error ? cause.message : String(cause)
      setRefused(`The file cannot be read: ${why}. Nothing was changed.`)
    } finally {
      setReading(undefined)
      // The same file may be chosen again.
      if (input.current) input.current.value = ''
    }
  }
  const add = async () => {
    if (!ready) return
    const { outcome, pictures } = ready
    const done = await attempt(
      'What is in the file',
      async () => {
        await dispatch(addRecords(outcome.add, pictures, outcome.change))
        return true
      },
      { key: 'open a file' },
    )
    if (done) onClose()
  }
  return (
    <Dialog title="Open a file" size="lg" onClose={onClose}>
      <div className="stack">
        <Button variant={ready ? 'default' : 'filled'} onClick={() => input.current?.click()}>
          Choose a Link Count file
        </Button>
        <input
          ref={input}
          type="file"
          accept=".json,.zip,application/json,application/zip"
          className="unseen"
          tabIndex={-1}
          aria-label="File"
          onChange={(event) => void read(event.currentTarget.files?.[0])}
        />
        {reading !== undefined && (
          <div role="status">
            <p>Reading the file.</p>
            <progress value={reading} aria-label="How much is read" />
          </div>
        )}
        {refused && (
          <p className="field-error" role="alert">
            {refused}
          </p>
        )}
        {ready && (
          <Outcome ready={ready} onTake={(offer) => setReady({ ...ready, outcome: takeOther(ready.outcome, offer) })} />
        )}
        {ready && (
          <Button variant="filled" onClick={() => void add()} disabled={isNothing(ready.outcome)}>
            Add them
          </Button>
        )}
      </div>
    </Dialog>
  )
}

const sizeOf = ({ engines, sheets, jobs, entries }: MergeOutcome['add']) =>
  engines.length + sheets.length + jobs.length + entries.length
const isNothing = ({ add, change }: MergeOutcome) => sizeOf(add) + sizeOf(change) === 0

function Outcome({ ready, onTake }: { ready: Ready; onTake: (offer: Offer) => void }) {
  const { name, outcome, picturesMissing, aside } = ready
  const { add, change, same, offers, kept, rivals } = outcome
  const said = (n: number, one: string, many: string) => `${n} ${n === 1 ? one : many}`
  return (
    <div className="result">
      <p>
        <strong>{name}</strong>
      </p>
      <ul>
        <li>
          New: {said(add.engines.length, 'engine', 'engines')}, {said(add.sheets.length, 'build sheet', 'build sheets')}
          , {said(add.jobs.length, 'job', 'jobs')}, {said(add.entries.length, 'entry', 'entries')}
        </li>
        {add.engines.map((engine) => (
          <li key={engine.id}>Engine: {engine.name}</li>
        ))}
        <li>Already here, the same: {same}</li>
        {sizeOf(change) > 0 && <li>Already here, and put together with what the file has: {sizeOf(change)}</li>}
        {rivals.length > 0 && (
          <li>
            Build sheets that went on apart: {rivals.length}. Both stay; which is right is asked on the engine’s page,
            and until then the guard does not know.
          </li>
        )}
        {kept.length > 0 && <li>Lines already here with other words: {kept.length}. Yours stay as they are.</li>}
        {aside > 0 && <li>Records that could not be read when the file was made, and are left out: {aside}</li>}
        {picturesMissing > 0 && (
          <li>Pictures that the ledger speaks of and the file does not hold: {picturesMissing}</li>
        )}
      </ul>
      <Offers offers={offers} onTake={onTake} />
      {isNothing(outcome) && <p>There is nothing new in it.</p>}
    </div>
  )
}

/** Where the file and what is here say different things: one is taken, the other can be. */
function Offers({ offers, onTake }: { offers: readonly Offer[]; onTake: (offer: Offer) => void }) {
  const [taken, setTaken] = useState<ReadonlySet<number>>(new Set())
  if (offers.length === 0) return null
  return (
    <section aria-label="Said two ways">
      <p>
        <strong>Said two ways, here and in the file:</strong>
      </p>
      <ul className="plain offers">
        {offers.map((offer, i) => {
          const swapped = taken.has(i)
          const [now, other] = swapped ? [offer.other, offer.taken] : [offer.taken, offer.other]
          return (
            <li key={`${offer.list} ${offer.id} ${offer.path.join(' ')}`}>
              <span>
                {offerWords(offer)}: <strong>{valueWords(now)}</strong>
              </span>
              <Button
                variant="default"
                onClick={() => {
                  onTake(swapped ? { ...offer, other: offer.taken } : offer)
                  const next = new Set(taken)
                  if (swapped) next.delete(i)
                  else next.add(i)
                  setTaken(next)
                }}
              >
                {other === '' || other === undefined ? 'Leave it empty' : `Take ${valueWords(other)}`}
              </Button>
            </li>
          )
        })}
      </ul>
    </section>
  )
}
