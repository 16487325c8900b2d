import type { Offer } from '@link-count/core/file'

/** Which field of what is said two ways. */
export const offerWords = ({ name, path }: Offer) =>
  path.length === 0 ? name : `${name}, ${path.map(fieldWords).join(', ')}`

/** "strokeMm" as "stroke mm": a field by its own words, where it has no others. */
const fieldWords = (key: string) => key.replace(/([a-z])([A-Z])/g, '$1 $2').toLowerCase()

/** A value as it was typed, where it was; else as short as it goes. */
export function valueWords(value: unknown): string {
  if (value === undefined || value === null || value === '') return 'empty'
  if (typeof value === 'object') {
    const { typed } = value as { typed?: unknown }
    return typeof typed === 'string' && typed !== '' ? typed : JSON.stringify(value).slice(0, 60)
  }
  return String(value).slice(0, 60)
}
