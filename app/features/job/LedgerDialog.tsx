import { Button, Textarea } from '@mantine/core'
import { memo, useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { lastOf, orderEntries } from '@link-count/core/ledger'
import type { Entry, PictureMark } from '@link-count/core/model'
import { selectOverlaps } from '../../domain/views'
import { useAppSelector } from '../../store'
import { useDraft } from '../../ui/fields'
import { formatDateTime, tellLines } from '../../ui/wording'
import { useBench } from './JobContext'
import { TakePicture } from './pictures/TakePicture'
import { useTakePicture } from './pictures/useTakePicture'
import { LedgerPicture } from '../../ui/pictures/LedgerPicture'
import { Dialog } from '../../ui/Dialog'
import './LedgerDialog.css'

/** The whole ledger, struck lines included; a line is struck or a strike taken back, never edited. */
export function LedgerDialog({ onClose }: { readonly onClose: () => void }) {
  const { view, say } = useBench()
  const { inHand, job } = view
  const note = useDraft(`${job.id}:note`)
  return (
    <Dialog title="Ledger" size="xl" onClose={onClose}>
      <div className="stack">
        <Textarea
          label="Note, or words for a picture"
          value={note.text}
          onChange={(event) => note.setText(event.currentTarget.value)}
          autosize
          minRows={2}
          maxLength={4000}
        />
        <div className="row">
          <Button
            variant="default"
            disabled={note.text.trim() === ''}
            onClick={() => void say({ kind: 'note', text: note.text.trim() }, [note])}
          >
            Write the note
          </Button>
          <TakePicture
            name="the job"
            said={{ caption: note.text.trim(), stepId: inHand?.id ?? 'card' }}
            fields={[note]}
          />
        </div>
        <LedgerLines />
      </div>
    </Dialog>
  )
}

/** A line of the ledger may be longer than what is told under a picture. */
const LONGEST_CAPTION = 200

/** So many lines are shown at first, and so many more each time. */
const AT_A_TIME = 100

/** The newest lines, the latest first; older ones when they are asked for. */
const LedgerLines = memo(function LedgerLines() {
  const { view, strike } = useBench()
  const { state, entries, sheet, job } = view
  const overlaps = useAppSelector((root) => selectOverlaps(root, job.id))
  const [shown, setShown] = useState(AT_A_TIME)
  const ordered = useMemo(() => orderEntries(entries).reverse(), [entries])
  const tell = useMemo(() => tellLines(sheet, entries), [sheet, entries])
  const struckBy = useRef(strike)
  useEffect(() => void (struckBy.current = strike))
  const onStrike = useCallback((entry: Entry) => struckBy.current(entry, 'struck by hand'), [])
  const file = useRef<HTMLInputElement>(null)
  const pictured = useRef<Entry>(undefined)
  const { refused, take } = useTakePicture()
  const onPicture = useCallback((entry: Entry) => {
    pictured.current = entry
    file.current?.click()
  }, [])
  if (ordered.length === 0) return <p className="soft">Nothing is written yet.</p>
  const older = ordered.length - shown
  return (
    <>
      <input
        ref={file}
        type="file"
        accept="image/jpeg,image/png,image/webp"
        className="unseen"
        tabIndex={-1}
        aria-label="Picture for a line"
        onChange={({ currentTarget }) => {
          const line = pictured.current
          if (!line) return
          const said = {
            caption: tell(line).slice(0, LONGEST_CAPTION),
            stepId: line.stepId ?? 'card',
            of: { what: 'entry', id: line.id },
          } as const
          void take(currentTarget, said)
        }}
      />
      {refused && (
        <p className="field-error" role="alert">
          {refused}
        </p>
      )}
      <ol className="ledger">
        {ordered.slice(0, shown).map((entry) => (
          <LedgerLine
            key={entry.id}
            entry={entry}
            struck={state.struck.has(entry.id)}
            beside={overlaps.has(entry.id)}
            tell={tell}
            onStrike={onStrike}
            onPicture={onPicture}
            marks={entry.kind === 'picture' ? lastOf(state, 'pictureMarks', entry.pictureId)?.marks : undefined}
          />
        ))}
      </ol>
      {older > 0 && (
        <Button variant="quiet" onClick={() => setShown(shown + AT_A_TIME)}>
          {older <= AT_A_TIME ? `The ${older} before` : `${AT_A_TIME} more of the ${older} before`}
        </Button>
      )}
    </>
  )
})

const LedgerLine = memo(function LedgerLine({
  entry,
  struck,
  beside,
  tell,
  onStrike,
  onPicture,
  marks,
}: {
  readonly entry: Entry
  readonly struck: boolean
  /** Written without knowing of work on another device. */
  readonly beside: boolean
  readonly tell: (entry: Entry) => string
  readonly onStrike: (entry: Entry) => void
  readonly onPicture: (entry: Entry) => void
  /** What is drawn on a picture. */
  readonly marks: readonly PictureMark[] | undefined
}) {
  const typed = entry.typed
    .map(({ text }) => text)
    .filter(Boolean)
    .join(', ')
  return (
    <li className={struck ? 'struck' : undefined}>
      <span className="soft reading">{formatDateTime(entry.at)}</span>
      <span>
        {struck ? <del>{tell(entry)}</del> : tell(entry)}
        {typed && <span className="soft"> (typed: {typed})</span>}
        {beside && <span className="brass"> Written beside work on another device, neither knowing of the other.</span>}
        {entry.kind === 'picture' && (
          <LedgerPicture
            pictureId={entry.pictureId}
            caption={entry.caption}
            marks={marks ?? []}
            isSound={entry.mediaType === 'audio/wav'}
          />
        )}
      </span>
      {entry.kind !== 'picture' && entry.kind !== 'strike' && !struck ? (
        <button type="button" className="link" onClick={() => onPicture(entry)}>
          Picture
        </button>
      ) : (
        <span />
      )}
      <button type="button" className="link" onClick={() => onStrike(entry)} disabled={struck}>
        {struck ? 'Struck' : entry.kind === 'strike' ? 'Take back' : 'Strike'}
      </button>
    </li>
  )
})
