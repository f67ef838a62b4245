// What is made in one template and kept by name is used in another, and offered there when it changes.
import assert from 'node:assert/strict'
import { after, before, test } from 'node:test'
import { seriousIn } from './serious.mjs'
import { openStage } from './stage.mjs'

let stage
let page
before(async () => {
  stage = await openStage()
  page = stage.page
})
after(() => stage.close())

async function created(name) {
  const answer = await page.request.post(`${stage.address}/api/templates`, { data: { name } })
  return (await answer.json()).id
}

const show = (id, place = 'outputs') => page.goto(`${stage.address}/templates/${id}/${place}`)
const channels = async (id) => (await stage.get(`/api/documents/${id}`)).channels.map((c) => c.channel)
const kitOf = async (id) => (await channels(id)).find((c) => c.source?.kit).source.kit

async function keep(name, button = /as a kit…$/) {
  await page.getByRole('button', { name: 'Shelf…' }).click()
  await page.getByRole('dialog', { name: 'Shelf', exact: true }).getByRole('button', { name: button }).click()
  const dialog = page.getByRole('dialog', { name: 'Keep on the shelf' })
  await dialog.getByLabel('Name').fill(name)
  await dialog.getByRole('button', { name: 'Keep it' }).click()
  await dialog.waitFor({ state: 'hidden' })
}

test('a kit is made, kept, put on another stage, changed at home and taken there too', async () => {
  const home = await created('Kiln')
  await show(home)
  await page.getByRole('button', { name: 'A machine of your own…' }).click()
  const machine = page.getByRole('dialog', { name: 'A machine of your own' })
  await machine.getByLabel('Name', { exact: true }).fill('Kiln set')
  await machine.getByLabel('Pieces').fill('Thump, Crack snare, Fizz hat, Ember bell')
  await machine.getByText('4 sources over').waitFor()
  await machine.getByRole('button', { name: 'Make it' }).click()
  await keep('Kiln set, four pieces')

  const away = await created('Ash')
  await show(away)
  await page.getByRole('button', { name: 'A kit from the shelf…' }).click()
  assert.deepEqual(await seriousIn(page), [])
  await page.getByRole('button', { name: 'Put on stage: Kiln set, four pieces' }).click()
  await page.getByRole('button', { name: 'Fire all' }).click()
  await page.getByText('Fired 4 of 4.').waitFor()
  await page.getByText('Each where it belongs.').waitFor()
  assert.deepEqual(await kitOf(away), await kitOf(home))

  await show(home)
  await page.getByRole('button', { name: /^Thump/ }).first().click()
  const side = page.getByRole('complementary')
  await side.getByLabel('Name', { exact: true }).fill('Thud')
  await side.getByLabel('Name', { exact: true }).press('Tab')
  await page.getByRole('button', { name: /^Thud/ }).first().waitFor()
  await page.route('**/api/shelf', async (route) => {
    await new Promise((answered) => setTimeout(answered, 900))
    await route.continue()
  })
  await page.getByRole('button', { name: 'Shelf…' }).click()
  await page.getByRole('button', { name: /as a kit…$/ }).click()
  // What came from the shelf goes back to where it came from, for whoever presses before the shelf has answered too.
  await page.getByRole('dialog', { name: 'Keep on the shelf' }).getByRole('button', { name: 'Keep it' }).click()
  const uses = page.getByRole('dialog', { name: 'Where Kiln set, four pieces is used' })
  await uses.getByLabel(/^Ash/).waitFor()
  await page.unroute('**/api/shelf')
  assert.equal(await uses.getByRole('checkbox').count(), 2)
  assert.deepEqual(await seriousIn(page), [])
  await uses.getByLabel(/^Ash/).check()
  await uses.getByText(/revision 2/).first().waitFor()
  await uses.getByRole('button', { name: 'Take it there' }).click()
  await uses.waitFor({ state: 'hidden' })
  assert.deepEqual((await kitOf(away)).pieces.map((p) => p.name), ['Thud', 'Crack snare', 'Fizz hat', 'Ember bell'])
  assert.deepEqual(stage.troubles, [])
})

test('the shelf is searched, renamed on, taken from as a file, brought back from one, and emptied with a way back', async () => {
  await page.getByRole('link', { name: 'Shelf' }).click()
  const name = page.getByLabel('Name of Kiln set, four pieces')
  await name.fill('Kiln, small')
  await name.press('Tab')
  await page.getByLabel('Name of Kiln, small').waitFor()
  assert.deepEqual(await seriousIn(page), [])
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'As a file: Kiln, small' }).click(),
  ])
  await page.getByRole('button', { name: 'Remove Kiln, small' }).click()
  await page.getByText(/can come back for thirty days/).waitFor()
  assert.equal(await page.getByLabel('Name of Kiln, small').count(), 0)
  await page.getByLabel('Items of a shelf as files').setInputFiles(await file.path())
  await page.getByLabel('Name of Kiln, small', { exact: true }).waitFor()
  await page.getByLabel('Search the shelf').fill('nothing like it')
  await page.getByText('Nothing on the shelf is called that.').waitFor()
  await page.getByLabel('Search the shelf').fill('kiln kit')
  assert.equal(await page.getByLabel(/^Name of/).count(), 1)
  await page.getByLabel('Items of a shelf as files').setInputFiles({ name: 'x.json', mimeType: 'application/json', buffer: Buffer.from('{}') })
  await page.getByRole('alert').getByText('its format is not named').waitFor()
})

test('a swap takes kits of the shelf and of other templates', async () => {
  const id = await created('Grate')
  await show(id)
  await page.getByRole('button', { name: 'A machine of your own…' }).click()
  const machine = page.getByRole('dialog', { name: 'A machine of your own' })
  await machine.getByLabel('Pieces').fill('Kick, Snare, Hat')
  await machine.getByText('3 sources over').waitFor()
  await machine.getByRole('button', { name: 'Make it' }).click()
  await page.getByRole('button', { name: 'Swap the kit…' }).click()
  const swap = page.getByRole('dialog', { name: 'Swap the kit' })
  const list = swap.getByLabel('Another kit')
  await list.locator('optgroup[label="In other templates"]').waitFor({ state: 'attached' })
  assert.deepEqual(await seriousIn(page), [])
  const texts = await list.locator('option').allTextContents()
  assert.ok(texts.some((t) => t.startsWith('Kiln, small')), texts.join('; '))
  await list.selectOption({ label: texts.find((t) => t.includes('in Ash')).trim() })
  await swap.getByRole('row', { name: /^Thud/ }).waitFor()
  await swap.getByRole('button', { name: 'Swap', exact: true }).click()
  await swap.waitFor({ state: 'hidden' })
  assert.deepEqual((await kitOf(id)).pieces.map((p) => p.name), ['Thud', 'Crack snare', 'Fizz hat', 'Ember bell'])
})

test('a set piece that was changed on the shelf is renewed line by line where it was put in', async () => {
  const source = await created('Foundry')
  const edits = (id, list) => stage.get(`/api/documents/${id}`).then(({ head }) => stage.post(`/api/documents/${id}/edits`, { revision: head.revision, edits: list }))
  const wish = (kind, name, under) => ({ type: 'make-channel', wish: { kind, name, under, bare: true } })
  await edits(source, [wish('bus', 'Anvils', 'mix-bus'), wish('instrument', 'Small anvil', 'anvils'), wish('instrument', 'Great anvil', 'anvils')])
  const part = { document: source, kind: 'set-piece', place: 'anvils', name: 'Anvil pair' }
  const kept = (await stage.post('/api/shelf', part)).item
  const target = await created('Smithy')
  await edits(target, (await stage.post(`/api/documents/${target}/shelf/${kept.id}`, {})).edits)
  await edits(target, [{ type: 'set-pan', channel: 'small-anvil', pan: -0.6 }])
  await edits(source, [
    { type: 'set-pan', channel: 'small-anvil', pan: 0.3 },
    { type: 'set-pan', channel: 'great-anvil', pan: 0.9 },
    { type: 'set-note', channel: 'great-anvil', note: 'Felt hammer' },
  ])
  const again = await fetch(`${stage.address}/api/shelf/${kept.id}`, { method: 'PUT', headers: { 'content-type': 'application/json' }, body: JSON.stringify(part) })
  assert.equal(again.status, 200)

  await page.goto(`${stage.address}/shelf`)
  await page.getByRole('button', { name: 'Where it is used: Anvil pair' }).click()
  const uses = page.getByRole('dialog', { name: 'Where Anvil pair is used' })
  await uses.getByLabel(/^Smithy/).check()
  await uses.getByLabel(/Small anvil.*you have set something of your own there/).waitFor()
  assert.equal(await uses.getByLabel(/Small anvil/).isChecked(), false)
  await uses.getByLabel(/note/i).uncheck()
  assert.deepEqual(await seriousIn(page), [])
  await uses.getByRole('button', { name: 'Take it there' }).click()
  await uses.waitFor({ state: 'hidden' })
  const strip = async (name) => (await stage.get(`/api/documents/${target}`)).channels.map((c) => c.channel).find((c) => c.name === name)
  assert.deepEqual([(await strip('Small anvil')).pan, (await strip('Great anvil')).pan, (await strip('Great anvil')).note], [-0.6, 0.9, ''])
  const [use] = await stage.get(`/api/shelf/${kept.id}/uses`)
  assert.equal(use.isBehind, false)
})
