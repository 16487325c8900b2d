import { stable } from './stable'

/** A field in which two copies of one record differ: what was taken of it, and what the other has. */
export interface Difference {
  readonly path: readonly string[]
  readonly taken: unknown
  readonly other: unknown
}

/** Two copies of one record made one, field by field, the same whichever comes first: what only one of them has is kept, lists of parts go by the parts'
 *  ids, and of two values the one that sorts later is taken. What was not taken is told. */
export function mergeFields<T>(one: T, two: T): { readonly merged: T; readonly differences: readonly Difference[] } {
  const differences: Difference[] = []
  const merged = both(one, two, [], differences) as T
  return { merged, differences }
}

function both(one: unknown, two: unknown, path: readonly string[], differences: Difference[]): unknown {
  if (stable(one) === stable(two)) return one
  if (one === undefined) return two
  if (two === undefined) return one
  if (isPlain(one) && isPlain(two) && !isWhole(one) && !isWhole(two)) {
    const keys = [...new Set([...Object.keys(one), ...Object.keys(two)])].sort()
    return Object.fromEntries(keys.map((key) => [key, both(one[key], two[key], [...path, key], differences)]))
  }
  if (isParts(one) && isParts(two)) {
    const parts = [new Map(one.map((part) => [part.id, part])), new Map(two.map((part) => [part.id, part]))] as const
    // In the order of the copy that sorts later, what only the other has behind it.
    const [first, second] = stable(one) >= stable(two) ? [one, two] : [two, one]
    const ids = [...new Set([...first, ...second].map(({ id }) => id))]
    return ids.map((id) => both(parts[0].get(id), parts[1].get(id), [...path, id], differences))
  }
  const [taken, other] = stable(one) >= stable(two) ? [one, two] : [two, one]
  differences.push({ path, taken, other })
  return taken
}

const isPlain = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/** A figure with how it was typed and how far it is trusted is one value; so is what one key tells apart. */
const isWhole = (value: Record<string, unknown>) =>
  ('value' in value && 'typed' in value) || 'how' in value || ('num' in value && 'den' in value)

const isParts = (value: unknown): value is { readonly id: string }[] =>
  Array.isArray(value) && value.every((one) => isPlain(one) && typeof one['id'] === 'string')

/** The record with another value in one place. */
export function withField<T>(record: T, path: readonly string[], value: unknown): T {
  const [key, ...rest] = path
  if (key === undefined) return value as T
  if (isParts(record))
    return record.map((part) => (part.id === key ? withField(part, rest, value) : part)) as unknown as T
  const plain = record as Record<string, unknown>
  return { ...plain, [key]: withField(plain[key], rest, value) } as T
}
