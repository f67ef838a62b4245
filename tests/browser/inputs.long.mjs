// Listening the other way round: a pad is pressed outside, the input that lights is named.
import assert from 'node:assert/strict'
import { after, before, test } from 'node:test'
import { seriousIn } from './serious.mjs'
import { openStage, row, settles } from './stage.mjs'

const mostActions = 20
let stage
let page
let id
const names = async () =>
  (await stage.get(`/api/documents/${id}`)).channels.filter((c) => c.channel.source?.type === 'input').map((c) => c.channel.name)

before(async () => {
  stage = await openStage()
  page = stage.page
  const answer = await page.request.post(`${stage.address}/api/templates`, { data: { name: 'Coal shed' } })
  id = (await answer.json()).id
  // The box as its owner believes it to be cabled.
  const wish = {
    name: 'Coal box', list: 'Kick, Snare, Rim, Clap, Tom 1–3, Hat closed, Hat open, Crash, Ride, Shaker', jacks: 12, inPairs: false, firstInput: 1, firstReserved: false,
    sounds: [], allSounds: false, outputNames: [], monoSharesPairs: false, notesFrom: null, splitOver: null, under: null,
  } // prettier-ignore
  const machine = await (await page.request.post(`${stage.address}/api/documents/${id}/machines`, { data: wish })).json()
  await page.request.post(`${stage.address}/api/documents/${id}/edits`, { data: { revision: 0, edits: machine.edits } })
  await page.goto(`${stage.address}/templates/${id}`)
  await row(page, 'Coal box').waitFor()
})
after(() => stage.close())

test('every pad of a box that is cabled otherwise is pressed, and its inputs end up called after what lights them', async () => {
  const believed = await names()
  const from = stage.actions.all
  await page.getByRole('button', { name: 'Line check' }).click()
  await page.getByRole('button', { name: 'Listen to the inputs' }).click()
  const dialog = page.getByRole('dialog', { name: 'Listen to the inputs' })
  const pads = ['Kick', 'Snare', 'Rim', 'Clap', 'Tom 1', 'Tom 2', 'Tom 3', 'Hat closed', 'Hat open', 'Crash', 'Ride', 'Shaker']
  await dialog.getByRole('button', { name: 'Kick', exact: true }).waitFor()
  for (const pad of pads) {
    await dialog.getByRole('button', { name: pad, exact: true }).click()
    const call = dialog.getByRole('button', { name: `Call it ${pad}` })
    const right = dialog.getByText('as it should be')
    await call.or(right).waitFor()
    assert.equal(await dialog.locator('tr.lit').count(), 1)
    if (await call.isVisible()) await call.click()
    await right.waitFor()
  }
  const used = stage.actions.since(from)
  assert.ok(used <= mostActions, `${used} actions`)
  const now = await names()
  // Three pairs of cables are crossed in the simulated box.
  assert.equal(now.filter((name, i) => name !== believed[i]).length, 6)
  assert.deepEqual([...now].sort(), [...believed].sort())
  assert.deepEqual(await seriousIn(page), [])
})

test('an input that no channel takes is named by typing, and gets a channel under the same bus', async () => {
  const dialog = page.getByRole('dialog', { name: 'Listen to the inputs' })
  await dialog.getByLabel('Begins at input').fill('2')
  await dialog.getByLabel('Channel of input 13').fill('Spare cable')
  await dialog.getByLabel('Channel of input 13').press('Tab')
  await settles(async () => (await names()).at(-1), 'Spare cable')
  const { channels } = await stage.get(`/api/documents/${id}`)
  const [made, neighbour] = ['Spare cable', 'Kick'].map((n) => channels.find((c) => c.channel.name === n).channel)
  assert.deepEqual([made.source.first, made.destination], [13, neighbour.destination])
  await dialog.getByLabel('Begins at input').fill('120')
  await dialog.getByRole('alert').waitFor()
  await page.keyboard.press('Escape')
  await page.keyboard.press('Escape')
})

test('inputs have pads of their own, which sound by their path', async () => {
  await row(page, 'Clap').click()
  await page.getByRole('button', { name: 'Pads and keys' }).click()
  const strip = page.getByRole('region', { name: 'Pads and keys' })
  const heard = page.waitForResponse((r) => r.url().endsWith('/api/auditions'))
  await strip.getByRole('button', { name: 'Clap, input' }).click()
  assert.equal((await heard).status(), 200)
  assert.equal(await strip.getByRole('button', { name: /, input$/ }).count(), 13)
  assert.deepEqual(stage.troubles, [])
})
