import { gzipSync } from 'node:zlib'
import type { Plugin } from 'vite'

/** Fails the build when the script that the first page loads (the entry and all it imports at once) is over the budget. */
export function firstPageBudget(mostBytes: number): Plugin {
  return {
    name: 'first-page-budget',
    generateBundle(_options, bundle) {
      const chunks = Object.values(bundle).filter((output) => output.type === 'chunk')
      const entry = chunks.find(({ isEntry }) => isEntry)
      const byName = new Map(chunks.map((chunk) => [chunk.fileName, chunk]))
      const wanted = new Set<string>()
      // The workshop is the first page; its dialogs load when they are opened.
      const first = chunks.filter(({ facadeModuleId }) =>
        facadeModuleId?.endsWith('features/workshop/WorkshopPage.tsx'),
      )
      const queue = [entry, ...first].flatMap((chunk) => chunk?.fileName ?? [])
      for (let name = queue.pop(); name !== undefined; name = queue.pop()) {
        if (wanted.has(name)) continue
        wanted.add(name)
        queue.push(...(byName.get(name)?.imports ?? []))
      }
      const bytes = [...wanted].reduce((sum, name) => sum + gzipSync(byName.get(name)?.code ?? '').length, 0)
      const said = `first page: ${(bytes / 1000).toFixed(1)} kB of compressed script, budget ${mostBytes / 1000} kB`
      if (bytes > mostBytes) this.error(said)
      this.info(said)
    },
  }
}
