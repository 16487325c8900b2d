import type { JobOfOrder } from './stand'
import { compareJobs } from './stand'

/** What each job of an engine is called: its number, and a letter where two devices opened one with the same number. By id. */
export function jobLabels(jobs: readonly JobOfOrder[]): ReadonlyMap<string, string> {
  const ordered = [...jobs].sort(compareJobs)
  return new Map(
    ordered.map(({ id, number }) => {
      const same = ordered.filter((other) => other.number === number)
      const at = same.findIndex((other) => other.id === id)
      return [id, same.length === 1 ? String(number) : `${number}${letter(at)}`]
    }),
  )
}

const letter = (n: number): string =>
  (n < 26 ? '' : letter(Math.floor(n / 26) - 1)) + String.fromCharCode(97 + (n % 26))
