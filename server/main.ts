import { createServer as createSecure } from 'node:https'
import { homedir, networkInterfaces } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import qrcode from 'qrcode'
import { makeApp } from './app'
import { certificateFor } from './certificate'

/* On this machine alone, unless it is started with --network: then over https, with the address printed and its code to scan. */

const port = Number(process.env['PORT'] ?? 4180)
const folder = fileURLToPath(new URL('../app/dist', import.meta.url))
const onNetwork = process.argv.includes('--network')

const failed = (error: Error) => {
  console.error(`Port ${port} cannot be used: ${error.message}. Choose another with PORT=4190 npm start.`)
  process.exitCode = 1
}

/** The addresses by which other machines reach this one. */
const ownAddresses = () =>
  Object.values(networkInterfaces())
    .flatMap((all) => all ?? [])
    .filter(({ family, internal }) => family === 'IPv4' && !internal)
    .map(({ address }) => address)

async function serveNetwork(): Promise<void> {
  const addresses = ownAddresses()
  const certificate = await certificateFor(['localhost', '127.0.0.1', ...addresses], join(homedir(), '.link-count'), {
    certFile: process.env['CERT'],
    keyFile: process.env['KEY'],
  })
  const server = createSecure(certificate, makeApp(folder, { secure: true }))
  server.on('error', failed)
  server.listen(port, async () => {
    for (const host of addresses.length > 0 ? addresses : ['localhost']) {
      const address = `https://${host}:${port}/`
      console.log(`Link Count is at ${address}`)
      console.log(await qrcode.toString(address, { type: 'terminal', small: true }))
    }
    if (!process.env['CERT'])
      console.log('The certificate was made on this machine: the browser asks once whether to trust it.')
    console.log('Everybody on this network can open it. Each browser keeps a workshop of its own.')
  })
}

if (onNetwork) await serveNetwork()
else {
  const server = makeApp(folder).listen(port, '127.0.0.1', () => {
    console.log(`Link Count is at http://localhost:${port}/`)
    console.log('Only this machine can open it. For a phone at the bench: npm start -- --network')
  })
  server.on('error', failed)
}
