// What is done to many channels at once: made, copied onto, sent, printed, found.
import assert from 'node:assert/strict'
import { after, before, test } from 'node:test'
import { openStage, pick, row, settles } from './stage.mjs'

let stage
let page
let id

before(async () => {
  stage = await openStage({ height: 900 })
  page = stage.page
  id = (await stage.post('/api/templates', { name: 'Weir Street' })).id
  const { head } = await stage.get(`/api/documents/${id}`)
  const edits = [
    { type: 'make-channel', wish: { kind: 'return', name: 'Stairwell' } },
    { type: 'make-channel', wish: { kind: 'audio', name: 'Fiddle', bare: true } },
    { type: 'make-channel', wish: { kind: 'audio', name: 'Viol', bare: true } },
    { type: 'add-insert', channel: 'fiddle', insert: { id: 'gate', processor: 'gate', settings: {} } },
    { type: 'set-pan', channel: 'fiddle', pan: -0.4 },
    { type: 'set-level', channel: 'fiddle', level: -7 },
    { type: 'set-note', channel: 'fiddle', note: 'Close to the bridge' },
  ]
  await stage.post(`/api/documents/${id}/edits`, { revision: head.revision, edits })
  await page.goto(`${stage.address}/templates/${id}`)
  await row(page, 'Fiddle').waitFor()
})

after(() => stage.close())

const channels = async () => (await stage.get(`/api/documents/${id}`)).channels.map((c) => c.channel)
const called = async (name) => (await channels()).find((c) => c.name === name)

test('four of a name are added in one act and numbered', async () => {
  await page.getByRole('button', { name: 'Add a channel' }).click()
  const dialog = page.getByRole('dialog', { name: 'Add a channel' })
  await dialog.getByLabel('Kind').selectOption('instrument')
  await dialog.getByLabel('Name').fill('Chime')
  await dialog.getByLabel('How many').fill('4')
  await dialog.getByRole('button', { name: /^Add/ }).click()
  await settles(async () => (await channels()).filter((c) => c.kind === 'instrument').map((c) => c.name), ['Chime 1', 'Chime 2', 'Chime 3', 'Chime 4'])
  assert.equal(new Set((await channels()).filter((c) => c.kind === 'instrument').map((c) => c.destination)).size, 1)
})

test('what was copied goes onto several: inserts and sends, and the level where it is wanted', async () => {
  await row(page, 'Fiddle').click()
  await page.keyboard.press('Control+c')
  await row(page, 'Chime 2').click()
  await page.keyboard.press('Shift+ArrowDown')
  await page.keyboard.press('Control+v')
  const dialog = page.getByRole('dialog', { name: 'Fiddle onto 2 channels' })
  await dialog.getByLabel(/Its level/).check()
  await page.keyboard.press('Enter')
  await dialog.waitFor({ state: 'hidden' })
  for (const name of ['Chime 2', 'Chime 3']) {
    const { inserts, level, pan } = await called(name)
    assert.deepEqual([inserts.map((i) => i.processor), level, pan], [['gate'], -7, 0], name)
  }
  assert.deepEqual((await called('Chime 4')).level, 0)
  await page.keyboard.press('Control+z')
  await settles(async () => (await called('Chime 2')).level, 0)
  assert.deepEqual((await called('Chime 2')).inserts.map((i) => i.processor).includes('gate'), false)
})

test('sends are closed for all where they are to wait', async () => {
  await row(page, 'Fiddle').click()
  await row(page, 'Viol').click({ modifiers: ['Control'] })
  await page.getByRole('checkbox', { name: 'closed for now' }).check()
  await pick(page, 'Add a send to all', 'Stairwell')
  await settles(async () => (await called('Fiddle')).sends.map((s) => [s.to, s.open]), [['stairwell', false]])
  assert.deepEqual((await called('Viol')).sends.map((s) => [s.to, s.open]), [['stairwell', false]])
})

test('several are printed by one render, as one step; their prints play, and the instruments come back', async () => {
  const revision = async () => (await stage.get(`/api/documents/${id}`)).head.revision
  const before = await revision()
  const acting = stage.actions.all
  await row(page, 'Chime 1').click()
  await row(page, 'Chime 3').click({ modifiers: ['Shift'] })
  await page.getByRole('button', { name: 'Print 3…' }).click()
  const dialog = page.getByRole('dialog', { name: 'Prints' })
  await dialog.getByText(/^3 prints by one render.*3 channels for them are made/).waitFor()
  await dialog.getByRole('button', { name: 'Print', exact: true }).click()
  await dialog.getByText(/^3 printed, as one step/).waitFor()
  assert.equal(stage.actions.since(acting), 4)
  assert.equal(await revision(), before + 1)
  const prints = (await channels()).filter((c) => c.starters.some((s) => s.through))
  assert.deepEqual(prints.map((c) => c.name), ['Chime 1 print', 'Chime 2 print', 'Chime 3 print'])
  const act = (await stage.get(`/api/documents/${id}`)).head.acts[0].id
  const states = async (name) => (await called(name)).stages[act] ?? 'on-stage'
  assert.deepEqual([await states('Chime 2'), await states('Chime 2 print')], ['in-the-wings', 'on-stage'])
  // The print stands where its instrument stood, with what it sent.
  const { level, pan, sends, destination } = await called('Chime 2')
  const print = await called('Chime 2 print')
  assert.deepEqual([print.level, print.pan, print.sends, print.destination], [level, pan, sends, destination])
  await dialog.getByRole('button', { name: 'Bring 3 instruments back' }).click()
  await settles(() => states('Chime 2'), 'on-stage')
  assert.equal(await states('Chime 2 print'), 'in-the-wings')
  await dialog.getByRole('button', { name: 'Close' }).last().click()
})

test('what has a note and what waits is found', async () => {
  await page.getByLabel('Show only').selectOption({ label: 'with a note (1)' })
  await row(page, 'Chime 1').waitFor({ state: 'detached' })
  assert.ok(await row(page, 'Fiddle').isVisible())
})

test('what differs from its default is found, and no more once it is brought back', async () => {
  const scope = { kind: 'audio', role: null, family: null }
  const { head } = await stage.get(`/api/documents/${id}`)
  // Chimes are instruments: the default is for audio channels, and follows the viol alone.
  const { edit } = await stage.post(`/api/documents/${id}/default-strips`, { scope, channel: (await called('Viol')).id })
  await stage.post(`/api/documents/${id}/edits`, { revision: head.revision, edits: [edit] })
  await page.getByLabel('Show only').selectOption('')
  await page.getByLabel('Show only').focus()
  await page.getByLabel('Show only').locator('option[value="has:altered"]').waitFor({ state: 'attached' })
  await page.getByLabel('Show only').selectOption('has:altered')
  await row(page, 'Viol').waitFor({ state: 'detached' })
  assert.ok(await row(page, 'Fiddle').isVisible())
  await row(page, 'Fiddle').click()
  await page.getByRole('button', { name: 'Back to the default' }).click()
  await row(page, 'Fiddle').waitFor({ state: 'detached' })
  assert.deepEqual((await called('Fiddle')).inserts, [])
  await page.keyboard.press('Control+z')
  await row(page, 'Fiddle').waitFor()
})

test('an audio channel becomes an instrument and back, and keeps its strip', async () => {
  await page.getByLabel('Show only').selectOption('')
  const before = await called('Fiddle')
  await row(page, 'Fiddle').click()
  await page.getByText('Role, width, polarity, hue, kind').click()
  await page.getByLabel('Kind of Fiddle').selectOption('instrument')
  await settles(async () => (await called('Fiddle')).kind, 'instrument')
  const now = await called('Fiddle')
  assert.deepEqual([now.inserts, now.sends, now.level, now.pan, now.note], [before.inserts, before.sends, before.level, before.pan, before.note])
  assert.equal(now.source.type, 'instrument')
  await page.keyboard.press('Control+z')
  await settles(() => called('Fiddle'), before)
})
