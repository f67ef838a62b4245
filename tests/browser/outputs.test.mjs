// The drum machine, split: from an empty template to a kit on its outputs, heard, coarser, swapped, found fault with and mended.
import assert from 'node:assert/strict'
import { after, before, test } from 'node:test'
import { seriousIn } from './serious.mjs'
import { openStage, openTemplate, row } from './stage.mjs'

let stage
let page
let id
before(async () => {
  stage = await openStage()
  page = stage.page
})
after(() => stage.close())

const channels = async () => (await stage.get(`/api/documents/${id}`)).channels.map((c) => c.channel)
const splits = async () => (await channels()).filter((c) => c.kind === 'split')
const kit = async () => (await channels()).find((c) => c.kind === 'instrument').source.kit
const piece = (name) => page.locator('button.piece').filter({ has: page.locator('.name', { hasText: new RegExp(`^${name}$`) }) })

/** Looks again until it holds, at most half a minute. */
async function until(holds) {
  for (let left = 150; !(await holds()); left--) {
    assert.ok(left > 0, `It never came to: ${holds}`)
    await page.waitForTimeout(200)
  }
}

const serious = () => seriousIn(page)

test('a place without a kit says how to come by one', async () => {
  const made = await fetch(`${stage.address}/api/templates`, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify({ name: 'From nothing' }) })
  id = (await made.json()).id
  await page.goto(`${stage.address}/templates/${id}/outputs`)
  await page.getByRole('heading', { name: 'No kit here yet' }).waitFor()
  await page.getByRole('link', { name: 'add one of those that are built in' }).click()
  await row(page, 'Mix bus').waitFor()
})

/** All that leaves by an output: every microphone of every piece, and the far ones. */
const ways = ({ pieces, far = [] }) => [
  ...pieces.flatMap(({ name, microphones }) => microphones.map((m) => ({ name: m.name ? `${name} ${m.name}` : name, output: m.output }))),
  ...far.map(({ microphone }) => ({ name: microphone.name, output: microphone.output })),
]

test('a kit comes in and is heard whole on its first output', async () => {
  await page.getByRole('button', { name: 'Add a channel' }).click()
  const dialog = page.getByRole('dialog', { name: 'Add a channel' })
  await dialog.getByRole('combobox', { name: /^Instrument/ }).selectOption('tidewater-kit')
  await dialog.getByRole('button', { name: 'Add it' }).click()
  await row(page, 'Tidewater Kit').waitFor()
  await page.getByRole('link', { name: 'Outputs' }).click()
  await piece('Gong').waitFor()
  assert.ok(ways(await kit()).every((way) => way.output === 1))
})

test('by keys alone a plan is looked at, left, and applied in one act', async () => {
  const slider = page.getByLabel('Coarse to fine: outputs')
  await slider.focus()
  for (let i = 0; i < 6; i++) await page.keyboard.press('ArrowRight')
  await page.getByRole('heading', { name: '7 pairs' }).waitFor()
  assert.equal((await splits()).length, 0)
  const revision = (await stage.get(`/api/documents/${id}`)).head.revision
  await page.getByRole('button', { name: 'Split it so' }).focus()
  await page.keyboard.press('Enter')
  await until(async () => (await splits()).length === 7)
  assert.equal((await stage.get(`/api/documents/${id}`)).head.revision, revision + 1)
  const now = await kit()
  const { outputs } = now
  for (const split of await splits()) {
    assert.equal(split.name, outputs[split.source.output - 1].name)
    assert.equal(split.source.monitored, true)
    assert.ok(ways(now).some((way) => way.output === split.source.output))
  }
  const drums = (await channels()).find((c) => c.name === 'Drums')
  assert.ok(drums && (await channels()).find((c) => c.kind === 'instrument').destination === drums.id)
})

test('every piece is fired and arrives where it belongs', async () => {
  await page.getByRole('button', { name: 'Fire all' }).click()
  await page.getByText('Fired 14 of 14.').waitFor()
  await page.getByText('Each where it belongs.').waitFor()
})

test('one piece is heard through its own path while its row lights', async () => {
  const heard = page.waitForResponse((answer) => answer.url().endsWith('/api/auditions') && answer.ok())
  await piece('Gong').click()
  await heard
  await page.getByRole('heading', { name: 'Where it arrives' }).waitFor()
  await page.locator('.output.heard').first().waitFor()
})

test('coarser keeps the strip of what survives', async () => {
  const [first] = await splits()
  await fetch(`${stage.address}/api/documents/${id}/edits`, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify({ revision: (await stage.get(`/api/documents/${id}`)).head.revision, edits: [{ type: 'set-level', channel: first.id, level: -7.5 }] }) })
  await page.locator('h2', { hasText: 'Gong' }).waitFor()
  await until(async () => (await page.getByRole('button', { name: 'Undo' }).count()) > 0)
  await piece('Gong').focus()
  for (let i = 0; i < 4; i++) await page.keyboard.press(',')
  await page.getByRole('heading', { name: '3 pairs' }).waitFor()
  await page.getByRole('button', { name: 'Split it so' }).click()
  await until(async () => (await splits()).length === 3)
  assert.equal((await splits()).find((c) => c.id === first.id).level, -7.5)
})

test('another kit takes the splits that are there, after a report', async () => {
  const before = await splits()
  await page.getByRole('button', { name: 'Swap the kit…' }).click()
  const dialog = page.getByRole('dialog', { name: 'Swap the kit' })
  await dialog.getByLabel('Another kit').selectOption('built-in:tidewater-kit-deep')
  await dialog.getByRole('rowheader', { name: 'Overheads' }).waitFor()
  await dialog.getByRole('button', { name: 'Swap', exact: true }).click()
  await piece('Overheads').waitFor()
  const now = await splits()
  for (const split of before) assert.deepEqual(now.find((c) => c.id === split.id), split)
  assert.equal(ways(await kit()).length, 24)
})

test('a piece that is to stay alone is found to share, and the mend gives it an output', async () => {
  await piece('Clap').focus()
  await page.keyboard.press('Enter')
  await page.keyboard.press('a')
  await page.getByText('Clap is to have an output to itself').waitFor()
  await page.getByRole('button', { name: /^Split Tidewater Kit over/ }).click()
  await page.getByText('This finding goes.').waitFor()
  await page.getByRole('button', { name: 'Do it' }).click()
  await page.getByText('Clap is to have an output to itself').waitFor({ state: 'detached' })
  const now = ways(await kit())
  const clap = now.find((way) => way.name === 'Clap')
  assert.deepEqual(now.filter((way) => way.output === clap.output).map((way) => way.name), ['Clap'])
})

test('axe: the outputs, in both themes', async () => {
  for (const theme of ['Printed', 'Lamplit']) {
    assert.deepEqual(await serious(), [])
    await page.getByRole('button', { name: theme }).click()
  }
})

test('everything is fired: sources down, channels across, and what a mute takes away is said', async () => {
  await fetch(`${stage.address}/api/documents/${id}/edits`, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify({ revision: (await stage.get(`/api/documents/${id}`)).head.revision, edits: [{ type: 'set-mute', channel: (await splits()).find((c) => c.name === 'Clap').id, muted: true }] }) })
  await page.getByRole('button', { name: 'Line check' }).click()
  const dialog = page.getByRole('dialog', { name: 'Line check' })
  await dialog.getByText('22 pieces, instruments and inputs run in this act').waitFor()
  await dialog.getByRole('button', { name: 'Fire everything' }).click()
  await dialog.getByText('1 of 22 are wrong.').waitFor()
  await dialog.getByText(/^Clap: not on Clap/).waitFor()
  assert.equal(await dialog.getByRole('row').count(), 23)
  assert.deepEqual(await serious(), [])
  await page.keyboard.press('Escape')
})

test('22 pieces and two microphones stand on one screen without scrolling', async () => {
  await openTemplate(stage, 'Night Ferry')
  await page.goto(`${stage.address}/templates/${id}/outputs`)
  await piece('Hand bells').waitFor()
  const cut = await page.evaluate(() => [...document.querySelectorAll('button.piece .name')].filter((n) => n.scrollWidth > n.clientWidth).map((n) => n.textContent))
  assert.deepEqual(cut, [])
  const last = await piece('Hand bells').boundingBox()
  const frame = await page.locator('.frame').boundingBox()
  assert.ok(last.y + last.height <= frame.y + frame.height + 1)
  assert.ok(last.height >= 19)
})

test('nothing was logged and nothing foreign asked for', () => {
  assert.deepEqual(stage.troubles, [])
  assert.deepEqual(stage.strangers, [])
})
