import { readdirSync } from 'node:fs'
import { join } from 'node:path'

const LEFT_OUT = new Set(['node_modules', 'dist', '.git', 'test-results', 'coverage'])

/** Every file of the project by its path from the root, but what is installed, built or made by a test. */
export function sources(root: string, below = ''): string[] {
  return readdirSync(join(root, below), { withFileTypes: true }).flatMap((one) => {
    if (LEFT_OUT.has(one.name)) return []
    const path = join(below, one.name)
    return one.isDirectory() ? sources(root, path) : [path]
  })
}
