import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { makeApp } from './app'

const folder = mkdtempSync(join(tmpdir(), 'link-count-server-'))
writeFileSync(join(folder, 'index.html'), '<!doctype html><title>x</title>')
mkdirSync(join(folder, 'assets'))
writeFileSync(join(folder, 'assets/a-1.js'), 'export {}')
const server = makeApp(folder).listen(0)
let base = ''
beforeAll(() => {
  base = `http://localhost:${(server.address() as AddressInfo).port}`
})
afterAll(() => void server.close())

test('every address of the app is the app, with strict headers', async () => {
  const response = await fetch(`${base}/demo/job/x`)
  expect(response.status).toBe(200)
  const policy = response.headers.get('content-security-policy') ?? ''
  expect(policy).toContain("default-src 'none'")
  expect(policy).toContain("script-src 'self'")
  expect(policy).not.toMatch(/unsafe|https?:/)
  expect(policy).toContain("media-src 'self' blob:")
  expect(response.headers.get('permissions-policy')).toContain('microphone=(self)')
  expect(response.headers.get('permissions-policy')).toContain('camera=()')
  expect(response.headers.get('x-content-type-options')).toBe('nosniff')
  expect(response.headers.get('referrer-policy')).toBe('no-referrer')
  expect(response.headers.get('x-powered-by')).toBeNull()
  expect(response.headers.get('cache-control')).toBe('no-cache')
})
test('built files are kept for good', async () => {
  expect((await fetch(`${base}/assets/a-1.js`)).headers.get('cache-control')).toContain('immutable')
})
test.each([
  '/missing.js',
  '/assets/missing.js',
  '/../package.json',
  '/assets/%',
  '/%',
  '/assets/%00',
  '/assets/..%2f..%2fpackage.json',
  '/%c0%ae',
])('%s is not found, and nothing of this machine is told', async (path) => {
  const response = await fetch(`${base}${path}`)
  expect(response.status).toBe(404)
  expect(await response.text()).toMatch(/^\{"error":"notFound"\}$/)
})
test('text is never made into script', async () => {
  const policy = (await fetch(`${base}/`)).headers.get('content-security-policy') ?? ''
  expect(policy).toContain("require-trusted-types-for 'script'")
  expect(policy).toContain('trusted-types default')
})

test('nothing is taken in', async () => expect((await fetch(`${base}/`, { method: 'POST' })).status).toBe(405))
