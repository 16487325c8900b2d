import { readPicture, notePut } from '../domain/writes'
import { selectRecords } from '../domain/views'
import type { AppThunk } from '../domain/state'
import { attempt } from './attempt'
import { download } from './download'
import { setHanded } from './handed'
import { showNotice } from './notice'
import { tellProgress } from './progress'

/** Saves the workshop, or one engine of it, as a file in the open format; pictures go beside it. A browser does not say whether a download arrived: it counts
 *  as saved when somebody has seen it, which the workshop page asks. */
export const saveToFile =
  (savedAt: string, engineId?: string): AppThunk =>
  async (dispatch, getState) => {
    const records = selectRecords(getState())
    const progress = tellProgress('Making the file')
    try {
      const { makeFileOf } = await import('../workers/fileWork')
      const made = await makeFileOf(records, savedAt, engineId, (id) => dispatch(readPicture(id)), progress.at)
      if (made.tooFull) {
        const mb = Math.round(made.jsonBytes / 1e6)
        return void showNotice({
          words: `The workshop comes to ${mb} MB, more than a file may hold: it would not open again. Save it engine by engine.`,
          lasting: true,
        })
      }
      download(made.name, made.blob)
      if (engineId === undefined) setHanded({ name: made.name, savedAt, entries: records.entries.length })
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
