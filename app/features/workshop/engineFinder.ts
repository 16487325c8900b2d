import type { Engine } from '@link-count/core/model'
import MiniSearch from 'minisearch'

/** Engines by words of their name, description and tags, the best first, with a letter wrong or missing. */
export function engineFinder(engines: readonly Engine[]): (text: string) => readonly string[] {
  const search = new MiniSearch<{ id: string; name: string; description: string; tags: string }>({
    fields: ['name', 'description', 'tags'],
    searchOptions: { boost: { name: 2, tags: 2 }, prefix: true, fuzzy: 0.2, combineWith: 'AND' },
  })
  search.addAll(
    engines.map(({ id, name, description, tags }) => ({ id, name, description, tags: (tags ?? []).join(' ') })),
  )
  return (text) => search.search(text).map(({ id }) => id as string)
}
