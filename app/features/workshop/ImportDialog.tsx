import { Button } from '@mantine/core'
import { useRef, useState } from 'react'
import { mergeRecords, type MergeOutcome } from '@link-count/core/file'
import { selectRecords } from '../../domain/views'
import { addRecords } from '../../domain/writes'
import type { PictureRow } from '../../domain/env'
import { useAppDispatch, useAppSelector } from '../../store'
import { fileWords } from '../../ui/wording'
import { Dialog } from '../../ui/Dialog'

interface Ready {
  readonly name: string
  readonly outcome: MergeOutcome
  readonly pictures: readonly PictureRow[]
}

/** Opens a file: what it would do is listed before it is done, and nothing that is here is overwritten. */
export default function ImportDialog({ onClose }: { readonly onClose: () => void }) {
  const dispatch = useAppDispatch()
  const mine = useAppSelector(selectRecords)
  const input = useRef<HTMLInputElement>(null)
  const [refused, setRefused] = useState<string>()
  const [ready, setReady] = useState<Ready>()
  const read = async (file: File | undefined) => {
    if (!file) return
    setReady(undefined)
    const [{ readArchive }, { fileMigrations }] = await Promise.all([
      import('../../db/archive'),
      import('../../db/migrations'),
    ])
    const archive = readArchive(new Uint8Array(await file.arrayBuffer()), fileMigrations)
    if (!archive.ok) return setRefused(fileWords(archive.error))
    setRefused(undefined)
    setReady({ name: file.name, outcome: mergeRecords(mine, archive.value.file), pictures: archive.value.pictures })
  }
  const add = async () => {
    if (!ready) return
    try {
      await dispatch(addRecords(ready.outcome.add, ready.pictures))
      onClose()
    } catch (cause) {
      setRefused(
        `The browser could not keep it: ${cause instanceof Error ? cause.message : String(cause)}. Nothing was changed.`,
      )
    }
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
        {refused && (
          <p className="field-error" role="alert">
            {refused}
          </p>
        )}
        {ready && <Outcome ready={ready} />}
        {ready && (
          <Button variant="filled" onClick={() => void add()} disabled={isNothing(ready.outcome)}>
            Add them
          </Button>
        )}
      </div>
    </Dialog>
  )
}

const isNothing = ({ add }: MergeOutcome) =>
  add.engines.length + add.sheets.length + add.jobs.length + add.entries.length === 0

function Outcome({ ready: { name, outcome } }: { ready: Ready }) {
  const { add, same, kept } = outcome
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
        {kept.length > 0 && (
          <li>Already here with other content: {kept.map((one) => one.name).join(', ')}. Yours stays as it is.</li>
        )}
      </ul>
      {isNothing(outcome) && <p>There is nothing new in it.</p>}
    </div>
  )
}
