import { createHash } from 'node:crypto'
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'

/** A checksum over the sources of the app and of core: another whenever what they work out may be another. */
export function buildId(): string {
  const hash = createHash('sha256')
  for (const folder of ['../core', '.'])
    for (const file of sourcesIn(join(import.meta.dirname, folder))) hash.update(readFileSync(file))
  return hash.digest('hex').slice(0, 12)
}

function sourcesIn(folder: string): string[] {
  return readdirSync(folder, { withFileTypes: true })
    .sort((a, b) => (a.name < b.name ? -1 : 1))
    .flatMap((one) => {
      const path = join(folder, one.name)
      if (one.isDirectory()) return one.name === 'node_modules' || one.name === 'dist' ? [] : sourcesIn(path)
      return /\.(ts|tsx)$/.test(one.name) && !/\.(test|bench)\.ts/.test(one.name) ? [path] : []
    })
}
