import type { Page } from '@playwright/test'

export interface Raw {
  readonly engines: string[]
  readonly sheetsOf: string[]
  readonly notes: string[]
  readonly pictured: string[]
  readonly pictures: string[]
  readonly devices: string[]
  readonly recovered: string | undefined
}

/** What the browser's store of the mechanic's own workshop holds, read past the app. */
export const readStored = (page: Page): Promise<Raw> =>
  page.evaluate(async () => {
    const db = await new Promise<IDBDatabase>((resolve, reject) => {
      const request = indexedDB.open('link-count-own')
      request.onsuccess = () => resolve(request.result)
      request.onerror = () => reject(request.error)
    })
    const all = <T>(name: string) =>
      new Promise<T[]>((resolve, reject) => {
        const request = db.transaction(name).objectStore(name).getAll()
        request.onsuccess = () => resolve(request.result as T[])
        request.onerror = () => reject(request.error)
      })
    const [engines, sheets, entries, pictures, meta] = [
      await all<{ id: string }>('engines'),
      await all<{ engineId: string }>('sheets'),
      await all<{ kind: string; text: string; pictureId: string; device: string }>('entries'),
      await all<{ id: string }>('pictures'),
      await all<{ id: string; value: string }>('meta'),
    ]
    db.close()
    return {
      engines: engines.map(({ id }) => id),
      sheetsOf: sheets.map(({ engineId }) => engineId),
      notes: entries.filter(({ kind }) => kind === 'note').map(({ text }) => text),
      pictured: entries.filter(({ kind }) => kind === 'picture').map(({ pictureId }) => pictureId),
      pictures: pictures.map(({ id }) => id),
      devices: entries.map(({ device }) => device),
      recovered: meta.find(({ id }) => id === 'recovered')?.value,
    }
  })
