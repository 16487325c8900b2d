import type { UnknownAction } from '@reduxjs/toolkit'
import { nanoid } from 'nanoid'
import { TABLES, type Env, type Rows, type TableName } from '../domain/env'
import { WriteError } from '../domain/failure'
import { newDevice } from '../domain/device'
import { MADE_BY } from '../domain/summaries'
import { loaded } from '../domain/written'
import { noCopy, openSecondCopy, type CopyStatus, type SecondCopy } from './copy'
import { WorkshopDatabase, type WorkshopKind } from './database'
import { notedRecords, noteRecords, noteTyped, takeTypedLeft, type Typed } from './localNote'
import { openOtherTabs } from './otherTabs'
import { recover, renewCopy } from './recover'
import { makeTurns } from './turns'
import { makeWriter, type WriterState } from './writer'

export interface OpenWorkshop {
  readonly env: Env
  /** What fills the state at the start. */
  readonly start: UnknownAction
  /** From now on the state follows what this tab and others write. */
  readonly attach: (state: WriterState) => void
  /** Puts the demo back as it was made; what it gives back undoes that. */
  readonly reset: () => Promise<() => Promise<void>>
  /** What another tab wrote unheard is read, when this one is looked at again. */
  readonly catchUp: () => Promise<void>
  readonly copyStatus: () => CopyStatus
  readonly onCopyStatus: SecondCopy['onStatus']
  readonly close: () => void
}

const BY_US = 'The workshop was left.'

/** Opens a workshop: its database, filled with the demo the first time, held against its second copy, and everything in it. `onClosed`: the browser
 *  closed the database under this page. */
export async function openWorkshop(kind: WorkshopKind, onClosed: (why: string) => void): Promise<OpenWorkshop> {
  const newId = () => nanoid()
  const now = () => new Date().toISOString()
  const tab = nanoid(8)
  const db = new WorkshopDatabase(kind)
  let closed: string | undefined
  const wasClosed = (why: string) => {
    // Closing says that it was closed, which ends here.
    if (closed !== undefined) return
    closed = why
    db.close()
    if (why !== BY_US) onClosed(why)
  }
  db.on('versionchange', () => {
    wasClosed('A newer Link Count was opened in another tab, or the browser’s data was cleared.')
    return false
  })
  db.on('close', () => wasClosed('The browser closed its storage.'))
  const inTurn = makeTurns(`link-count-${kind}`)
  const [copy] = await Promise.all([kind === 'own' ? openSecondCopy(kind, tab) : noCopy('demo'), db.open()])
  const found = await inTurn(() => startingRows(db, copy, { kind, now: now(), newId }))
  // Not waited for: the lines that follow wait for it in the worker.
  void inTurn(() => renewCopy(db, copy, found))
  const tabs = openOtherTabs(`link-count-${kind}`)
  let waiting: Typed = []
  const writer = makeWriter({
    db,
    inTurn,
    tabs,
    copy,
    startRevision: found.revision,
    startRecords: found.records,
    note: (n) => {
      noteRecords(kind, n)
      // What still waits was typed no earlier than what is stored now.
      if (waiting.length > 0) noteTyped(kind, tab, waiting, writer.stands())
    },
  })
  const commit: Env['commit'] = (make) => {
    if (closed !== undefined) return Promise.reject(new WriteError('closed', closed))
    return writer.commit(make)
  }
  const replaceAll = async (rows: Rows) => {
    const before = { ...(await db.everything()), pictures: await db.pictures.toArray() }
    await commit(() => ({ put: rows, drop: whatIsNotIn(rows, before), taken: before.drafts ?? [] }))
    await writer.readAgain()
    return before
  }
  return {
    env: {
      commit,
      openEngine: writer.openEngine,
      takeIn: (write) =>
        closed === undefined ? writer.takeIn(write) : Promise.reject(new WriteError('closed', closed)),
      noteTyped: (typed) => {
        waiting = typed
        noteTyped(kind, tab, typed, writer.stands())
      },
      readPicture: async (id) => (await db.pictures.get(id))?.blob,
      now,
      newId,
    },
    start: loaded(found.rows),
    attach: writer.attach,
    reset: async () => {
      const before = await replaceAll(await demoRows())
      return async () => void (await replaceAll(before))
    },
    catchUp: writer.catchUp,
    copyStatus: copy.status,
    onCopyStatus: copy.onStatus,
    close: () => {
      tabs.close()
      copy.close()
      wasClosed(BY_US)
    },
  }
}

/** What is stored, put right where it has to be: held against its copy, filled with the demo, given back what was typed last. */
async function startingRows(
  db: WorkshopDatabase,
  copy: SecondCopy,
  { kind, now, newId }: { readonly kind: WorkshopKind; readonly now: string; readonly newId: () => string },
) {
  const was = await recover(db, copy, { noted: kind === 'own' ? notedRecords(kind) : 0, now, newId })
  const meta = was.rows.meta?.some(({ id }) => id === 'device') ? [] : [{ id: 'device', value: newDevice(newId) }]
  const fresh = kind === 'demo' && was.rows.engines?.length === 0 ? await demoRows() : {}
  const left = takeTypedLeft(kind, was.lastWritten)
  if (meta.length === 0 && !fresh.engines && left.length === 0) return was
  const drafts = left.flatMap(([id, text]) => (text === undefined ? [] : [{ id, text }]))
  const gone = left.flatMap(([id, text]) => (text === undefined ? [id] : []))
  await db.write({ put: { ...fresh, meta, drafts }, drop: { drafts: gone } }, was.revision)
  return { ...was, rows: await db.heads(), revision: await db.revision(), records: await db.countRecords() }
}

async function demoRows(): Promise<Rows> {
  const [{ demoRecords, demoSummaries }, { demoPictures }] = await Promise.all([
    import('../demo/demoRecords'),
    import('../demo/demoPictures'),
  ])
  const { engines, sheets, jobs, entries } = demoRecords
  const summaries = Object.entries(demoSummaries).map(([id, summary]) => ({ id, madeBy: MADE_BY, summary }))
  return { engines, sheets, jobs, entries, summaries, pictures: demoPictures() }
}

/** The ids of all rows that are there and not in these, the workshop's own notes left alone. */
function whatIsNotIn(rows: Rows, before: Rows): { readonly [K in TableName]?: readonly string[] } {
  return Object.fromEntries(
    TABLES.filter((name) => name !== 'meta').map((name) => {
      const keep = new Set((rows[name] ?? []).map(({ id }) => id))
      return [name, (before[name] ?? []).map(({ id }) => id).filter((id) => !keep.has(id))]
    }),
  )
}
