import { X509Certificate } from 'node:crypto'
import { mkdtempSync, statSync } from 'node:fs'
import { createServer } from 'node:https'
import type { AddressInfo } from 'node:net'
import { request } from 'node:https'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test } from 'vitest'
import { certificateFor } from './certificate'

const folder = mkdtempSync(join(tmpdir(), 'link-count-certificate-'))
const hosts = ['localhost', '127.0.0.1', '192.168.7.20']

test('a certificate is made for the addresses, kept, and made anew when there is another', async () => {
  const made = await certificateFor(hosts, folder)
  const read = new X509Certificate(made.cert)
  expect(hosts.map((host) => (host === 'localhost' ? read.checkHost(host) : read.checkIP(host)))).toEqual(hosts)
  expect((await certificateFor(hosts, folder)).cert).toBe(made.cert)
  expect((await certificateFor([...hosts, '10.0.0.5'], folder)).cert).not.toBe(made.cert)
  expect(statSync(join(folder, 'certificate.json')).mode & 0o077).toBe(0)
})

test('a server speaks by it', async () => {
  const certificate = await certificateFor(hosts, folder)
  const server = createServer(certificate, (_request, response) => response.end('here'))
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  const { port } = server.address() as AddressInfo
  const text = await new Promise<string>((resolve, reject) => {
    request({ host: '127.0.0.1', port, ca: certificate.cert }, (response) => {
      let said = ''
      response.on('data', (part) => (said += String(part)))
      response.on('end', () => resolve(said))
    })
      .on('error', reject)
      .end()
  })
  expect(text).toBe('here')
  server.close()
})
