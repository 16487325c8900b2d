import type { WorkshopKind } from '../db'
import { selectHeld } from '../domain/selectors'
import { notePut } from '../domain/notes'
import type { AppThunk } from '../domain/state'
import { attempt } from './attempt'
import { download } from './download'
import { setHanded } from './handed'
import { showNotice } from './notice'
import { tellProgress } from './progress'

/** Saves the workshop, or one engine of it, as a file in the open format; pictures go beside it. A browser does not say whether a download arrived: it counts
 *  as saved when somebody has seen it, which the workshop page asks. */
export const saveToFile =
  (kind: WorkshopKind, savedAt: string, engineId?: string): AppThunk =>
  async (_dispatch, getState) => {
    const held = selectHeld(getState())
    const progress = tellProgress('Making the file')
    try {
      const { makeFileOf } = await import('../workers/fileWork')
      const made = await makeFileOf(kind, { savedAt, engineId, held }, progress.at)
      if (made.tooFull) {
        const mb = Math.round(made.jsonBytes / 1e6)
        return void showNotice({
          words: `The workshop comes to ${mb} MB, more than a file may hold: it would not open again. Save it engine by engine.`,
          lasting: true,
        })
      }
      download(made.name, made.blob)
      if (made.onlyHeld)
        void showNotice({
          words:
            'The browser’s storage is gone, so the file holds only the engines that were opened since this page was loaded, without their pictures.',
          lasting: true,
        })
      else if (engineId === undefined) setHanded({ name: made.name, savedAt, entries: made.entries })
      if (made.nearlyFull)
        void showNotice({
          words:
            'The workshop fills more than three quarters of what a file may hold. Think of saving engine by engine.',
          lasting: true,
        })
    } catch (cause) {
      void showNotice({
        words: `The file could not be made: ${cause instanceof Error ? cause.message : String(cause)}.`,
        lasting: true,
      })
    } finally {
      progress.end()
    }
  }

/** Remembers that everything up to now is in a file. */
export const noteSaved =
  (savedAt: string, entries: number): AppThunk =>
  async (dispatch) => {
    const rows = [
      { id: 'savedAt', value: savedAt },
      { id: 'savedEntries', value: String(entries) },
    ]
    await attempt('That it was saved', () => dispatch(notePut(rows)))
  }
