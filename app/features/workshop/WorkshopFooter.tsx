import { Button } from '@mantine/core'
import { ENTRIES, FIRST_AT, type CopyStatus } from '../../db'
import { useAppDispatch, useAppSelector } from '../../store'
import { attempt } from '../../ui/attempt'
import { setHanded, useHanded, type Handed } from '../../ui/handed'
import { noteSaved, saveToFile } from '../../ui/saveToFile'
import { useWorkshop, type FolderCopy } from '../../ui/WorkshopContext'
import { daysAgo } from '../../ui/wording'
import { unsaved } from './overdue'

/** Where the workshop is kept, and when it was last saved to a file. */
export function WorkshopFooter({ onUnits }: { readonly onUnits: () => void }) {
  const { kind, now, resetDemo, persisted, copy, folder } = useWorkshop()
  const dispatch = useAppDispatch()
  const meta = useAppSelector((state) => state.meta)
  const saved = meta['savedAt']
  const { count: since, isOverdue } = unsaved(
    { savedAt: saved, savedEntries: Number(meta['savedEntries'] ?? 0) },
    { entries: Number(meta[ENTRIES] ?? 0), firstAt: meta[FIRST_AT] },
    now(),
  )
  const overdue = kind === 'own' && isOverdue
  const handed = useHanded()
  const arrived = ({ savedAt, entries: held }: Handed) => {
    setHanded(undefined)
    void dispatch(noteSaved(savedAt, held))
  }
  return (
    <footer className="workshop-foot">
      <div>
        {overdue && (
          <p className="warn">
            <strong>
              {since} {since === 1 ? 'entry is' : 'entries are'} in no file.
            </strong>{' '}
            If this browser or machine is lost, so are they: save to a file, and keep it elsewhere.
          </p>
        )}
        {handed && (
          <p className="handed" role="status">
            <span>
              Handed to the browser: <strong>{handed.name}</strong>. Is it among the downloads?
            </span>
            <Button variant="filled" onClick={() => arrived(handed)}>
              It is there
            </Button>
            <Button variant="quiet" onClick={() => setHanded(undefined)}>
              It is not
            </Button>
          </p>
        )}
        <p className="soft">
          {kind === 'demo' ? 'The demo workshop: nothing in it is yours. ' : `${copyWords(copy)} `}
          {saved
            ? `Last saved to a file ${daysAgo(saved, now())}, ${since <= 0 ? 'nothing new since' : `${since} entries since`}.`
            : 'Never saved to a file.'}
          {kind === 'own' && persisted === false && ' The browser has not promised to keep it: save it to a file.'}
          {folder && folderWords(folder)}
        </p>
      </div>
      <div className="row">
        <Button variant="quiet" onClick={onUnits}>
          Units
        </Button>
        {kind === 'demo' && (
          <Button variant="quiet" onClick={() => void resetDemo()}>
            Put the demo back
          </Button>
        )}
        {folder && !folder.allowed && (
          <Button variant="quiet" onClick={() => void attempt('The folder', folder.choose)}>
            {folder.name ? 'Allow the folder again' : 'Choose a folder for copies'}
          </Button>
        )}
        <Button variant={overdue ? 'filled' : 'default'} onClick={() => void dispatch(saveToFile(kind, now()))}>
          Save to a file
        </Button>
      </div>
    </footer>
  )
}

function copyWords(copy: CopyStatus): string {
  if (copy.kept === 'twice') return 'Kept in this browser only, twice over.'
  switch (copy.why) {
    case 'demo':
      return ''
    case 'notSecure':
      return 'Kept in this browser only, and once: this address is not secure, so there is no second copy and no start without the network. Open it over https, or on the machine that serves it.'
    case 'notHere':
      return 'Kept in this browser only, and once: it has no place for a second copy.'
    case 'failed':
      return `Kept in this browser only. The second copy could not be written (${copy.detail}): save to a file, then load the page again.`
  }
}

function folderWords({ name, allowed, failed }: FolderCopy): string {
  if (failed !== undefined) return ` The copy in the folder failed: ${failed}.`
  if (name === undefined) return ''
  return allowed
    ? ` The folder “${name}” gets a copy by itself.`
    : ` The browser asks again before it writes to “${name}”.`
}
