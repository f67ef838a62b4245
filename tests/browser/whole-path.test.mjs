// The way a producer goes: from the library through an edited template to a song's package.
import assert from 'node:assert/strict'
import { createHash } from 'node:crypto'
import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { after, before, test } from 'node:test'
import { unzipSync } from 'fflate'
import { parseMidi } from 'midi-file'
import { openStage, openTemplate, pick, row, slowly } from './stage.mjs'

let stage
let page
before(async () => {
  stage = await openStage({ height: 1000 })
  page = stage.page
})
after(() => stage.close())

const templateId = () => page.url().split('/').pop()
const channels = async () => (await stage.get(`/api/documents/${templateId()}`)).channels.map((c) => c.channel)

test('the library shows the demo and opens Night Ferry', async () => {
  await page.goto(stage.address)
  await page.getByRole('heading', { name: 'First Rehearsal' }).waitFor()
  await openTemplate(stage, 'Night Ferry')
  assert.equal(await row(page, 'Deep drum').count(), 1)
})

test('a channel is added under the bus that is chosen', async () => {
  await row(page, 'Instruments').click()
  await page.getByRole('button', { name: 'Add a channel' }).click()
  const dialog = page.getByRole('dialog', { name: 'Add a channel' })
  await dialog.getByRole('combobox', { name: /^Instrument/ }).selectOption('bellbuoy')
  await dialog.getByLabel('Name').fill('Lantern keys')
  await dialog.getByRole('button', { name: 'Add it' }).click()
  await row(page, 'Lantern keys').waitFor()
  assert.equal((await channels()).find((c) => c.name === 'Lantern keys').destination, 'instruments')
})

test('where it goes is waited for when the answer is slow', async () => {
  await slowly(page, '**/new-place**', async () => {
    await row(page, 'Instruments').click()
    await page.getByRole('button', { name: 'Add a channel' }).click()
    const dialog = page.getByRole('dialog', { name: 'Add a channel' })
    await dialog.getByLabel('Name').fill('Patient keys')
    await dialog.getByRole('button', { name: 'Add it' }).click()
    await row(page, 'Patient keys').waitFor()
  })
  assert.equal((await channels()).find((c) => c.name === 'Patient keys').destination, 'instruments')
  await row(page, 'Patient keys').focus()
  await page.keyboard.press('Delete')
  await row(page, 'Patient keys').waitFor({ state: 'detached' })
})

test('it is renamed in place, by keys alone', async () => {
  await row(page, 'Lantern keys').focus()
  await page.keyboard.press('F2')
  await page.keyboard.type('Lamp keys')
  await page.keyboard.press('Enter')
  await row(page, 'Lamp keys').waitFor()
  assert.ok((await channels()).some((c) => c.name === 'Lamp keys'))
})

/** Waits until the side panel says that the channel feeds a bus. */
const feeds = (bus) => page.getByRole('combobox', { name: 'Lamp keys feeds' }).getByText(bus, { exact: true }).waitFor()

test('dragged under another bus it feeds that bus', async () => {
  await page.dragAndDrop('[data-id=lantern-keys] .text', '[data-id=guitars] .text')
  await feeds('Guitars')
  assert.equal((await channels()).find((c) => c.id === 'lantern-keys').destination, 'guitars')
})

test('moved by keys it goes out of its bus and into the one above', async () => {
  await row(page, 'Lamp keys').focus()
  await page.keyboard.press('Alt+ArrowLeft')
  await feeds('Mix bus')
  await page.keyboard.press('Alt+ArrowRight')
  await feeds('Guitars')
})

test('a loop is refused where it happens, by the names along it', async () => {
  const before = await channels()
  await page.dragAndDrop('[data-id=mix-bus] .text', '[data-id=drums] .text')
  const refusal = page.getByRole('alert')
  await refusal.waitFor()
  const text = await refusal.innerText()
  assert.match(text, /feed a channel back into itself/)
  assert.match(text, /Mix bus\s*→\s*Drums\s*→\s*Mix bus|Drums\s*→\s*Mix bus\s*→\s*Drums/)
  assert.equal(await page.locator('[data-id=mix-bus] + .refusal').count(), 1)
  assert.deepEqual(await channels(), before)
  await refusal.getByRole('button', { name: 'Close' }).click()
})

test('level, pan, mute and a send are set in the row and the side panel', async () => {
  await row(page, 'Undertow').click()
  const level = page.getByRole('spinbutton', { name: 'Level of Undertow, dB' })
  await level.fill('-7.5')
  await level.press('Enter')
  const pan = page.getByRole('spinbutton', { name: 'Pan of Undertow' })
  await pan.fill('20 L')
  await pan.press('Enter')
  await page.getByRole('button', { name: 'Mute Undertow' }).click()
  await pick(page, 'Add a send', 'Quayside echo')
  await page.getByRole('spinbutton', { name: 'Send to Quayside echo' }).waitFor()
  const undertow = (await channels()).find((c) => c.id === 'undertow')
  assert.deepEqual([undertow.level, undertow.pan, undertow.muted], [-7.5, -0.2, true])
  assert.deepEqual(undertow.sends, [{ to: 'quayside', level: -12, tap: 'post', open: true }])
})

test('a run of arrow keys on a level is one revision', async () => {
  const id = templateId()
  const before = (await stage.get(`/api/documents/${id}`)).head.revision
  await page.getByRole('spinbutton', { name: 'Level of Undertow, dB' }).focus()
  for (let i = 0; i < 5; i++) await page.keyboard.press('ArrowUp')
  await page.waitForFunction(() => document.querySelector('[aria-label="Level of Undertow, dB"]').value === '−5.0')
  await page.waitForTimeout(600)
  const now = await stage.get(`/api/documents/${id}`)
  assert.equal(now.head.revision, before + 1)
  assert.equal(now.channels.find((c) => c.channel.id === 'undertow').channel.level, -5)
})

test('undo takes back one by one, redo brings again', async () => {
  const undo = page.getByRole('button', { name: 'Undo' })
  for (let i = 0; i < 5; i++) {
    const before = (await stage.get(`/api/documents/${templateId()}`)).head.revision
    await undo.click()
    await waitForRevision(before + 1)
  }
  const undertow = (await channels()).find((c) => c.id === 'undertow')
  assert.deepEqual([undertow.level, undertow.pan, undertow.muted, undertow.sends], [-2, 0, false, []])
  await page.getByRole('button', { name: 'Redo' }).click()
  await page.waitForFunction(() => document.querySelector('[aria-label="Level of Undertow, dB"]').value === '−7.5')
})

test('it is rendered, measured, played, and after an edit goes on with the new sound', async () => {
  await page.getByLabel('Over').selectOption('Verse')
  await page.getByRole('button', { name: 'Play', exact: true }).click()
  // It sounds before it is finished.
  await page.getByRole('button', { name: 'Pause' }).waitFor()
  await page.waitForFunction(() => document.querySelector('.meters dd').innerText !== '—', undefined, { timeout: 60_000 })
  const loudness = await page.locator('.meters dd').first().innerText()
  assert.match(loudness, /^−\d+\.\d LUFS$/)
  const first = await playhead()
  await page.waitForTimeout(700)
  assert.notEqual(await playhead(), first)

  const level = page.getByRole('spinbutton', { name: 'Level of Drums, dB' })
  await level.fill('-20')
  await level.press('Enter')
  await page.waitForFunction((old) => document.querySelector('.meters dd').innerText !== old, loudness, { timeout: 60_000 })
  assert.equal(await page.getByRole('button', { name: 'Pause' }).count(), 1)
  const after = await playhead()
  await page.waitForTimeout(500)
  assert.notEqual(await playhead(), after)
})

test('a render can be cancelled', async () => {
  await page.getByRole('button', { name: 'Pause' }).click()
  await page.getByLabel('Over').selectOption('')
  await page.getByRole('button', { name: 'Render now' }).click()
  await page.getByRole('button', { name: 'Cancel' }).click()
  await page.getByRole('status').filter({ hasText: 'Cancelled' }).waitFor()
})

test('a song is started, remembers its template, and its package opens elsewhere', { timeout: 120_000 }, async () => {
  await page.getByRole('button', { name: 'Start a song' }).click()
  const dialog = page.getByRole('dialog', { name: 'Start a song' })
  await dialog.getByLabel('Title').fill('The Lamp Goes Out')
  await dialog.getByLabel('Tempo').fill('96')
  await dialog.getByLabel('Key').selectOption({ label: 'D minor' })
  await dialog.getByRole('button', { name: 'Start the song' }).click()
  // It opens where one writes; its page tells where it came from.
  await row(page, 'Deep drum').waitFor()
  await page.waitForURL(/\/songs\/[^/]+\/order$/)
  await page.goto(page.url().replace(/\/order$/, ''))
  await page.getByRole('heading', { name: 'The Lamp Goes Out' }).waitFor()
  assert.match(await page.locator('main').innerText(), /Night Ferry, as it was at revision \d+/)

  const first = await download()
  const second = await download()
  assert.deepEqual(first, second)

  const files = unzipSync(first)
  assert.deepEqual(Object.keys(files).sort(), ['manifest.json', 'note-names/tidewater-kit.midnam', ...['-call-sheet.html', '-soundcheck.txt', '.dawproject', '.mid', '.template.json', '.wav'].map((end) => `the-lamp-goes-out${end}`)])
  const manifest = JSON.parse(new TextDecoder().decode(files['manifest.json']))
  assert.deepEqual(
    manifest.files.map((f) => [f.name, f.bytes, f.sha256]).sort(),
    Object.entries(files).filter(([name]) => name !== 'manifest.json').map(([name, bytes]) => [name, bytes.length, createHash('sha256').update(bytes).digest('hex')]).sort(),
  ) // prettier-ignore
  // The page in it stands alone: it is opened from the disk, and nothing is missing.
  const sheet = join(stage.data, 'sheet.html')
  writeFileSync(sheet, files['the-lamp-goes-out-call-sheet.html'])
  const alone = await stage.context.newPage()
  await alone.goto(`file://${sheet}`)
  await alone.getByRole('heading', { name: 'The Lamp Goes Out' }).waitFor()
  assert.ok((await alone.getByRole('row').count()) > 50)
  await alone.close()
  const document = JSON.parse(new TextDecoder().decode(files['the-lamp-goes-out.template.json']))
  assert.equal(document.template.timeline.tempoBpm, 96)
  assert.equal(new TextDecoder('latin1').decode(files['the-lamp-goes-out.wav'].slice(0, 4)), 'RIFF')
  readMidi(parseMidi(files['the-lamp-goes-out.mid']))
})

test('the song’s own running order can be edited and leaves the template alone', async () => {
  await page.getByRole('link', { name: 'Open its running order' }).click()
  await row(page, 'Deep drum').waitFor()
  await row(page, 'Deep drum').focus()
  await page.keyboard.press('Delete')
  await row(page, 'Deep drum').waitFor({ state: 'detached' })
  const ferry = (await stage.get('/api/templates')).find((t) => t.name === 'Night Ferry')
  const kept = (await stage.get(`/api/documents/${ferry.id}`)).channels.map((c) => c.channel.name)
  assert.ok(kept.includes('Deep drum'))
})

test('nothing was fetched from elsewhere and nothing went wrong in the console', () => {
  assert.deepEqual(stage.strangers, [])
  assert.deepEqual(stage.troubles, [])
})

async function waitForRevision(revision) {
  for (let i = 0; i < 100; i++) {
    if ((await stage.get(`/api/documents/${templateId()}`)).head.revision >= revision) return
    await page.waitForTimeout(20)
  }
  assert.fail(`revision ${revision} did not come`)
}

function playhead() {
  return page.locator('.ribbon path[stroke="var(--lamp)"]').getAttribute('d')
}

async function download() {
  const [file] = await Promise.all([page.waitForEvent('download', { timeout: 90_000 }), page.getByRole('button', { name: 'Make and download it' }).click()])
  const bytes = new Uint8Array(readFileSync(await file.path()))
  await page.getByRole('status').filter({ hasText: 'Downloaded' }).waitFor()
  return bytes
}

function readMidi(midi) {
  assert.equal(midi.header.format, 1)
  const conductor = midi.tracks[0]
  const all = (type) => conductor.filter((e) => e.type === type)
  // 60 000 000 microseconds a minute over 96, and the Landing at 84 of its own.
  assert.deepEqual(all('setTempo').map((e) => e.microsecondsPerBeat), [625_000, 714_286])
  assert.deepEqual(all('timeSignature').map((e) => `${e.numerator}/${e.denominator}`), ['6/8', '4/4', '6/8'])
  assert.deepEqual(all('keySignature').map((e) => [e.key, e.scale]), [[-1, 1]])
  assert.deepEqual(all('marker').map((e) => e.text), ['Intro', 'Verse', 'Crossing', 'Chorus', 'Landing'])
  const names = midi.tracks.slice(1).map((t) => t.find((e) => e.type === 'trackName').text)
  assert.deepEqual(names, ['Tidewater Kit', 'Undertow', 'Bellbuoy', 'Bellbuoy, high', 'Gullwing', 'Driftwood', 'Reedbox', 'Pulse trigger', 'Count-in', 'Harbour lights', 'Lamp keys'])
  const kit = midi.tracks[1].filter((e) => e.type === 'noteOn' && e.velocity > 0)
  assert.ok(kit.length > 200)
  assert.ok(kit.every((e) => e.channel === 9))
}
