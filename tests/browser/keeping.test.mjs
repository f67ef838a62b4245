// What is removed comes back, what is damaged is recovered, what is missing is brought again.
import assert from 'node:assert/strict'
import { readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { after, before, test } from 'node:test'
import { seriousIn } from './serious.mjs'
import { journey, openStage, settles, waveFile } from './stage.mjs'

let stage, page

before(async () => {
  stage = await openStage()
  page = stage.page
})
after(() => stage.close())

const post = (path, body) =>
  fetch(stage.address + path, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }).then((r) => r.json())

test('a template that is removed comes back at once, and later from the list of removed things', async () => {
  await post('/api/templates', { name: 'Foghorn exercises' })
  await page.goto(stage.address)
  const bill = page.getByRole('article', { name: 'Foghorn exercises' })

  await page.getByRole('button', { name: 'Remove Foghorn exercises' }).click()
  await bill.waitFor({ state: 'detached' })
  await page.getByRole('button', { name: 'Bring it back' }).click()
  await bill.waitFor()

  await page.getByRole('button', { name: 'Remove Foghorn exercises' }).click()
  await bill.waitFor({ state: 'detached' })
  await page.reload()
  await page.getByRole('button', { name: 'Removed', exact: true }).click()
  await page.getByRole('button', { name: 'Bring back Foghorn exercises' }).click()
  await page.getByText('Nothing was removed in the last thirty days.').waitFor()
  await page.keyboard.press('Escape')
  await bill.waitFor()
})

test('a song that is removed comes back', async () => {
  const [{ id: templateId }] = await stage.get('/api/templates')
  await post('/api/songs', { templateId, title: 'Buoy seven', tempoBpm: null, key: null })
  await page.goto(`${stage.address}/songs`)

  await page.getByRole('button', { name: 'Remove Buoy seven' }).click()
  await page.getByText('Buoy seven is removed.').waitFor()
  await page.getByRole('button', { name: 'Bring it back' }).click()

  await page.getByRole('link', { name: 'Buoy seven' }).waitFor()
})

test('a template that is based on another is offered what changes there, and keeps what it has set itself', async () => {
  const { id: parent } = await post('/api/templates', { name: 'Tug plan' })
  const bus = (id, name) => ({ type: 'add-channel', channel: { id, name, kind: 'bus', destination: 'mix-bus' } })
  const level = (channel, value) => ({ type: 'set-level', channel, level: value })
  await post(`/api/documents/${parent}/edits`, { revision: 0, edits: [bus('hulls', 'Hulls'), bus('ropes', 'Ropes'), bus('horns', 'Horns')] })
  await page.goto(stage.address)
  await page.getByRole('button', { name: 'Base one on it: Tug plan' }).click()
  await page.waitForURL(/\/templates\//)
  const child = page.url().split('/').at(-1)
  const levels = async () => Object.fromEntries((await stage.get(`/api/documents/${child}`)).channels.map((r) => [r.channel.name, r.channel.level]))
  assert.notEqual(child, parent)
  // Its own: the ropes at -7, and no horns.
  await post(`/api/documents/${child}/edits`, { revision: 0, edits: [level('ropes', -7), { type: 'remove-channel', channel: 'horns' }] })
  const edits = [level('hulls', -2), level('ropes', -4), level('horns', -1), { type: 'rename-channel', channel: 'hulls', name: 'Hull' }, bus('winch', 'Winch')]
  await post(`/api/documents/${parent}/edits`, { revision: 1, edits })

  await page.goto(stage.address)
  await page.getByRole('article', { name: 'Tug plan 2' }).getByText('based on Tug plan, which has changed since').waitFor()
  await page.goto(`${stage.address}/templates/${child}`)
  await page.getByRole('button', { name: '5 offered: changes in Tug plan' }).click()
  const line = (text) => page.getByRole('checkbox', { name: text })
  await line('Hulls: level').waitFor()
  assert.deepEqual(await Promise.all(['Hulls: level', 'Winch', 'Ropes: level −7.0 dB → −4.0 dB', 'Hulls is now called Hull', 'Horns'].map((t) => line(t).last().isChecked())), [true, true, false, false, false])
  assert.equal(await line('Horns').isDisabled(), true)
  assert.deepEqual(await seriousIn(page), [])
  await page.getByRole('button', { name: 'Take 2 over' }).click()
  await settles(levels, { Main: 0, 'Mix bus': 0, Hulls: -2, Ropes: -7, Winch: 0 })
  // What was left is not offered again; one undo takes all back, and it is offered again.
  await page.getByRole('button', { name: 'in Tug plan' }).waitFor({ state: 'detached' })
  await page.getByRole('button', { name: 'Undo' }).click()
  await settles(levels, { Main: 0, 'Mix bus': 0, Hulls: 0, Ropes: -7 })
  await page.getByRole('button', { name: '5 offered: changes in Tug plan' }).click()
  await page.getByRole('button', { name: 'Leave all of them' }).click()
  await page.getByRole('button', { name: 'in Tug plan' }).waitFor({ state: 'detached' })
  assert.deepEqual(await levels(), { Main: 0, 'Mix bus': 0, Hulls: 0, Ropes: -7 })
})

test('a template is found by what plays in it, called otherwise, copied', async () => {
  const { id } = await post('/api/templates', { name: 'Capstan' })
  const edits = [{ type: 'add-channel', channel: { id: 'hurdy', name: 'Wheel fiddle', kind: 'bus', destination: 'mix-bus' } }]
  await post(`/api/documents/${id}/edits`, { revision: 0, edits })
  await page.goto(stage.address)
  const bill = (name) => page.getByRole('article', { name, exact: true })
  await bill('Night Ferry').waitFor()
  await page.getByRole('searchbox').fill('wheel fid')
  await bill('Capstan').getByText('has Wheel fiddle').waitFor()
  assert.equal(await page.getByRole('article').count(), 1)

  await page.getByRole('button', { name: 'Rename Capstan' }).click()
  await page.keyboard.type('Windlass')
  await page.keyboard.press('Enter')
  await bill('Windlass').waitFor()
  await page.getByRole('button', { name: 'Copy Windlass' }).click()
  await bill('Windlass 2').getByText('has Wheel fiddle').waitFor()
  // The first of a category is what its songs begin from.
  await page.getByRole('searchbox').fill('')
  await page.getByRole('button', { name: 'Plays', exact: true }).click()
  await bill('Night Ferry, Small Hall').getByRole('button', { name: 'make it first of Plays' }).click()
  await page.getByRole('button', { name: 'Start a song from Night Ferry, Small Hall' }).waitFor()
  await page.getByRole('button', { name: 'All', exact: true }).click()
  await page.getByRole('button', { name: 'Start a song from First Rehearsal' }).waitFor()
  assert.deepEqual((await stage.get('/api/templates?find=wheel')).map((t) => t.name).sort(), ['Windlass', 'Windlass 2'])
})

journey('of many templates those are drawn that were scrolled to, and the last is found', async () => {
  for (let i = 1; i <= 110; i++) await stage.post('/api/templates', { name: `Lock gate ${i}` })
  await page.goto(stage.address)
  const bills = page.getByRole('article')
  await bills.first().waitFor()
  const all = (await stage.get('/api/templates')).length
  assert.ok((await bills.count()) < all)
  const last = page.getByRole('link', { name: 'An empty stage' }).or(page.getByRole('button', { name: /An empty stage/ }))
  await settles(async () => (await last.scrollIntoViewIfNeeded(), bills.count()), all)
  await page.getByLabel('Find a template').fill('lock gate 97')
  await settles(() => bills.count(), 1)
  await page.getByLabel('Find a template').fill('')
  await settles(async () => (await bills.count()) < all, true)
})

test('what most songs of a template have done is said, taken in, or not said again', async () => {
  const { id } = await post('/api/templates', { name: 'Weir plan' })
  const level = (channel, value) => ({ type: 'set-level', channel, level: value })
  await post(`/api/documents/${id}/edits`, { revision: 0, edits: ['weir', 'sluice'].map((n) => ({ type: 'add-channel', channel: { id: n, name: n, kind: 'bus', destination: 'mix-bus' } })) })
  for (const [title, edits] of Object.entries({ 'Leaf one': [level('weir', -3), level('sluice', 2)], 'Leaf two': [level('weir', -7), level('sluice', 3)], 'Leaf three': [level('weir', -4), level('sluice', 1)] })) {
    const { id: song } = await post('/api/songs', { templateId: id, title, tempoBpm: null, key: null })
    await post(`/api/documents/${song}/edits`, { revision: 0, edits })
  }
  await page.goto(`${stage.address}/templates/${id}`)
  await page.getByRole('button', { name: '2 reviews' }).click()
  const said = page.getByRole('list', { name: 'What its songs say' }).getByRole('listitem')
  await said.filter({ hasText: 'weir was turned down in all 3 songs, by 4 dB in the middle (3 to 7).' }).getByRole('button', { name: 'Take it in' }).click()
  await settles(async () => (await stage.get(`/api/documents/${id}`)).channels.find((r) => r.channel.id === 'weir').channel.level, -4)
  await settles(() => said.count(), 1)
  assert.deepEqual(await seriousIn(page), [])
  await said.getByRole('button', { name: 'Do not say it again' }).click()
  await page.getByText('They have no more to say.').waitFor()
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: /review/ }).waitFor({ state: 'detached' })

  // The songs' page says what each has changed, and plays from the list.
  await page.goto(`${stage.address}/songs`)
  const leaf = page.getByRole('row').filter({ hasText: 'Leaf two' })
  await leaf.getByText('2 things').waitFor()
  await leaf.getByText('weir: level 0.0 dB → −7.0 dB').waitFor()
  await page.getByRole('button', { name: 'Play Cold Berth' }).click()
  await page.getByRole('button', { name: 'Stop Cold Berth' }).click()
  await page.getByRole('link', { name: 'Leaf two' }).click()
  await page.getByRole('button', { name: 'Copy as a template' }).click()
  await page.waitForURL(/\/templates\//)
  await page.getByRole('heading', { name: 'Leaf two', level: 1 }).waitFor()
})

test('a sound that is lost is a blocker with its mend: the same file makes it whole, another is said to be another', async () => {
  const sound = await fetch(`${stage.address}/api/media?title=Gulls`, { method: 'POST', body: waveFile(4800, 48000) }).then((r) => r.json())
  const { id } = await post('/api/templates', { name: 'Gull practice' })
  await post(`/api/documents/${id}/edits`, {
    revision: 0,
    edits: [
      { type: 'add-channel', channel: { id: 'gulls', name: 'Gull loop', kind: 'audio', destination: 'mix-bus' } },
      { type: 'put-starter', channel: 'gulls', starter: { name: 'Gulls', sound, loops: true, level: 0, sections: [] } },
    ],
  })
  rmSync(join(stage.data, 'media', `${sound.content}.wav`))
  await page.goto(`${stage.address}/templates/${id}`)
  await page.getByRole('row', { name: /Gull loop/ }).click()

  const bring = page.getByLabel('The file of Gulls')
  await bring.setInputFiles({ name: 'other.wav', mimeType: 'audio/wav', buffer: waveFile(9600, 48000) })
  await page.getByText('other.wav: on the shelf now, but another sound').waitFor()
  await bring.setInputFiles({ name: 'gulls.wav', mimeType: 'audio/wav', buffer: waveFile(4800, 48000) })
  await page.getByRole('button', { name: 'Bring Gulls again' }).waitFor({ state: 'detached' })

  assert.equal((await stage.get(`/api/documents/${id}/findings?act=write`)).open.filter((f) => f.rule === 'sound-missing').length, 0)
})

test('a sound that nobody uses can be removed, and no other', async () => {
  await fetch(`${stage.address}/api/media?title=Nobody’s hum`, { method: 'POST', body: waveFile(2400, 48000) })
  await page.goto(stage.address)
  await page.getByRole('button', { name: 'Sounds', exact: true }).click()
  await page.getByRole('row', { name: /Gulls/ }).last().getByText('1 document').waitFor()
  assert.equal(await page.getByRole('button', { name: 'Remove Gulls' }).count(), 1, 'the other file of that name is used by nothing')

  await page.getByRole('button', { name: 'Remove Nobody’s hum' }).click()

  await page.getByRole('row', { name: /Nobody’s hum/ }).waitFor({ state: 'detached' })
  await page.keyboard.press('Escape')
})

test('a damaged template is listed with how far it can be read, and recovered from there', async () => {
  const { id } = await post('/api/templates', { name: 'Breakers' })
  for (const [revision, name] of ['First wave', 'Second wave', 'Third wave'].entries())
    await post(`/api/documents/${id}/edits`, { revision, edits: [{ type: 'rename-channel', channel: 'mix-bus', name }] })
  await stage.away((data) => {
    const file = join(data, readdirSync(data).find((f) => f.endsWith('stage.db')))
    const bytes = readFileSync(file)
    for (let at = bytes.indexOf('Third wave'); at >= 0; at = bytes.indexOf('Third wave', at + 1)) bytes.write('Third wxve', at)
    writeFileSync(file, bytes)
  })
  await page.goto(stage.address)

  await page.getByRole('article', { name: 'Breakers' }).getByRole('button', { name: 'Recover revision 2 as a new one' }).click()

  await page.getByRole('row', { name: /Second wave/ }).waitFor()
  assert.deepEqual(stage.troubles, [])
  assert.deepEqual(stage.strangers, [])
})
