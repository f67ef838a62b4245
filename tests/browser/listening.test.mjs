// Where one listens, what the meters say, and the controls of the new processors, as a person meets them.
import assert from 'node:assert/strict'
import { after, before, test } from 'node:test'
import { openStage, openTemplate, pick, row } from './stage.mjs'

let stage
let page

before(async () => {
  stage = await openStage({ height: 1000 })
  page = stage.page
  await openTemplate(stage, 'Night Ferry')
  await page.getByLabel('Over').selectOption('Intro')
})

after(() => stage.close())

const reading = (name) => page.locator('.meters div').filter({ hasText: name }).locator('dd').innerText()

async function rendered() {
  await page.getByRole('button', { name: 'Render now' }).click()
  await page.waitForFunction(() => / in .* s/.test(document.querySelector('.work')?.textContent ?? ''), undefined, { timeout: 60_000 })
}

async function addInsert(name) {
  await pick(page, 'Add a processor', name)
  // A new one is open.
  await page.locator('.card', { hasText: name }).locator('.body').waitFor()
}

test('a render is read by loudness, true peak and correlation, with its spectrum and its loudness over time', async () => {
  await rendered()
  assert.match(await reading('Loudness'), /^−\d+\.\d LUFS$/)
  assert.match(await reading('True peak'), /^[−]?\d+\.\d dBTP$/)
  assert.match(await reading('Correlation'), /^[−]?[01]\.\d\d$/)
  assert.match(await page.getByRole('img', { name: /Spectrum in third octaves, loudest around \d/ }).getAttribute('aria-label'), /dB$/)
  assert.match(await page.locator('path.loud').getAttribute('d'), /^M0\.0 [\d.]+L/)
})

test('what was rendered is kept on the shelf of sounds', async () => {
  await page.getByRole('button', { name: 'Keep the sound' }).click()
  await page.getByText('Kept as Main, Intro').waitFor()
  assert.deepEqual((await stage.get('/api/media')).map((m) => m.title), ['Main, Intro'])
})

test('the selected channel says what it gave, and its dynamics what they took off', async () => {
  await row(page, 'Mix bus').click()
  await page.getByText(/^Peak −?\d+\.\d dBFS · RMS −\d+\.\d dBFS · crest \d+\.\d dB · sides alike/).waitFor()
  assert.match(await page.locator('.card', { hasText: 'Compressor' }).innerText(), /−\d+\.\d dB/)
})

test('a return is heard by what feeds it, and a detector by its key', async () => {
  await pick(page, 'Listening to', 'Open water echo')
  await page.getByLabel('Where on it').selectOption({ label: 'what feeds it' })
  await rendered()
  const feeding = await reading('Loudness')
  await page.getByLabel('Where on it').selectOption({ label: 'what comes out of it' })
  await rendered()
  assert.notEqual(await reading('Loudness'), feeding)

  await pick(page, 'Listening to', 'Bass')
  await page.getByLabel('Where on it').selectOption({ label: 'key of its compressor' })
  await rendered()
  assert.match(await reading('Correlation'), /^1\.00$/)
})

test('the listening point follows the selection when asked', async () => {
  await pick(page, 'Listening to', 'Main')
  await page.getByRole('checkbox', { name: 'the selected' }).check()
  await row(page, 'Drums').click()
  assert.equal(await page.getByRole('combobox', { name: 'Listening to' }).textContent(), 'Drums')
  await pick(page, 'Listening to', 'Main')
  await page.getByRole('checkbox', { name: 'the selected' }).uncheck()
})

test('a choice is a list, and what needs a switch shows with it', async () => {
  await row(page, 'Guitars').click()
  await page.getByRole('button', { name: /^Equaliser/ }).click()
  const notch = page.getByLabel('Notch', { exact: true })
  assert.equal(await page.getByLabel('Notch at of Equaliser').count(), 0)
  await notch.check()
  await page.getByRole('spinbutton', { name: 'Notch at of Equaliser' }).waitFor()
  await page.getByLabel('Applies to of Equaliser').selectOption({ label: 'Sides' })
  await page.waitForFunction(() => document.querySelector('select[aria-label="Applies to of Equaliser"]').value === '4')
})

test('a ducker by notes is drawn by keys and restarted by a channel', async () => {
  await addInsert('Ducker by notes')
  const point = page.getByRole('slider', { name: 'Point 2' })
  await point.focus()
  await point.press('Shift+ArrowDown')
  await point.press('ArrowRight')
  await page.waitForFunction(() => /at 11 %/.test(document.querySelector('circle[aria-label="Point 2"]').getAttribute('aria-valuetext')))
  await pick(page, 'Add notes that restart it', 'Pulse trigger')
  await page.getByText('Notes of Pulse trigger').waitFor()
  const api = await stage.get('/api/templates')
  const id = api.find((t) => t.name === 'Night Ferry').id
  const document = await stage.get(`/api/documents/${id}`)
  const ducker = document.channels.flatMap((c) => c.channel.inserts).find((i) => i.processor === 'ducker')
  assert.deepEqual(ducker.trigger.notes, ['pulse'])
  assert.equal(ducker.trigger.curve[1].place, 0.11)
})
