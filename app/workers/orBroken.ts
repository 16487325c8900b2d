/** The answer of a worker, or that it broke or did not start: one that never loaded answers nothing at all. */
export function orBroken(raw: Worker): <T>(work: Promise<T>) => Promise<T> {
  const broken = new Promise<never>((_resolve, reject) =>
    raw.addEventListener('error', ({ message }) => reject(new Error(message || 'the worker did not start'))),
  )
  broken.catch(() => undefined)
  return (work) => Promise.race([work, broken])
}
