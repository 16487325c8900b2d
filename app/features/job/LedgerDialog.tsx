import { Button, Textarea } from '@mantine/core'
import { memo, useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { orderEntries } from '@link-count/core/ledger'
import type { Entry } from '@link-count/core/model'
import { selectOverlaps } from '../../domain/views'
import { addPicture } from '../../domain/writes'
import { useAppDispatch, useAppSelector } from '../../store'
import { takenOf, useDraft } from '../../ui/fields'
import { useAttempt } from '../../ui/useAttempt'
import { formatDateTime, tellLines } from '../../ui/wording'
import { useBench } from './JobContext'
import { LedgerPicture } from './LedgerPicture'
import { Dialog } from '../../ui/Dialog'
import './LedgerDialog.css'

/** The whole ledger, struck lines included; a line is struck or a strike taken back, never edited. */
export function LedgerDialog({ onClose }: { readonly onClose: () => void }) {
  const { view, say } = useBench()
  const { inHand, job } = view
  const dispatch = useAppDispatch()
  const attempt = useAttempt()
  const note = useDraft(`${job.id}:note`)
  const file = useRef<HTMLInputElement>(null)
  const [refused, setRefused] = useState('')
  const take = async (picked: File | undefined) => {
    if (!picked) return
    const { takePicture } = await import('../../ui/takePicture')
    const picture = await takePicture(picked)
    if (file.current) file.current.value = ''
    if ('refused' in picture) return setRefused(picture.refused)
    setRefused('')
    const said = { caption: note.text.trim(), stepId: inHand?.id ?? 'card' }
    await attempt('The picture', () => dispatch(addPicture(job.id, picture.blob, said, takenOf([note]))))
  }
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
          <Button variant="quiet" onClick={() => file.current?.click()}>
            Add a picture
          </Button>
          <input
            ref={file}
            type="file"
            accept="image/jpeg,image/png,image/webp"
            className="unseen"
            tabIndex={-1}
            aria-label="Picture"
            onChange={(event) => void take(event.currentTarget.files?.[0])}
          />
        </div>
        {refused && (
          <p className="field-error" role="alert">
            {refused}
          </p>
        )}
        <LedgerLines />
      </div>
    </Dialog>
  )
}

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
  if (ordered.length === 0) return <p className="soft">Nothing is written yet.</p>
  const older = ordered.length - shown
  return (
    <>
      <ol className="ledger">
        {ordered.slice(0, shown).map((entry) => (
          <LedgerLine
            key={entry.id}
            entry={entry}
            struck={state.struck.has(entry.id)}
            beside={overlaps.has(entry.id)}
            tell={tell}
            onStrike={onStrike}
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
}: {
  readonly entry: Entry
  readonly struck: boolean
  /** Written without knowing of work on another device. */
  readonly beside: boolean
  readonly tell: (entry: Entry) => string
  readonly onStrike: (entry: Entry) => void
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
            isSound={entry.mediaType === 'audio/wav'}
          />
        )}
      </span>
      <button type="button" className="link" onClick={() => onStrike(entry)} disabled={struck}>
        {struck ? 'Struck' : entry.kind === 'strike' ? 'Take back' : 'Strike'}
      </button>
    </li>
  )
})
