import { spawn, type ChildProcess } from 'node:child_process'
import { existsSync, readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { chromium, type Browser, type Page } from '@playwright/test'
import { launchOptions } from '../playwright.config'

/** A browser in a process group of its own, on a profile that outlives it: it can be killed as a power cut or a crash kills it. */
export class Killable {
  private constructor(
    private readonly process: ChildProcess,
    private readonly browser: Browser,
    readonly page: Page,
  ) {}

  static async launch(profile: string): Promise<Killable> {
    const portFile = join(profile, 'DevToolsActivePort')
    rmSync(portFile, { force: true })
    const args = [
      ...launchOptions.args,
      '--headless',
      '--remote-debugging-port=0',
      `--user-data-dir=${profile}`,
      'about:blank',
    ]
    const process = spawn(launchOptions.executablePath, args, { detached: true, stdio: 'ignore' })
    let port = ''
    for (let i = 0; i < 400 && port === ''; i++) {
      if (existsSync(portFile)) port = readFileSync(portFile, 'utf8').split('\n')[0] ?? ''
      if (port === '') await tick(25)
    }
    if (port === '') throw new Error('Chromium did not start')
    const browser = await chromium.connectOverCDP(`http://127.0.0.1:${port}`)
    const [context] = browser.contexts()
    if (!context) throw new Error('Chromium has no context')
    return new Killable(process, browser, await context.newPage())
  }

  /** SIGKILL to the whole process group: nothing gets to say goodbye. */
  async kill(): Promise<void> {
    const gone = new Promise((resolve) => this.process.once('exit', resolve))
    process.kill(-(this.process.pid ?? 0), 'SIGKILL')
    await gone
    await this.browser.close().catch(() => undefined)
  }
}

export const tick = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms))
