// Room that is made by intent: who gives way, how far and until when; what it takes is worked out and measured.
import assert from 'node:assert/strict'
import { after, before, test } from 'node:test'
import { openStage, openTemplate, row, settles, slowly } from './stage.mjs'
import { seriousIn } from './serious.mjs'

let stage, page
before(async () => {
  stage = await openStage()
  page = stage.page
})
after(() => stage.close())

const idOf = () => page.url().match(/s\/([^/]+)\/ducking/)[1]
const measured = async () => (await stage.get(`/api/documents/${idOf()}/ducking?act=write`)).duckers
const near = (value, wanted, tolerance) => Math.abs(value - wanted) <= tolerance

/** Buses on an empty stage, and the screen of who gives way. */
async function buses(names) {
  await page.goto(stage.address)
  await page.getByRole('button', { name: 'An empty stage' }).click()
  await row(page, 'Mix bus').waitFor()
  await page.keyboard.press('n')
  const dialog = page.getByRole('dialog', { name: 'Add a channel' })
  await dialog.getByLabel('Kind').selectOption('bus')
  await dialog.getByLabel('Name').fill(names.join('; '))
  await page.keyboard.press('Enter')
  await dialog.waitFor({ state: 'hidden' })
  await row(page, names.at(-1)).waitFor()
  await page.getByRole('link', { name: 'Ducking' }).click()
}

test('three buses give way to a new trigger, each as far as asked, in one dialog', async () => {
  await buses(['Marimba bus', 'Low drone', 'Choir of saws'])
  const began = stage.actions.all
  await page.getByRole('button', { name: 'Make room…' }).click()
  const dialog = page.getByRole('dialog', { name: 'Make room' })
  const asked = { 'Marimba bus': 4.5, 'Low drone': 9, 'Choir of saws': 3 }
  for (const [name, db] of Object.entries(asked)) {
    await dialog.getByLabel(name, { exact: true }).click()
    const depth = dialog.getByLabel(`How far ${name} goes down`)
    await depth.fill(String(db))
    await depth.blur()
  }
  await dialog.getByLabel('They are back by').fill('1/8D')
  await dialog.getByLabel('They are back by').blur()
  await dialog.getByRole('button', { name: 'Make room' }).click()
  await dialog.waitFor({ state: 'hidden' })
  await page.getByText('3 duckers, all back before the next hit').waitFor()
  const taken = stage.actions.since(began)
  assert.ok(taken <= 12, `${taken} actions`)

  // The engine itself, asked beside the screen: a dotted eighth at 120 is 375 ms.
  for (const ducker of await measured()) {
    assert.ok(near(ducker.reading.depthDb, asked[ducker.name], 0.2), `${ducker.name} goes down ${ducker.reading.depthDb} dB`)
    assert.ok(near(ducker.reading.backMs, 375, 2), `${ducker.name} is back after ${ducker.reading.backMs} ms`)
  }
  const channels = (await stage.get(`/api/documents/${idOf()}`)).channels.map((r) => r.channel)
  const trigger = channels.find((c) => c.kind === 'trigger')
  assert.equal(trigger.destination, null)
  assert.equal(trigger.feeds.length, 3)
  assert.deepEqual(await seriousIn(page), [])
})

test('one of them is asked for anew, and says what is in the way', async () => {
  await page.getByRole('button', { name: /Low drone gives way to Trigger/ }).click()
  const depth = page.getByRole('spinbutton', { name: 'This deep' })
  await depth.fill('12')
  await depth.blur()
  await page.getByRole('button', { name: 'Set it so' }).click()
  await settles(async () => near((await measured()).find((d) => d.name === 'Low drone').reading.depthDb, 12, 0.2), true)

  const back = page.getByRole('spinbutton', { name: 'Back by' })
  await back.fill('1/2')
  await back.blur()
  await page.getByRole('button', { name: 'Set it so' }).click()
  await page.getByText(/^The next hit comes first/).waitFor()
  const drone = (await measured()).find((d) => d.name === 'Low drone').reading
  assert.ok(drone.recovers && drone.backMs < 500)
})

test('depth and end are dragged on the curve, or moved by keys, and what is set and measured stands beside', async () => {
  const drone = async () => (await measured()).find((d) => d.name === 'Low drone').reading
  const before = await drone()
  const box = async (name) => page.getByRole('slider', { name }).boundingBox()
  const drag = async (name, byX, byY) => {
    const { x, y, width, height } = await box(name)
    await page.mouse.move(x + width / 2, y + height / 2)
    await page.mouse.down()
    await page.mouse.move(x + width / 2 + byX, y + height / 2 + byY, { steps: 8 })
    await page.mouse.up()
  }
  // A press alone asks for nothing.
  const edits = []
  page.on('request', (r) => r.url().endsWith('/edits') && edits.push(r.url()))
  const solved = []
  page.on('request', (r) => r.url().endsWith('/ducking/solve') && solved.push(r.url()))
  await page.getByRole('slider', { name: 'How far down' }).click()
  await page.waitForTimeout(300)
  assert.deepEqual([...edits, ...solved], [])
  // A third of the way up takes a third of the depth away; half a dB is the step.
  const plot = await page.getByRole('group', { name: /^Down/ }).boundingBox()
  await drag('How far down', 0, -190 / 3)
  await settles(async () => (await drone()).depthDb < before.depthDb - 2, true)
  const shallow = await drone()
  assert.ok(near((shallow.depthDb * 2) % 1, 0, 0.4) || near((shallow.depthDb * 2) % 1, 1, 0.4), `${shallow.depthDb} dB`)

  // A sixteenth at 120 is 125 ms; the bar of two seconds is as wide as the plot without its margins.
  const wide = plot.width - 50
  await drag('When it is back', ((250 - shallow.backMs) / 2000) * wide, 0)
  await settles(async () => near((await drone()).backMs, 250, 2), true)
  assert.ok(near((await drone()).depthDb, Math.round(shallow.depthDb * 2) / 2, 0.2))

  await page.getByRole('slider', { name: 'How far down' }).press('ArrowDown')
  await settles(async () => near((await drone()).depthDb, Math.round(shallow.depthDb * 2) / 2 + 0.5, 0.2), true)
  // Whoever goes on before the screen has measured anew goes on from what was asked, not from what is still drawn.
  await slowly(page, /\/ducking\?/, async () => {
    for (const key of ['ArrowDown', 'ArrowDown', 'ArrowUp', 'ArrowDown'])
      await page.getByRole('slider', { name: 'How far down' }).press(key)
    await page.getByRole('slider', { name: 'When it is back' }).press('ArrowRight')
    await settles(async () => near((await drone()).depthDb, Math.round(shallow.depthDb * 2) / 2 + 1.5, 0.2), true)
    await settles(async () => (await drone()).backMs > 260, true)
  })
  const deep = (await drone()).depthDb
  assert.ok(near(deep, Math.round(shallow.depthDb * 2) / 2 + 1.5, 0.2), `${deep} dB`)
  const set = page.getByLabel('The chosen ducker')
  assert.match(await set.innerText(), /Threshold\s+−?\d+(\.\d+)? dB[\s\S]*Release\s+\d+(\.\d+)? ms[\s\S]*Key tone\s+31.3 ms[\s\S]*Measured/)
  assert.deepEqual(await seriousIn(page), [])
})

test('a kit plays steps that were set without a file, and a bus gives way to its kick alone', async () => {
  await buses(['Tin choir'])
  await page.getByRole('link', { name: 'Running order' }).click()
  await page.keyboard.press('n')
  const adding = page.getByRole('dialog', { name: 'Add a channel' })
  await adding.getByLabel('Kind').selectOption('instrument')
  await adding.getByLabel('Name').fill('Barrel drums')
  await page.keyboard.press('Enter')
  await adding.waitFor({ state: 'hidden' })
  await page.getByRole('heading', { name: 'Barrel drums', level: 2 }).waitFor()
  const began = stage.actions.all

  // By keys: a kick on the one and, three sixteenths on, a softer one; by name: snares; by drawing: hats.
  await page.getByRole('button', { name: 'Steps…' }).click()
  const steps = page.getByRole('dialog', { name: 'Steps for Barrel drums' })
  await steps.waitFor()
  await settles(() => page.evaluate(() => document.activeElement.ariaLabel), 'Kick, step 1, a rest')
  for (const key of ['Space', 'ArrowRight', 'ArrowRight', 'ArrowRight', 'Space', '-', '-', 'ArrowDown']) await page.keyboard.press(key)
  assert.deepEqual(await seriousIn(page), [])
  await steps.getByRole('button', { name: 'the backbeat' }).click()
  const hat = (step) => steps.getByRole('gridcell', { name: new RegExp(`^Hat closed, step ${step},`) }).boundingBox()
  const [first, last] = [await hat(1), await hat(8)]
  await page.mouse.move(first.x + 5, first.y + 5)
  await page.mouse.down()
  await page.mouse.move(last.x + 5, last.y + 5, { steps: 20 })
  await page.mouse.up()
  await steps.getByRole('button', { name: 'Keep it' }).click()
  await steps.waitFor({ state: 'hidden' })
  const id = page.url().split('/').pop()
  const played = async () => (await stage.get(`/api/documents/${id}`)).channels.find((r) => r.channel.name === 'Barrel drums').channel.patterns[0]
  const of = async (number) => (await played()).notes.filter((n) => n.number === number).map((n) => [n.startTick, n.velocity])
  assert.deepEqual(await of(36), [[0, 100], [720, 80]]) // prettier-ignore
  assert.deepEqual(await of(38), [[960, 100], [2880, 100]]) // prettier-ignore
  assert.deepEqual((await of(42)).map(([tick]) => tick / 240), [0, 1, 2, 3, 4, 5, 6, 7])

  // Another under the same name would take its place unseen.
  const counted = stage.actions.all
  await page.getByRole('button', { name: 'Steps…' }).click()
  await steps.getByLabel('Name').fill('Steps')
  await steps.getByRole('gridcell', { name: 'Kick, step 1, a rest' }).click()
  await steps.getByRole('button', { name: 'Keep it' }).click()
  await steps.getByText('There is a starter called Steps already.').waitFor()
  await page.keyboard.press('Escape')
  await steps.waitFor({ state: 'hidden' })
  assert.equal((await of(36)).length, 2)
  const aside = stage.actions.since(counted)

  await page.getByRole('link', { name: 'Ducking' }).click()
  await page.getByRole('button', { name: 'Make room…' }).click()
  const room = page.getByRole('dialog', { name: 'Make room' })
  await room.getByLabel('It strikes with').selectOption({ label: 'Barrel drums' })
  await room.getByLabel('Kick', { exact: true }).click()
  await room.getByLabel('They follow').selectOption({ label: 'its notes: each restarts a drawn curve' })
  await room.getByLabel('Tin choir', { exact: true }).click()
  await room.getByRole('button', { name: 'Make room' }).click()
  await room.waitFor({ state: 'hidden' })
  await page.getByRole('button', { name: /Tin choir gives way to Barrel drums/ }).waitFor()
  const [ducker] = await measured()
  // Two kicks in a bar of two seconds: at nothing and at three sixteenths.
  assert.deepEqual(ducker.reading.hitSeconds.map((s) => Math.round(s * 1000)), [0, 375])
  assert.ok(near(ducker.reading.depthDb, 6, 0.2) && near(ducker.reading.backMs, 250, 2), JSON.stringify(ducker.reading.backMs))
  const taken = stage.actions.since(began) - aside
  assert.ok(taken <= 22, `${taken} actions`)
})

test('a rhythm is kept with its groove, and strikes the same things on another kit', async () => {
  await page.getByRole('link', { name: 'Running order' }).click()
  await row(page, 'Barrel drums').click()
  await page.getByRole('button', { name: 'Keep Steps on the shelf' }).click()
  const keeping = page.getByRole('dialog', { name: 'Keep on the shelf' })
  await keeping.getByLabel('Name').fill('Cooper’s gait')
  await page.keyboard.press('Enter')
  await keeping.waitFor({ state: 'hidden' })

  await page.keyboard.press('n')
  const adding = page.getByRole('dialog', { name: 'Add a channel' })
  await adding.getByLabel('Instrument').last().selectOption('tidewater-kit')
  await adding.getByLabel('Name').fill('Chapel bells')
  await page.keyboard.press('Enter')
  await adding.waitFor({ state: 'hidden' })
  await page.getByRole('heading', { name: 'Chapel bells', level: 2 }).waitFor()
  const list = page.getByLabel('A rhythm of the shelf')
  await list.selectOption({ label: (await list.locator('option', { hasText: 'Cooper’s gait' }).textContent()).trim() })
  await page.getByRole('button', { name: 'Steps', exact: true }).waitFor()
  const id = page.url().split('/').pop()
  const { channels } = await stage.get(`/api/documents/${id}`)
  const of = (name) => channels.find((r) => r.channel.name === name).channel
  const noteOf = (name) => of('Chapel bells').source.kit.pieces.find((p) => p.name === name).note
  assert.equal(of('Chapel bells').patterns[0].notes.length, of('Barrel drums').patterns[0].notes.length)
  assert.deepEqual(of('Chapel bells').patterns[0].notes.filter((n) => n.number === noteOf('Deep drum')).map((n) => [n.startTick, n.velocity]), [[0, 100], [720, 80]]) // prettier-ignore
})

test('the demo’s duckers are measured over the section that is chosen', async () => {
  await openTemplate(stage, 'Night Ferry')
  await page.getByRole('link', { name: 'Ducking' }).click()
  // The echo stays down from word to word while the narrator speaks.
  await page.getByText('3 duckers, 1 still down at the next hit').waitFor()
  await page.getByRole('figure').getByText('Bass, for Pulse trigger').waitFor()
  await page.getByRole('button', { name: /Bass gives way to Pulse trigger/ }).press('ArrowDown')
  await page.getByRole('figure').getByText('Instruments, for Pulse trigger').waitFor()
})

test('nothing was fetched from elsewhere and nothing went wrong in the console', () => {
  assert.deepEqual(stage.strangers, [])
  assert.deepEqual(stage.troubles, [])
})

test('taking out what is fed says whose feed goes with it, and undo brings both back', async () => {
  await page.goto(stage.address)
  await page.getByRole('link', { name: 'Night Ferry', exact: true }).click()
  await row(page, 'Bass').click()
  const id = page.url().split('/').pop()
  const channelsOf = async () => (await stage.get(`/api/documents/${id}`)).channels.map((r) => r.channel)
  const feeds = async () => (await channelsOf()).find((c) => c.id === 'pulse').feeds.map((f) => f.channel).sort()
  assert.deepEqual(await feeds(), ['bass', 'instruments'])
  await page.getByRole('button', { name: 'Compressor keyed' }).click()
  await page.getByRole('button', { name: 'Take it out' }).click()
  await page.getByText('Pulse trigger feeds it no more').waitFor()
  await settles(feeds, ['instruments'])
  await page.getByRole('button', { name: 'Undo' }).click()
  await settles(feeds, ['bass', 'instruments'])
})
