import type { Page } from '@playwright/test'

/** Leaves the app for a page of the same origin that opens nothing, and has the browser's store do something there. */
export async function outside(page: Page, work: () => Promise<void>): Promise<void> {
  await page.goto('/icon.svg')
  await page.evaluate(work)
}

export const eraseStore = () =>
  new Promise<void>((resolve, reject) => {
    const request = indexedDB.deleteDatabase('link-count-own')
    request.onsuccess = () => resolve()
    request.onerror = () => reject(request.error ?? new Error('not erased'))
  })

export const eraseCopy = async () => {
  const root = await navigator.storage.getDirectory()
  await root.removeEntry('copy-own', { recursive: true })
}

/** From now on nothing can be put into the store, as with a full disk. */
export const fillDisk = () => {
  const proto = IDBObjectStore.prototype
  ;(window as unknown as { put: typeof proto.put }).put = proto.put
  proto.put = () => {
    throw new DOMException('The disk is full', 'QuotaExceededError')
  }
}
export const makeRoom = () => {
  IDBObjectStore.prototype.put = (window as unknown as { put: typeof IDBObjectStore.prototype.put }).put
}
