import { notices } from './notice'

/** What takes less than this is not worth a word. */
const AFTER_MS = 600

/** Tells how far a longer piece of work is, in a notice of its own. */
export function tellProgress(what: string): { readonly at: (share: number) => void; readonly end: () => void } {
  const id = `progress ${what}`
  const begun = performance.now()
  let shown = false
  const words = (share: number) => ({ id, message: `${what}: ${Math.round(100 * share)} %`, loading: true })
  return {
    at: (share) => {
      if (performance.now() - begun < AFTER_MS) return
      void notices().then((all) => {
        if (shown) all.update(words(share))
        else all.show({ ...words(share), autoClose: false, withBorder: true, withCloseButton: false })
        shown = true
      })
    },
    end: () => {
      if (shown) void notices().then((all) => all.hide(id))
    },
  }
}
