/** Values by id. It has no prototype: an id is never taken for what every object has, whatever a file calls its parts. */
export function byId<T>(entries: Iterable<readonly [string, T]> = []): Record<string, T> {
  const record = Object.create(null) as Record<string, T>
  for (const [id, value] of entries) record[id] = value
  return record
}
