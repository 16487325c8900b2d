import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { generate } from 'selfsigned'

export interface Certificate {
  readonly cert: string
  readonly key: string
}

const DAYS = 825

/** The certificate that was given, or one made for these addresses and kept in the folder: browsers are asked to trust it once, not at every start. */
export async function certificateFor(
  hosts: readonly string[],
  folder: string,
  given: { readonly certFile?: string | undefined; readonly keyFile?: string | undefined } = {},
): Promise<Certificate> {
  if (given.certFile && given.keyFile)
    return { cert: readFileSync(given.certFile, 'utf8'), key: readFileSync(given.keyFile, 'utf8') }
  const file = join(folder, 'certificate.json')
  if (existsSync(file)) {
    const kept = JSON.parse(readFileSync(file, 'utf8')) as Certificate & { hosts: string[]; until: string }
    const serves = hosts.every((host) => kept.hosts.includes(host))
    if (serves && Date.parse(kept.until) > Date.now() + 7 * 86_400_000) return kept
  }
  const until = new Date(Date.now() + DAYS * 86_400_000)
  const made = await generate([{ name: 'commonName', value: 'Link Count on this machine' }], {
    notAfterDate: until,
    keySize: 2048,
    algorithm: 'sha256',
    extensions: [
      { name: 'basicConstraints', cA: false },
      { name: 'keyUsage', digitalSignature: true, keyEncipherment: true },
      { name: 'extKeyUsage', serverAuth: true },
      {
        name: 'subjectAltName',
        altNames: hosts.map((host) =>
          /^[\d.]+$|:/.test(host) ? { type: 7 as const, ip: host } : { type: 2 as const, value: host },
        ),
      },
    ],
  })
  const certificate = { cert: made.cert, key: made.private }
  mkdirSync(dirname(file), { recursive: true })
  writeFileSync(file, JSON.stringify({ ...certificate, hosts, until: until.toISOString() }), { mode: 0o600 })
  return certificate
}
