import { Button } from '@mantine/core'
import { failureOf, type WriteFailure } from '../domain/failure'
import { notices } from './notice'
import { failureWords } from './wording/failure'

/* Nothing that is written may fail in silence: what was typed stays in its field, the page says what failed and offers to try again. */

const SLOW_AFTER_MS = 10_000

let unwritten = 0
/** Counts what is on its way; the page is marked with it, and the browser asks before it closes over it. */
function track(by: 1 | -1): void {
  unwritten += by
  document.documentElement.dataset['unwritten'] = String(unwritten)
  if (unwritten === by && by === 1) window.addEventListener('beforeunload', stay)
  if (unwritten === 0) window.removeEventListener('beforeunload', stay)
}
const stay = (event: BeforeUnloadEvent) => event.preventDefault()

export interface AttemptOptions {
  readonly saveToFile?: (() => unknown) | undefined
  /** Where it was typed: written anew it takes the place of one from there that failed and waits for an answer. */
  readonly key?: string | undefined
  /** What is written, where it was typed: pressed twice it is written once. */
  readonly text?: string | undefined
}

const writing = new Set<string>()
const asking = new Map<string, () => void>()

/** Does a piece of writing. When it fails: says so, and does it again when that is asked for. Undefined: it was given up, nothing was written. `what` begins a
 *  sentence: "The note". */
export async function attempt<T>(
  what: string,
  write: () => Promise<T>,
  { saveToFile, key = `attempt ${serial++}`, text = '' }: AttemptOptions = {},
): Promise<T | undefined> {
  const same = `${key} ${text}`
  if (writing.has(same)) return undefined
  asking.get(key)?.()
  track(1)
  try {
    for (;;) {
      writing.add(same)
      try {
        return await toldWhenSlow(what, write, saveToFile)
      } catch (cause) {
        writing.delete(same)
        if ((await askAgain(what, failureOf(cause), { saveToFile, key })) === 'leave') return undefined
      } finally {
        writing.delete(same)
      }
    }
  } finally {
    track(-1)
  }
}

/** Each notice is one of its own: two writes of one name may wait or fail at once. */
let serial = 0

async function toldWhenSlow<T>(
  what: string,
  write: () => Promise<T>,
  saveToFile: (() => unknown) | undefined,
): Promise<T> {
  const id = `slow ${serial++}`
  let told = false
  const timer = setTimeout(() => {
    told = true
    void tellSlow(id, what, saveToFile)
  }, SLOW_AFTER_MS)
  try {
    return await write()
  } finally {
    clearTimeout(timer)
    if (told) void notices().then((all) => all.hide(id))
  }
}

const SaveNow = ({ saveToFile }: { readonly saveToFile: (() => unknown) | undefined }) =>
  saveToFile && (
    <Button variant="default" onClick={() => void saveToFile()}>
      Save a file now
    </Button>
  )

async function tellSlow(id: string, what: string, saveToFile: (() => unknown) | undefined): Promise<void> {
  const all = await notices()
  all.show({
    id,
    autoClose: false,
    withBorder: true,
    withCloseButton: false,
    role: 'alert',
    message: (
      <span className="notice">
        <span>
          {what} is not written yet: the browser’s storage does not answer. This goes away when it is written.
        </span>
        <SaveNow saveToFile={saveToFile} />
      </span>
    ),
  })
}

async function askAgain(
  what: string,
  failure: WriteFailure,
  { saveToFile, key }: { readonly saveToFile: (() => unknown) | undefined; readonly key: string },
): Promise<'again' | 'leave'> {
  const all = await notices()
  return new Promise((resolve) => {
    const id = `failed ${serial++}`
    let ended = false
    const end = (how: 'again' | 'leave') => {
      if (ended) return
      ended = true
      failing--
      asking.delete(key)
      resolve(how)
      all.hide(id)
    }
    // It says the same of what is typed.
    all.hide('typing')
    failing++
    asking.set(key, () => end('leave'))
    all.show({
      id,
      autoClose: false,
      withBorder: true,
      role: 'alert',
      closeButtonProps: { 'aria-label': 'Leave it unwritten' },
      onClose: () => end('leave'),
      message: (
        <span className="notice failed">
          <span>
            <strong>{what} was not written.</strong> {failureWords(failure)}
          </span>
          <span className="row">
            {failure.code !== 'refused' && (
              <Button variant="filled" onClick={() => end('again')}>
                Try again
              </Button>
            )}
            <SaveNow saveToFile={saveToFile} />
          </span>
        </span>
      ),
    })
  })
}

/** Keeps what is typed; where that fails, says so once for all fields, until it works again. */
export async function keepTyped(store: () => Promise<void>, saveToFile: () => unknown): Promise<void> {
  track(1)
  const id = 'typing'
  try {
    await store()
    if (typingFails) {
      typingFails = false
      ;(await notices()).hide(id)
    }
  } catch (cause) {
    if (typingFails || failing > 0) return
    typingFails = true
    const all = await notices()
    all.show({
      id,
      autoClose: false,
      withBorder: true,
      role: 'alert',
      closeButtonProps: { 'aria-label': 'Close the notice' },
      onClose: () => (typingFails = false),
      message: (
        <span className="notice failed">
          <span>
            <strong>What you type is not being kept.</strong> {failureWords(failureOf(cause))} It stays on the screen as
            long as this page is open.
          </span>
          <span className="row">
            <Button variant="filled" onClick={() => void keepTyped(store, saveToFile)}>
              Try again
            </Button>
            <SaveNow saveToFile={saveToFile} />
          </span>
        </span>
      ),
    })
  } finally {
    track(-1)
  }
}
let typingFails = false
/** Failures that are on the screen. */
let failing = 0
