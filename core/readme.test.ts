import { readFileSync, rmSync, writeFileSync } from 'node:fs'
import { expect, test, vi } from 'vitest'

test('the smallest example prints what the README says', async () => {
  const readme = readFileSync(new URL('README.md', import.meta.url), 'utf8')
  const [, example = ''] = /```ts\n([\s\S]*?)```/.exec(readme) ?? []
  const [, printed = ''] = /this:\s+```\n([\s\S]*?)```/.exec(readme) ?? []
  const file = new URL('readmeExample.tmp.ts', import.meta.url)
  const log = vi.spyOn(console, 'log').mockImplementation(() => undefined)
  writeFileSync(file, example)
  try {
    await import(/* @vite-ignore */ file.pathname)
    expect(log.mock.calls.map(([line]) => `${line}\n`).join('')).toBe(printed)
  } finally {
    log.mockRestore()
    rmSync(file)
  }
})
