// Starts the real server on a free port of the loopback address and a browser that looks at it.
import assert from 'node:assert/strict'
import { cpSync, existsSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { basename, join } from 'node:path'
import { test } from 'node:test'
import { chromium } from 'playwright-core'
import { serve } from './serving.mjs'

// The shell without windows takes two thirds of the time; the whole program does the same where that is what there is.
const browsers = [process.env.CHROMIUM, '/usr/bin/chromium-headless-shell', '/usr/bin/chromium']
const executablePath = browsers.find((path) => path && existsSync(path))
const flags = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--no-first-run',
  // Tests press no key before they listen.
  '--autoplay-policy=no-user-gesture-required',
]

/** A whole job as somebody would do it, or much at once: it takes its time, and is for the long run. */
export const journey = process.env.HOME_STAGE_LONG ? test : test.skip

/** What is read comes this much later where somebody asks for it, as on a machine that has much to do; edits overtake it then. */
const lateMs = Number(process.env.HOME_STAGE_LATE ?? 0)

async function late(context, ms) {
  await context.route('**/api/**', async (route) => {
    const isRead = route.request().method() === 'GET' && !route.request().url().endsWith('/news')
    if (isRead) await new Promise((resolve) => setTimeout(resolve, ms))
    await route.continue().catch(() => undefined)
  })
}

export async function openStage({ width = 1280, height = 800 } = {}) {
  const data = mkdtempSync(join(tmpdir(), 'home-stage-browser-'))
  // The demo is put into a folder once where somebody did that; every stage begins with a copy.
  if (process.env.HOME_STAGE_SEEDED) cpSync(process.env.HOME_STAGE_SEEDED, data, { recursive: true })
  let server = await serve(data)
  const { address } = server
  const browser = await chromium.launch({ executablePath, args: flags })
  const context = await browser.newContext({ viewport: { width, height }, acceptDownloads: true, reducedMotion: 'reduce' })
  // The tests begin in the library, as somebody does who has been here before.
  await context.addInitScript(() => sessionStorage.setItem('home-stage-been-here', 'yes'))
  const actions = await counted(context)
  if (lateMs) await late(context, lateMs)
  const page = await context.newPage()
  // Long, for a busy machine: what is wrong fails all the same, only later.
  context.setDefaultTimeout(30_000)
  const troubles = []
  const strangers = []
  watch(page)

  function watch(which) {
    which.on('pageerror', (error) => troubles.push(error.message))
    which.on('console', (message) => {
      // A refusal is an answer that the tests ask for; the browser logs its status all the same.
      if (message.type() === 'error' && !/status of (409|422)/.test(message.text())) troubles.push(message.text())
    })
    which.on('request', (request) => {
      if (!request.url().startsWith(address) && !/^(data|blob):/.test(request.url())) strangers.push(request.url())
    })
  }

  async function close() {
    await browser.close()
    console.log(`actions in ${basename(process.argv[1]).split('.')[0]}: ${actions.all}`)
    await server.end()
    rmSync(data, { recursive: true, force: true })
  }

  /** Tells the server something, as a script would; throws where it is refused. */
  async function post(path, body) {
    const answer = await fetch(address + path, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) })
    assert.ok(answer.ok, `${path}: ${answer.status} ${answer.ok ? '' : await answer.text()}`)
    return answer.json()
  }

  /** Ends the server, lets somebody work on its folder meanwhile, and starts it again at the same address. */
  async function away(work) {
    await server.end()
    await work(data)
    server = await serve(data, Number(new URL(address).port))
  }

  return { address, data, away, actions, page, context, troubles, strangers, watch, close, get: (path) => fetch(address + path).then((r) => r.json()), post }
}

/**
 * Counts what a user does: each press of the mouse, each field that is filled in or chosen in, each key outside of a field.
 * @returns an object whose `all` goes up; `since(before)` says how many there were from then on
 */
async function counted(context) {
  const actions = { all: 0, since: (before) => actions.all - before }
  await context.exposeFunction('homeStageActed', () => actions.all++)
  await context.addInitScript(() => {
    const isField = (e) => e instanceof HTMLElement && e.matches('input:not([type=checkbox]):not([type=radio]), select, textarea')
    const count = () => globalThis.homeStageActed()
    addEventListener('pointerdown', (event) => isField(event.target) || count(), true)
    addEventListener('change', (event) => isField(event.target) && count(), true)
    addEventListener('keydown', (event) => isField(event.target) || ['Shift', 'Control', 'Alt', 'Meta'].includes(event.key) || count(), true)
  })
  return actions
}

/** Opens a template of the demo and waits for its rows. */
export async function openTemplate(stage, name) {
  await stage.page.goto(stage.address)
  await stage.page.getByRole('link', { name, exact: true }).click()
  await stage.page.getByRole('row', { name: /Mix bus/ }).waitFor()
}

/** The row of a channel by its name. */
export function row(page, name) {
  return page.getByRole('row').filter({ has: page.locator('.text', { hasText: new RegExp(`^${name}$`) }) })
}

/** A square wave of a sixteenth of the rate, one lane of 16 bits, as the RIFF/WAVE specification has it. */
export function waveFile(frames, rate) {
  const file = Buffer.alloc(44 + 2 * frames)
  file.write('RIFF', 0)
  file.writeUInt32LE(36 + 2 * frames, 4)
  file.write('WAVEfmt ', 8)
  for (const [at, value] of [[16, 16], [24, rate], [28, 2 * rate], [40, 2 * frames]]) file.writeUInt32LE(value, at) // prettier-ignore
  for (const [at, value] of [[20, 1], [22, 1], [32, 2], [34, 16]]) file.writeUInt16LE(value, at) // prettier-ignore
  file.write('data', 36)
  for (let i = 0; i < frames; i++) file.writeInt16LE(i % 16 < 8 ? 8000 : -8000, 44 + 2 * i)
  return file
}

/** Chooses from a list of ours: opens it, and presses the entry. */
export async function pick(scope, label, text) {
  const page = scope.page?.() ?? scope
  await scope.getByRole('combobox', { name: label, exact: true }).click()
  await page.locator('.p-select-overlay').getByRole('option', { name: text, exact: true }).click()
}

/** Lets what is asked at an address wait, as on a slow machine, while something is done. */
export async function slowly(page, address, work, ms = 900) {
  await page.route(address, async (route) => {
    await new Promise((resolve) => setTimeout(resolve, ms))
    await route.continue()
  })
  await work()
  await page.unrouteAll({ behavior: 'wait' })
}

/** Waits until something reads as it should, and says what it reads where it never does. */
export async function settles(read, expected) {
  for (let i = 0; i < 200; i++) {
    if (JSON.stringify(await read()) === JSON.stringify(expected)) return
    await new Promise((resolve) => setTimeout(resolve, 25))
  }
  assert.deepEqual(await read(), expected)
}
