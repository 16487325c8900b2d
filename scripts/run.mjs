import { spawn, spawnSync } from 'node:child_process'
import { existsSync, statSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'

export const root = dirname(dirname(fileURLToPath(import.meta.url)))

/** Runs a command in the project's folder and shows what it says; gives its exit code. */
export function run(command, args, env = {}) {
  const { status } = spawnSync(command, args, { cwd: root, stdio: 'inherit', env: { ...process.env, ...env } })
  return status ?? 1
}

/** Runs a command beside others; what it says is shown in one piece when it ends. Gives its exit code. */
export function runBeside(command, args, env = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, { cwd: root, env: { ...process.env, ...env } })
    const said = []
    child.stdout.on('data', (part) => said.push(part))
    child.stderr.on('data', (part) => said.push(part))
    child.on('error', () => resolve(1))
    child.on('close', (status) => {
      process.stdout.write(Buffer.concat(said))
      resolve(status ?? 1)
    })
  })
}

/** Installs what the lock file asks for when it is missing or older than the lock file. */
export function ensureInstalled() {
  const mark = join(root, 'node_modules/.package-lock.json')
  const fresh = existsSync(mark) && statSync(mark).mtimeMs >= statSync(join(root, 'package-lock.json')).mtimeMs
  if (fresh) return
  console.log('Installing what is missing.')
  const code = run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'])
  if (code !== 0) process.exit(code)
}

/** The browser for end-to-end tests: Debian's Chromium, installed when it may be, else a plain message and a failure. */
export function ensureChromium() {
  const known = [process.env.CHROMIUM, '/usr/bin/chromium', '/usr/bin/chromium-browser'].find(
    (path) => path && existsSync(path),
  )
  if (known) return known
  console.log('Chromium is missing; installing it from Debian’s packages.')
  const sudo = process.getuid?.() === 0 ? [] : ['sudo', '-n']
  const apt = (...args) => {
    const [command, ...rest] = [...sudo, 'apt-get', ...args]
    return run(command, rest, { DEBIAN_FRONTEND: 'noninteractive' })
  }
  const installed = apt('update', '-qq') === 0 && apt('install', '-y', '-qq', 'chromium') === 0
  if (installed && existsSync('/usr/bin/chromium')) return '/usr/bin/chromium'
  console.error(
    'No Chromium, and it could not be installed here. Install the Debian package “chromium”, or set CHROMIUM to the path of one, and run this again.',
  )
  process.exit(1)
}
