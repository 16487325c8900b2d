import { selectRecords } from '../domain/views'
import { notePut, readPicture } from '../domain/writes'
import type { AppThunk } from '../domain/state'
import { download } from './download'

/** Saves the workshop, or one engine of it, as a file in the open format; pictures go beside it. */
export const saveToFile =
  (savedAt: string, engineId?: string): AppThunk =>
  async (dispatch, getState) => {
    const { writeArchive } = await import('../db/archive')
    const records = selectRecords(getState())
    const ids = records.entries.flatMap((entry) => (entry.kind === 'picture' ? [entry.pictureId] : []))
    const found = await Promise.all(ids.map(async (id) => ({ id, blob: await dispatch(readPicture(id)) })))
    const pictures = found.flatMap(({ id, blob }) => (blob ? [{ id, blob }] : []))
    const { name, blob } = await writeArchive({ records, pictures, savedAt, engineId })
    download(name, blob)
    if (engineId === undefined) {
      await dispatch(
        notePut([
          { id: 'savedAt', value: savedAt },
          { id: 'savedEntries', value: String(records.entries.length) },
        ]),
      )
    }
  }
