import { Button } from '@mantine/core'
import { useEffect, useRef, useState } from 'react'
import type { Deleted, Offer } from '@link-count/core/file'
import { deviceOf } from '../../domain/device'
import { takeIn } from '../../domain/notes'
import { useAppDispatch, useAppSelector } from '../../store'
import { Dialog } from '../../ui/Dialog'
import { useAttempt } from '../../ui/useAttempt'
import { useWorkshop } from '../../ui/WorkshopContext'
import { fileWords } from '../../ui/wording'
import type { HeldFile } from '../../workers/fileWork'
import { offerWords, valueWords } from './offerWords'

interface Ready extends HeldFile {
  readonly name: string
}

interface Progress {
  readonly words: string
  readonly share: number
}

/** Opens a file: what it would do is listed before it is done; where it and what is here differ, both are shown and one is chosen. */
export default function ImportDialog({ onClose }: { readonly onClose: () => void }) {
  const dispatch = useAppDispatch()
  const attempt = useAttempt()
  const { kind, now } = useWorkshop()
  const device = useAppSelector(deviceOf)
  const [busy, setBusy] = useState<Progress>()
  const [refused, setRefused] = useState<string>()
  const [ready, setReady] = useState<Ready>()
  const [taken, setTaken] = useState<ReadonlySet<number>>(new Set())
  const [kept, setKept] = useState<readonly string[]>([])
  const end = ready?.end
  useEffect(() => end, [end])
  const read = async (file: File | undefined) => {
    if (!file) return
    setReady(undefined)
    setRefused(undefined)
    setTaken(new Set())
    setKept([])
    const tell = (share: number) => setBusy({ words: 'Reading the file.', share })
    tell(0)
    try {
      const { openFile } = await import('../../workers/fileWork')
      const opened = await openFile(file, kind, tell)
      if (opened.ok) setReady({ ...opened.value, name: file.name })
      else setRefused(fileWords(opened.error))
    } catch (cause) {
      const why = cause instanceof Error ? cause.message : String(cause)
      setRefused(`The file cannot be read: ${why}. Nothing was changed.`)
    } finally {
      setBusy(undefined)
    }
  }
  const keep = async (ids: readonly string[]) => {
    const again = await ready?.keep(ids, now())
    if (!ready || !again) return
    if (!again.ok) return setRefused(fileWords(again.error))
    setKept(ids)
    setTaken(new Set())
    // What was deleted on one side is named whether or not it is kept.
    setReady({ ...again.value, deleted: ready.deleted, name: ready.name })
  }
  const add = async () => {
    if (!ready || busy) return
    const tell = (share: number) => setBusy({ words: 'Adding what is in the file.', share })
    tell(0)
    const done = await attempt(
      'What is in the file',
      async () => {
        await dispatch(takeIn(ready.add(device, [...taken], tell)))
        return true
      },
      { key: 'open a file' },
    )
    setBusy(undefined)
    if (done) onClose()
  }
  return (
    <Dialog title="Open a file" size="lg" onClose={onClose}>
      <div className="stack">
        <FileChoice filled={!ready} onChoose={(file) => void read(file)} />
        {busy && <Busy {...busy} />}
        {refused && (
          <p className="field-error" role="alert">
            {refused}
          </p>
        )}
        {ready && <Deletions deleted={ready.deleted} kept={kept} onKeep={(ids) => void keep(ids)} />}
        {ready && <Outcome ready={ready} taken={taken} onTake={setTaken} />}
        {ready && (
          <Button variant="filled" onClick={() => void add()} disabled={isNothing(ready) || busy !== undefined}>
            Add them
          </Button>
        )}
      </div>
    </Dialog>
  )
}

function FileChoice({
  filled,
  onChoose,
}: {
  readonly filled: boolean
  readonly onChoose: (file: File | undefined) => void
}) {
  const input = useRef<HTMLInputElement>(null)
  return (
    <>
      <Button variant={filled ? 'filled' : 'default'} onClick={() => input.current?.click()}>
        Choose a Link Count file
      </Button>
      <input
        ref={input}
        type="file"
        accept=".json,.zip,application/json,application/zip"
        className="unseen"
        tabIndex={-1}
        aria-label="File"
        onChange={(event) => {
          onChoose(event.currentTarget.files?.[0])
          // The same file may be chosen again.
          event.currentTarget.value = ''
        }}
      />
    </>
  )
}

const Busy = ({ words, share }: Progress) => (
  <div role="status">
    <p>{words}</p>
    <progress value={share} aria-label="How much is done" />
  </div>
)

const isNothing = ({ added, changed, gone }: Ready) =>
  added.engines + added.sheets + added.jobs + added.entries + changed + gone === 0

/** What one side deleted and the other still has: it stays deleted, or is kept after all. */
function Deletions({
  deleted,
  kept,
  onKeep,
}: {
  readonly deleted: readonly Deleted[]
  readonly kept: readonly string[]
  readonly onKeep: (ids: readonly string[]) => void
}) {
  if (deleted.length === 0) return null
  return (
    <section className="warn" aria-label="Deleted">
      <p>
        <strong>Deleted on one side:</strong>
      </p>
      <ul className="plain offers">
        {deleted.map(({ id, name, by }) => {
          const isKept = kept.includes(id)
          return (
            <li key={id}>
              <span>
                {name}: deleted {by === 'here' ? 'here' : 'where the file comes from'}
                {isKept ? ', and kept' : by === 'here' ? ', and left out' : ', and goes from here as well'}
              </span>
              <Button
                variant="default"
                onClick={() => onKeep(isKept ? kept.filter((one) => one !== id) : [...kept, id])}
              >
                {isKept ? 'Leave it deleted' : by === 'here' ? `Bring back ${name}` : `Keep ${name}`}
              </Button>
            </li>
          )
        })}
      </ul>
    </section>
  )
}

/** So many new engines are named; of more it is said how many. */
const NAMED = 8

function Outcome({
  ready,
  taken,
  onTake,
}: {
  ready: Ready
  taken: ReadonlySet<number>
  onTake: (taken: ReadonlySet<number>) => void
}) {
  const { name, added, changed, engineNames, same, offers, kept, rivals, picturesMissing, aside, gone } = ready
  const said = (n: number, one: string, many: string) => `${n} ${n === 1 ? one : many}`
  return (
    <div className="result">
      <p>
        <strong>{name}</strong>
      </p>
      <ul>
        <li>
          New: {said(added.engines, 'engine', 'engines')}, {said(added.sheets, 'build sheet', 'build sheets')},{' '}
          {said(added.jobs, 'job', 'jobs')}, {said(added.entries, 'entry', 'entries')}
        </li>
        {engineNames.slice(0, NAMED).map((engine, i) => (
          <li key={i}>Engine: {engine}</li>
        ))}
        {engineNames.length > NAMED && <li>And {said(engineNames.length - NAMED, 'engine', 'engines')} more</li>}
        <li>Already here, the same: {same}</li>
        {changed > 0 && <li>Already here, and put together with what the file has: {changed}</li>}
        {gone > 0 && <li>Goes from here with what is deleted: {said(gone, 'record', 'records')}</li>}
        {rivals > 0 && (
          <li>
            Build sheets that went on apart: {rivals}. Both stay; which is right is asked on the engine’s page, and
            until then the guard does not know.
          </li>
        )}
        {kept > 0 && <li>Lines already here with other words: {kept}. Yours stay as they are.</li>}
        {aside > 0 && <li>Records that could not be read when the file was made, and are left out: {aside}</li>}
        {picturesMissing > 0 && (
          <li>Pictures that the ledger speaks of and the file does not hold: {picturesMissing}</li>
        )}
      </ul>
      <Offers offers={offers} taken={taken} onTake={onTake} />
      {isNothing(ready) && <p>There is nothing new in it.</p>}
    </div>
  )
}

/** Where the file and what is here say different things: one is taken, the other can be. */
function Offers({
  offers,
  taken,
  onTake,
}: {
  offers: readonly Offer[]
  /** By number, where the other is taken. */
  taken: ReadonlySet<number>
  onTake: (taken: ReadonlySet<number>) => void
}) {
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
                  const next = new Set(taken)
                  if (swapped) next.delete(i)
                  else next.add(i)
                  onTake(next)
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
