// Values as people type, step and drag them; the whole screen by keys alone.
import assert from 'node:assert/strict'
import { after, before, test } from 'node:test'
import { openStage, openTemplate, pick, row, settles } from './stage.mjs'

let stage
let page
before(async () => {
  stage = await openStage()
  page = stage.page
  await openTemplate(stage, 'First Rehearsal')
})
after(() => stage.close())

const level = () => page.getByRole('spinbutton', { name: 'Level of Kick, dB' })
const pan = () => page.getByRole('spinbutton', { name: 'Pan of Kick' })

async function kick() {
  const id = page.url().split('/').pop()
  return (await stage.get(`/api/documents/${id}`)).channels.find((c) => c.channel.id === 'kick').channel
}

/** Waits until the server holds what the screen says, since an edit is on its way for a moment. */

for (const [typed, stored, shown] of [
  ['-7.5', -7.5, '−7.5'],
  ['−12', -12, '−12.0'],
  ['-3,5 dB', -3.5, '−3.5'],
  ['−∞', null, '−∞'],
  ['-20', -20, '−20.0'],
  ['off', null, '−∞'],
  ['6', 6, '6.0'],
])
  test(`a level typed as “${typed}” is ${shown} dB`, async () => {
    await level().fill(typed)
    await level().press('Enter')
    await settles(async () => (await kick()).level, stored)
    await settles(() => level().inputValue(), shown)
  })

for (const typed of ['99', '-61', 'nonsense', '1.2k', '-3 LU', '1/8'])
  test(`a level typed as “${typed}” changes nothing, and the field says what it takes`, async () => {
    await level().fill(typed)
    await level().press('Enter')
    await page.getByRole('alert').getByText(`“${typed}” is not taken: −60.0 to 6.0 dB, or −∞`).waitFor()
    assert.equal(await level().inputValue(), '6.0')
    await page.waitForTimeout(100)
    assert.equal((await kick()).level, 6)
  })

test('a pan that is none is said beside its field', async () => {
  await pan().fill('-100')
  await pan().press('Enter')
  await page.getByRole('alert').getByText('100 L to 100 R, or C for the centre').waitFor()
  await pan().press('Escape')
})

for (const [typed, stored, shown] of [
  ['30 L', -0.3, '30 L'],
  ['r 45', 0.45, '45 R'],
  ['c', 0, 'C'],
  ['100 r', 1, '100 R'],
])
  test(`a pan typed as “${typed}” is ${shown}`, async () => {
    await pan().fill(typed)
    await pan().press('Enter')
    await settles(async () => (await kick()).pan, stored)
    await settles(() => pan().inputValue(), shown)
  })

test('a value that is typed and left at once is one revision', async () => {
  const id = page.url().split('/').pop()
  const revision = (await stage.get(`/api/documents/${id}`)).head.revision
  await level().fill('-9')
  await level().press('Enter')
  await pan().focus()
  await pan().press('Tab')
  await settles(async () => (await kick()).level, -9)
  await page.waitForTimeout(300)
  assert.equal((await stage.get(`/api/documents/${id}`)).head.revision, revision + 1)
  await level().fill('6')
  await level().press('Enter')
  await settles(async () => (await kick()).level, 6)
})

test('Escape leaves a value as it was', async () => {
  await level().fill('-40')
  await level().press('Escape')
  await level().blur()
  assert.equal(await level().inputValue(), '6.0')
  assert.equal((await kick()).level, 6)
})

test('a value is dragged along a line, and the drag is one revision', async () => {
  const id = page.url().split('/').pop()
  const revision = (await stage.get(`/api/documents/${id}`)).head.revision
  const box = await level().boundingBox()
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
  await page.mouse.move(x, y)
  await page.mouse.down()
  for (let i = 1; i <= 10; i++) await page.mouse.move(x - 4 * i, y)
  await page.mouse.up()
  // Ten steps of half a dB to the left.
  await settles(async () => (await kick()).level, 1)
  assert.equal((await stage.get(`/api/documents/${id}`)).head.revision, revision + 1)
})

test('a value says what it is to a screen reader', async () => {
  await row(page, 'Kick').click()
  await page.getByRole('button', { name: 'Compressor', exact: true }).click()
  const threshold = page.getByRole('spinbutton', { name: 'Threshold of Compressor' })
  assert.equal(await threshold.getAttribute('aria-valuetext'), '−16 dB')
  assert.deepEqual([await threshold.getAttribute('aria-valuemin'), await threshold.getAttribute('aria-valuemax')], ['-60', '0'])
})

test('a parameter is stepped by the arrow keys within its range', async () => {
  const ratio = page.getByRole('spinbutton', { name: 'Ratio of Compressor' })
  await ratio.fill('1.1')
  await ratio.press('Enter')
  for (let i = 0; i < 4; i++) await ratio.press('ArrowDown')
  await settles(async () => (await kick()).inserts.find((i) => i.id === 'comp').settings.ratio, 1)
})

test('lengths and frequencies are typed as people write them, and stepped by notes and semitones', async () => {
  await pick(page, 'Add a processor', 'Delay')
  const delay = async () => (await kick()).inserts.find((i) => i.processor === 'delay').settings
  const field = (name) => page.getByRole('spinbutton', { name, exact: true })
  const type = async (name, text) => {
    await field(name).fill(text)
    await field(name).press('Enter')
  }
  // The template runs at 96: a quarter takes 625 ms.
  for (const [text, quarters, shown] of [['1/8T', 1 / 3, '1/8T'], ['dotted eighth', 0.75, '1/8D'], ['500 ms', 0.8, '0.8'], ['312,5ms', 0.5, '1/8']]) {
    await type('Left tap of Delay', text)
    await settles(async () => (await delay())['left-quarters'], quarters)
    await settles(() => field('Left tap of Delay').inputValue(), shown)
  }
  await field('Left tap of Delay').press('ArrowUp')
  await settles(async () => (await delay())['left-quarters'], 2 / 3)
  await type('Loop high cut at of Delay', '1.2k')
  await settles(async () => (await delay())['high-cut-hz'], 1200)
  await field('Loop high cut at of Delay').press('ArrowUp')
  await settles(async () => (await delay())['high-cut-hz'], 1270)
  await type('Loop low cut at of Delay', '500 ms')
  await page.getByRole('alert').getByText('“500 ms” is no frequency. It takes 20 to 2000 Hz.').waitFor()
  assert.equal((await delay())['low-cut-hz'], undefined)
  await field('Loop low cut at of Delay').press('Escape')
  await page.keyboard.press('Control+z')
})

test('a value that a lever or a curve holds says so, and what typing there does', async () => {
  const id = page.url().split('/').pop()
  const { head } = await stage.get(`/api/documents/${id}`)
  const edits = [
    { type: 'put-lever', lever: { id: 'open', name: 'Open up', position: 0.5, ranges: [{ channel: 'kick', target: { type: 'insert', insert: 'comp', parameter: 'threshold-db' }, from: -30, to: -10 }], shapes: [] } },
    { type: 'put-shape', channel: 'kick', shape: { target: { type: 'level' }, section: head.timeline.sections[1].id, points: [{ place: 0, value: 0 }, { place: 1, value: -6 }] } },
  ] // prettier-ignore
  const answer = await page.request.post(`${stage.address}/api/documents/${id}/edits`, { data: { revision: head.revision, edits } })
  assert.ok(answer.ok(), await answer.text())
  await page.reload()
  await row(page, 'Kick').click()
  await page.getByTitle('A curve over Chorus holds it there: what is typed here holds everywhere else.').waitFor()
  await page.getByRole('button', { name: 'Compressor', exact: true }).click()
  await page.getByTitle('The lever Open up holds it: what is typed here waits until the lever lets go.').waitFor()
  await page.keyboard.press('Control+z')
  await page.getByTitle(/holds it/).first().waitFor({ state: 'detached' })
})

test('the running order is walked, folded, muted, moved and cleared by keys alone', async () => {
  await row(page, 'Drums').focus()
  await page.keyboard.press('ArrowLeft')
  await row(page, 'Snare').waitFor({ state: 'detached' })
  assert.equal(await row(page, 'Drums').getAttribute('aria-expanded'), 'false')
  await page.keyboard.press('ArrowRight')
  await row(page, 'Snare').waitFor()
  await page.keyboard.press('ArrowRight')
  assert.equal(await page.evaluate(() => document.activeElement.dataset.id), 'breakwater')
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('m')
  await settles(async () => (await kick()).muted, true)
  await page.keyboard.press('Alt+ArrowUp')
  await page.waitForFunction(() => [...document.querySelectorAll('[data-id]')].map((e) => e.dataset.id).indexOf('kick') === 3)
  await page.keyboard.press('Delete')
  await row(page, 'Kick').waitFor({ state: 'detached' })
  await page.keyboard.press('Control+z')
  await row(page, 'Kick').waitFor()
})

test('Tab goes from the row in focus to its own values and on, not through every row', async () => {
  await row(page, 'Snare').focus()
  const stops = []
  for (let i = 0; i < 3; i++) {
    await page.keyboard.press('Tab')
    stops.push(await page.evaluate(() => document.activeElement.getAttribute('aria-label') ?? document.activeElement.textContent.trim()))
  }
  assert.deepEqual(stops, ['Level of Snare, dB', 'Pan of Snare', 'Listen'])
})

test('nothing went wrong in the console', () => {
  assert.deepEqual(stage.troubles, [])
})
