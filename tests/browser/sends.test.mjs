// Who sends where: blocks of sends by keys and by dragging, what a return makes of them, one of them heard alone.
import assert from 'node:assert/strict'
import { after, before, test } from 'node:test'
import { journey, openStage, row, settles, slowly } from './stage.mjs'
import { seriousIn } from './serious.mjs'

let stage, page
before(async () => {
  stage = await openStage()
  page = stage.page
})
after(() => stage.close())

const dialog = (name) => page.getByRole('dialog', { name })
const idOf = () => page.url().match(/templates\/([^/]+)/)[1]
const channels = async () => (await stage.get(`/api/documents/${idOf()}`)).channels.map((r) => r.channel)
const named = async (name) => (await channels()).find((c) => c.name === name)
const sendsOf = async (name) => {
  const all = await channels()
  return all.find((c) => c.name === name).sends.map((s) => [all.find((c) => c.id === s.to).name, s.level, s.tap, s.open])
}
const cell = (from, to) => page.getByRole('gridcell', { name: new RegExp(`^${from} to ${to}`) })

async function emptyStage() {
  await page.goto(stage.address)
  await page.getByRole('button', { name: 'An empty stage' }).click()
  await row(page, 'Mix bus').waitFor()
}

async function add(kind, names) {
  await page.keyboard.press('n')
  const asked = dialog('Add a channel')
  await asked.getByLabel('Kind').selectOption(kind)
  await asked.getByLabel('Name').fill(names.join('; '))
  await page.keyboard.press('Enter')
  await asked.waitFor({ state: 'hidden' })
  await row(page, names.at(-1)).waitFor()
}

journey('a trigger, three ducked buses, a hall, a plate and an echo that feeds the hall, by intent alone, in 25 actions', async () => {
  await emptyStage()
  const began = stage.actions.all
  await add('bus', ['Brass bus', 'Clavinet bus', 'Drone bus'])
  await add('return', ['Turbine hall reverb', 'Tin plate reverb', 'Gantry echo'])

  await page.getByRole('link', { name: 'Ducking' }).click()
  await page.getByRole('button', { name: 'Make room…' }).click()
  const asked = { 'Brass bus': 5.5, 'Clavinet bus': 3, 'Drone bus': 8 }
  for (const [name, db] of Object.entries(asked)) {
    await dialog('Make room').getByLabel(name, { exact: true }).click()
    await dialog('Make room').getByLabel(`How far ${name} goes down`).fill(String(db))
    await dialog('Make room').getByLabel(`How far ${name} goes down`).blur()
  }
  await dialog('Make room').getByRole('button', { name: 'Make room' }).click()
  await page.getByText('3 duckers, all back before the next hit').waitFor()

  await page.getByRole('link', { name: 'Sends' }).click()
  await cell('Gantry echo', 'Turbine hall reverb').click()
  await page.keyboard.type('-7,5')
  await page.keyboard.press('Enter')
  await settles(() => sendsOf('Gantry echo'), [['Turbine hall reverb', -7.5, 'post', true]])
  const taken = stage.actions.since(began)
  console.log(`actions for a trigger, three ducked buses and three returns: ${taken}`)
  assert.ok(taken <= 25, `${taken} actions`)

  // The engine, asked beside the screen.
  const { duckers } = await stage.get(`/api/documents/${idOf()}/ducking?act=write`)
  for (const d of duckers) assert.ok(Math.abs(d.reading.depthDb - asked[d.name]) <= 0.2, `${d.name}: ${d.reading.depthDb} dB`)
  const { returns } = await stage.get(`/api/documents/${idOf()}/returns?act=write`)
  assert.deepEqual(returns.map((r) => r.name).sort(), ['Gantry echo', 'Tin plate reverb', 'Turbine hall reverb'])
  const panel = page.getByRole('complementary', { name: 'The chosen return' })
  const { reading: hall } = returns.find((r) => r.name === 'Turbine hall reverb')
  const { midSeconds, askedSeconds } = hall.reverbs[0]
  const decay = panel.locator('dt:text-is("Decay") + dd')
  await settles(async () => (await decay.innerText()).split('\n').map((t) => t.trim()), [`${midSeconds.toFixed(1)} s at 1 kHz`, `${askedSeconds.toFixed(1)} s asked`])
  assert.ok(hall.reverbs[0].midSeconds < hall.reverbs[0].askedSeconds)
  // Low and high cut after the effect: down by half its power at 200 Hz, little left at 40 Hz and 20 kHz, all of 1 kHz.
  assert.ok(Math.abs(hall.cutsDb[10] + 3.01) < 0.1 && hall.cutsDb[3] < -20 && hall.cutsDb[30] < -6 && Math.abs(hall.cutsDb[17]) < 0.2)

  await cell('Drone bus', 'Gantry echo').click()
  const echo = returns.find((r) => r.name === 'Gantry echo').reading.echoes[0]
  const settings = (await named('Gantry echo')).inserts.find((i) => i.processor === 'delay').settings
  const feedback = (settings['feedback-percent'] ?? 35) / 100
  assert.equal(echo.repeats, Math.ceil(60 / (-20 * Math.log10(feedback))))
  await panel.getByText(`${echo.repeats}, each −${(-20 * Math.log10(feedback)).toFixed(1)} dB`).waitFor()
  assert.deepEqual(await seriousIn(page), [])
})

test('a block is levelled, closed, moved before the fader and taken away; adding leaves what is there', async () => {
  await emptyStage()
  await add('bus', ['Oboe bus', 'Viola bus', 'Harp bus'])
  await add('return', ['Well reverb', 'Quarry slap'])
  await page.getByRole('link', { name: 'Sends' }).click()

  await cell('Viola bus', 'Well reverb').click()
  await page.keyboard.type('-3')
  await page.keyboard.press('Enter')
  await settles(() => sendsOf('Viola bus'), [['Well reverb', -3, 'post', true]])

  // Three rows by two columns, by keys: what is there stays.
  await cell('Oboe bus', 'Well reverb').click()
  for (const key of ['ArrowDown', 'ArrowDown', 'ArrowRight']) await page.keyboard.press(`Shift+${key}`)
  await page.keyboard.press('Enter')
  await settles(() => sendsOf('Viola bus'), [['Well reverb', -3, 'post', true], ['Quarry slap', -12, 'post', true]].sort())
  const everywhere = async () => (await Promise.all(['Oboe bus', 'Viola bus', 'Harp bus'].map(sendsOf))).flat()
  await settles(async () => (await everywhere()).length, 6)
  await page.keyboard.press('Alt+ArrowUp')
  await settles(async () => (await everywhere()).map((s) => s[1]).sort(), [-11, -11, -11, -11, -11, -2].sort())
  await page.keyboard.press('o')
  await settles(async () => (await everywhere()).some((s) => s[3]), false)
  await page.keyboard.press('p')
  await settles(async () => (await everywhere()).every((s) => s[2] === 'pre'), true)

  // What cannot be read changes nothing and is said.
  await page.keyboard.type('9')
  await page.keyboard.press('Enter')
  await page.getByText('A send takes −60.0 to 6.0 dB, or −∞.').waitFor()
  await page.keyboard.press('Escape')
  // A press elsewhere takes what was typed for the block that it was typed for, and leaves what cannot be read behind.
  await cell('Harp bus', 'Quarry slap').click()
  await page.keyboard.type('-30')
  await cell('Oboe bus', 'Well reverb').click()
  await settles(async () => (await sendsOf('Harp bus')).find((s) => s[0] === 'Quarry slap')[1], -30)
  assert.equal((await sendsOf('Oboe bus')).find((s) => s[0] === 'Well reverb')[1], -11)
  await page.keyboard.type('77')
  await cell('Harp bus', 'Well reverb').click()
  await page.getByText('A send takes').waitFor({ state: 'hidden' })

  // Dragged from one corner to the other.
  const from = await cell('Viola bus', 'Well reverb').boundingBox()
  const to = await cell('Harp bus', 'Quarry slap').boundingBox()
  await page.mouse.move(from.x + 20, from.y + 10)
  await page.mouse.down()
  await page.mouse.move(to.x + 20, to.y + 10, { steps: 5 })
  await page.mouse.up()
  await page.keyboard.press('Delete')
  await settles(everywhere, [['Well reverb', -11, 'pre', false], ['Quarry slap', -11, 'pre', false]].sort())
  await page.getByRole('button', { name: 'Undo' }).click()
  await settles(async () => (await everywhere()).length, 6)
})

test('what would come back to itself is hatched, and a block leaves it out', async () => {
  await emptyStage()
  await add('return', ['Granite room reverb', 'Ledge echo', 'Well reverb'])
  await page.getByRole('link', { name: 'Sends' }).click()
  await cell('Ledge echo', 'Granite room reverb').click()
  await page.keyboard.type('-9')
  await page.keyboard.press('Enter')
  const back = page.getByRole('gridcell', { name: 'Granite room reverb to Ledge echo: never, Ledge echo leads back to it' })
  await back.waitFor()
  // From its crossing with itself to the end: two of the three lead on, one would come back.
  await page.getByRole('columnheader', { name: 'Ledge echo' }).click()
  await page.keyboard.press('Enter')
  await settles(() => sendsOf('Well reverb'), [['Ledge echo', -12, 'post', true]])
  assert.deepEqual(await sendsOf('Granite room reverb'), [])
  await page.keyboard.type('-20')
  await page.keyboard.press('Enter')
  await settles(() => sendsOf('Well reverb'), [['Ledge echo', -20, 'post', true]])
  assert.deepEqual(await sendsOf('Granite room reverb'), [])
  assert.equal(await page.getByRole('alert').count(), 0)
})

test('one send is heard alone at its return, and all again', async () => {
  await page.goto(stage.address)
  await page.getByRole('link', { name: 'Night Ferry', exact: true }).click()
  await row(page, 'Mix bus').waitFor()
  await page.getByRole('link', { name: 'Sends' }).click()
  await cell('Wood blocks', 'Open water echo').click()
  const request = page.waitForRequest((r) => r.url().endsWith('/api/renders') && r.method() === 'POST')
  await page.keyboard.press('l')
  const asked = (await request).postDataJSON()
  assert.equal(asked.listenTo, 'open-water')
  const others = (await channels()).filter((c) => c.id !== 'wood-blocks' && c.sends.some((s) => s.to === 'open-water' && s.open)).map((c) => c.id)
  assert.ok(others.length > 1)
  assert.deepEqual(asked.trying.map((e) => [e.channel, e.send.to, e.send.open]).sort(), others.map((id) => [id, 'open-water', false]).sort())
  await page.getByText('You hear Wood blocks alone, in Open water echo.').waitFor()
  await page.getByRole('button', { name: 'All again' }).click()
  await page.getByText('You hear').waitFor({ state: 'hidden' })
  await page.getByRole('button', { name: 'Pause', exact: true }).click()
  // Whoever goes back to all before the one alone is there hears all of it.
  await slowly(page, /\/api\/renders$/, async () => {
    await cell('Frame drum', 'Quayside echo').click()
    await page.keyboard.press('l')
    await page.getByText('You hear Frame drum alone').waitFor()
    await page.getByRole('button', { name: 'All again' }).click()
    await page.waitForTimeout(2500)
    await page.getByRole('button', { name: 'Pause', exact: true }).click()
  })
})

test('the sends begin where the eye was: at the row of the chosen channel, or the column of the chosen return', async () => {
  const begun = () => page.locator('[role=grid] .focus').getAttribute('aria-label')
  await page.goto(stage.address)
  await page.getByRole('link', { name: 'Night Ferry', exact: true }).click()
  await row(page, 'Wood blocks').click()
  await page.getByRole('link', { name: 'Sends' }).click()
  await settles(async () => (await begun()).split(' to ')[0], 'Wood blocks')
  await page.getByRole('link', { name: 'Running order' }).click()
  await page.getByRole('searchbox', { name: 'Find a channel' }).fill('Quayside echo')
  await row(page, 'Quayside echo').click()
  await page.getByRole('link', { name: 'Sends' }).click()
  await settles(async () => (await begun()).split(':')[0].split(' to ')[1], 'Quayside echo')
})

journey('a thousand channels are drawn a screen at a time', async () => {
  await emptyStage()
  const id = idOf()
  const { revision } = (await stage.get(`/api/documents/${id}`)).head
  const edits = [
    ...Array.from({ length: 1000 }, (_, i) => ({ type: 'make-channel', wish: { kind: 'bus', name: `Stack ${i + 1}`, bare: true } })),
    { type: 'make-channel', wish: { kind: 'return', name: 'Shaft reverb' } },
  ]
  for (let at = 0; at < edits.length; at += 100)
    await fetch(`${stage.address}/api/documents/${id}/edits`, {
      method: 'POST',
      body: JSON.stringify({ revision: revision + at / 100, edits: edits.slice(at, at + 100) }),
      headers: { 'content-type': 'application/json' },
    })
  await page.reload()
  await page.getByRole('link', { name: 'Sends' }).click()
  await cell('Stack 1', 'Shaft reverb').click()
  await page.keyboard.press('End')
  await cell('Stack 1000', 'Shaft reverb').waitFor()
  assert.ok((await page.getByRole('row').count()) < 80)
  await page.keyboard.press('Home')
  await cell('Stack 1', 'Shaft reverb').click()
  await page.keyboard.press('Shift+End')
  await page.keyboard.type('-20')
  await page.keyboard.press('Enter')
  await settles(async () => (await channels()).filter((c) => c.sends.length === 1 && c.sends[0].level === -20).length > 990, true)
})
