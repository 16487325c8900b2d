import { Button } from '@mantine/core'
import { useState, type ReactNode } from 'react'
import type { AppThunk } from '../../domain/state'
import { bringBack, type Gone } from '../../domain/removals'
import { useAppDispatch } from '../../store'
import { Dialog } from '../../ui/Dialog'
import { showNotice } from '../../ui/notice'
import { saveToFile } from '../../ui/saveToFile'
import { useAttempt } from '../../ui/useAttempt'
import { useWorkshop } from '../../ui/WorkshopContext'

/** Asks once more before something is deleted, offers a file first, and gives a way back after it. */
export function DeleteDialog({
  name,
  engineId,
  remove,
  onGone,
  onClose,
  children,
}: {
  readonly name: string
  readonly engineId: string
  readonly remove: () => AppThunk<Promise<Gone>>
  readonly onGone: () => void
  readonly onClose: () => void
  /** What goes with it. */
  readonly children: ReactNode
}) {
  const dispatch = useAppDispatch()
  const attempt = useAttempt()
  const { kind, now } = useWorkshop()
  const [saved, setSaved] = useState(false)
  const deleteIt = async () => {
    const gone = await attempt(`That ${name} is deleted`, () => dispatch(remove()))
    if (!gone) return
    onGone()
    void showNotice({
      words: `${name} is deleted`,
      lasting: true,
      undo: async () => {
        const back = await attempt(`That ${name} is back`, async () => {
          await dispatch(bringBack(gone))
          return true
        })
        if (back) void showNotice({ words: `${name} is back` })
      },
    })
  }
  const save = async () => {
    await dispatch(saveToFile(kind, now(), engineId))
    setSaved(true)
  }
  return (
    <Dialog title={`Delete ${name}?`} onClose={onClose}>
      <div className="stack">
        {children}
        <p>Save the engine to a file first: opened again, the file offers to bring it back.</p>
        <div className="row">
          <Button variant={saved ? 'default' : 'filled'} onClick={() => void save()}>
            Save this engine to a file
          </Button>
          <Button variant={saved ? 'filled' : 'default'} onClick={() => void deleteIt()}>
            Delete {name}
          </Button>
        </div>
      </div>
    </Dialog>
  )
}
