import { Button } from '@mantine/core'
import { MISSING, RECOVERED, type Loss } from '../../db'
import { notePut } from '../../domain/notes'
import { useAppDispatch, useAppSelector } from '../../store'
import { saveToFile } from '../../ui/saveToFile'
import { useAttempt } from '../../ui/useAttempt'
import { useWorkshop } from '../../ui/WorkshopContext'
import { formatDateTime } from '../../ui/wording'

const readLoss = (text: string | undefined): Loss | undefined => {
  if (!text) return undefined
  try {
    return JSON.parse(text) as Loss
  } catch {
    return undefined
  }
}

const records = (n: number) => `${n} ${n === 1 ? 'record' : 'records'}`

/** What the browser's storage had lost, and what came of it; it stays until somebody has read it. */
export function Losses({ onOpenFile }: { readonly onOpenFile: () => void }) {
  const dispatch = useAppDispatch()
  const attempt = useAttempt()
  const { kind, now } = useWorkshop()
  const recovered = readLoss(useAppSelector((state) => state.meta[RECOVERED]))
  const missing = readLoss(useAppSelector((state) => state.meta[MISSING]))
  const read = (id: string) => void attempt('That it was read', () => dispatch(notePut([{ id, value: '' }])))
  return (
    <>
      {missing && (
        <section className="warn loss" role="alert" aria-label="Missing">
          <p>
            <strong>
              This workshop had {records(missing.had)}; the browser’s storage now holds {missing.has}.
            </strong>{' '}
            Found on {formatDateTime(missing.at)}. Open the last file that was saved: what is here stays, what is
            missing comes back.
          </p>
          <div className="row">
            <Button variant="filled" onClick={onOpenFile}>
              Open the last file
            </Button>
            <Button variant="quiet" onClick={() => read(MISSING)}>
              Nothing is missing
            </Button>
          </div>
        </section>
      )}
      {recovered && (
        <section className="warn loss" role="status" aria-label="Put back">
          <p>
            <strong>
              The browser had lost {records(Math.max(0, recovered.had - recovered.has))}, and they are back.
            </strong>{' '}
            They came from the second copy on {formatDateTime(recovered.at)}. Save to a file while everything is here.
          </p>
          <div className="row">
            <Button variant="default" onClick={() => void dispatch(saveToFile(kind, now()))}>
              Save to a file now
            </Button>
            <Button variant="quiet" onClick={() => read(RECOVERED)}>
              I have read it
            </Button>
          </div>
        </section>
      )}
    </>
  )
}
