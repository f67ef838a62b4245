// The running order at full strength: many channels at once, notes, sounds, patches, history; each by mouse or by keys.
import assert from 'node:assert/strict'
import { after, before, test } from 'node:test'
import { seriousIn } from './serious.mjs'
import { openStage, openTemplate, pick, row, settles, slowly, waveFile } from './stage.mjs'

let stage
let page
before(async () => {
  // Tall, so that every row of the Night Ferry is in sight.
  stage = await openStage({ height: 1500 })
  page = stage.page
  await openTemplate(stage, 'Night Ferry')
})
after(() => stage.close())

const id = () => page.url().split('/').pop()
const channels = async () => (await stage.get(`/api/documents/${id()}`)).channels.map((r) => r.channel)
const channel = async (key) => (await channels()).find((c) => c.id === key)
const revision = async () => (await stage.get(`/api/documents/${id()}`)).head.revision
const side = () => page.getByRole('complementary')

const serious = () => seriousIn(page)

test('several channels are chosen with Shift and Control, and set alike in one revision', async () => {
  await row(page, 'Side drum').click()
  await row(page, 'Shakers').click({ modifiers: ['Shift'] })
  await row(page, 'Undertow').click({ modifiers: ['Control'] })
  await page.getByRole('heading', { name: '5 channels' }).waitFor()
  assert.deepEqual(await serious(), [])
  const before = await revision()
  await page.getByRole('textbox', { name: 'Name for all' }).fill('Part # of five')
  await page.getByRole('spinbutton', { name: 'First number' }).fill('3')
  await page.getByRole('button', { name: 'Name', exact: true }).click()
  await row(page, 'Part 7 of five').waitFor()
  assert.equal(await revision(), before + 1)
  const level = page.getByRole('spinbutton', { name: 'Level of all' })
  assert.equal(await level.inputValue(), '…')
  await level.fill('-9')
  await level.press('Enter')
  await settles(async () => (await channels()).filter((c) => c.name.startsWith('Part ')).map((c) => c.level), [-9, -9, -9, -9, -9])
  await pick(page, 'Add a send to all', 'Far shore echo')
  await settles(async () => (await channels()).filter((c) => c.sends.some((s) => s.to === 'far-shore') && c.name.startsWith('Part ')).length, 5)
  for (let i = 0; i < 3; i++) await page.getByRole('button', { name: 'Undo' }).click()
  await row(page, 'Undertow').waitFor()
})

test('a bus is put around what is chosen, by one key, and what is under it is duplicated with its routing', async () => {
  await row(page, 'Bellbuoy').click()
  await page.keyboard.press('Shift+ArrowDown')
  await page.keyboard.press('b')
  // Its name is written at once, and the row has the keys after that.
  await page.getByRole('textbox', { name: 'New name for New bus' }).waitFor()
  await page.keyboard.type('Bells')
  await page.keyboard.press('Enter')
  await page.getByRole('heading', { name: 'Bells', level: 2 }).waitFor()
  assert.equal((await channel('bellbuoy')).destination, 'new-bus')
  assert.equal(await page.evaluate(() => document.activeElement.dataset.id), 'new-bus')
  await row(page, 'Bellbuoy').click()
  await page.keyboard.press('d')
  await row(page, 'Bellbuoy 2').waitFor()
  const [one, two] = [await channel('bellbuoy'), await channel('bellbuoy-2')]
  assert.deepEqual([two.sends, two.destination, two.inserts], [one.sends, 'new-bus', one.inserts])
  await page.getByRole('button', { name: 'Undo' }).click()
  await row(page, 'Bellbuoy 2').waitFor({ state: 'detached' })
  for (let i = 0; i < 2; i++) await page.getByRole('button', { name: 'Undo' }).click()
})

test('the next spare is taken under its bus', async () => {
  await row(page, 'Voices').click()
  await side().getByText('1 waiting').waitFor()
  await side().getByRole('button', { name: 'use one for a new part' }).click()
  // It keeps what its name says, and its name is written next.
  const name = page.getByRole('textbox', { name: /^New name for/ })
  await name.waitFor()
  assert.equal(await name.inputValue(), 'Voice')
  await page.keyboard.type('Pilot')
  await page.keyboard.press('Enter')
  await row(page, 'Pilot').waitFor()
  assert.equal((await channel('spare-voice')).spare, false)
})

test('the order is narrowed to a family, to a role, to what has a finding', async () => {
  const only = page.getByRole('combobox', { name: 'Show only' })
  await only.selectOption('role:bass')
  await row(page, 'Undertow').waitFor()
  await row(page, 'Clap').waitFor({ state: 'detached' })
  await only.selectOption('family:drums')
  await row(page, 'Clap').waitFor()
  await only.selectOption('kind:return')
  assert.equal(await page.getByRole('row').filter({ hasText: 'echo' }).count(), 4)
  await only.selectOption('')
})

test('a role is said by a person and kept', async () => {
  await row(page, 'Undertow').click()
  await side().getByText('Role, width, polarity, hue').click()
  await side().getByRole('combobox', { name: 'Role of Undertow' }).selectOption('sub')
  await settles(async () => (await channel('undertow')).role, 'sub')
})

test('a notes channel plays an instrument through an arpeggio, and a groove is made and followed', async () => {
  await row(page, 'Harbour lights').click()
  await pick(side(), 'Add what it plays', 'Bellbuoy')
  await settles(async () => (await channel('harbour-lights')).plays, ['high-bellbuoy', 'bellbuoy'])
  await pick(side(), 'Add a note processor', 'Step pattern')
  const steps = side().getByRole('textbox', { name: 'Velocity of each step' })
  await steps.fill('100 0 40')
  await steps.press('Tab')
  await settles(async () => (await channel('harbour-lights')).noteProcessors[1]?.steps.map((s) => s.velocityPercent), [100, 0, 40])
  await side().getByRole('combobox', { name: 'Groove of Harbour lights' }).selectOption('(more)')
  const dialog = page.getByRole('dialog', { name: 'Grooves' })
  await dialog.getByRole('spinbutton').fill('62')
  assert.deepEqual(await serious(), [])
  await dialog.getByRole('button', { name: 'Keep this swing' }).click()
  await dialog.getByText('Swing 62').waitFor()
  await page.keyboard.press('Escape')
  await side().getByRole('combobox', { name: 'Groove of Harbour lights' }).selectOption('Swing 62')
  await settles(async () => (await channel('harbour-lights')).groove, 'Swing 62')
})

test('how an instrument is played is said: kept-out messages, a layer, a pad, a controller', async () => {
  await row(page, 'Bellbuoy').click()
  await side().getByRole('button', { name: /^Played by/ }).click()
  await side().getByRole('checkbox', { name: 'sustain pedal' }).check()
  await settles(async () => (await channel('bellbuoy')).noteInput.keptOut.length, 4)
  await pick(side(), 'Add a layer', 'Undertow')
  await settles(async () => (await channel('bellbuoy')).noteInput.layers, ['undertow'])
  // Pressed faster than it is stored, each goes on from what the one before it left.
  await slowly(page, '**/edits', async () => {
    await side().getByRole('button', { name: 'map a pad' }).click()
    await side().getByRole('button', { name: 'show a controller' }).click()
    await side().getByRole('button', { name: 'map a pad' }).click()
    await settles(async () => (await channel('bellbuoy')).noteInput.padMap.length, 2)
  })
  const played = (await channel('bellbuoy')).noteInput
  assert.deepEqual(played.padMap.map((p) => [p.pad, p.note]), [[36, 36], [37, 37]]) // prettier-ignore
  assert.deepEqual(played.controllers.map((c) => c.number), [20])
  assert.deepEqual(await serious(), [])
})

test('a patch is kept and taken up again', async () => {
  await row(page, 'Undertow').click()
  await side().getByRole('combobox', { name: 'Patch' }).first().selectOption('Moored low')
  await settles(async () => (await channel('undertow')).source.settings, { 'cutoff-hz': 240, 'sub-percent': 70 })
  await side().getByRole('combobox', { name: 'Patch' }).first().selectOption('(keep)')
  await side().getByRole('textbox', { name: 'Name of the patch' }).fill('Ebb')
  await side().getByRole('button', { name: 'Keep', exact: true }).click()
  await settles(async () => (await stage.get(`/api/documents/${id()}`)).head.patches.map((p) => p.name), ['Far bells', 'Ebb', 'Moored low'])
})

test('an insert is parked in one act and waits for the song’s key', async () => {
  await side().getByRole('button', { name: 'Compressor', exact: true }).click()
  await side().getByRole('checkbox', { name: 'Record', exact: true }).uncheck()
  await settles(async () => (await channel('undertow')).inserts[1].parkedIn, ['record'])
  await side().getByRole('combobox', { name: 'What it waits for' }).selectOption('song-key')
  await settles(async () => (await channel('undertow')).inserts[1].waitsFor?.what, 'song-key')
})

test('a WAVE file lies on an audio channel, is kept once, and two hardware inputs or another channel are recorded', async () => {
  await row(page, 'Guitar').click()
  const file = { name: 'Waves.wav', mimeType: 'audio/wav', buffer: waveFile(800, 8000) }
  for (const name of ['Remove Waves', 'Remove Waves 2']) {
    await page.locator('input[aria-label="A sound: WAVE, AIFF or FLAC"]').setInputFiles(file)
    await side().getByRole('button', { name, exact: true }).waitFor()
  }
  assert.equal((await stage.get('/api/media')).length, 1)
  const from = side().getByRole('combobox', { name: 'Guitar comes from' })
  await from.selectOption('two')
  await settles(async () => (await channel('guitar')).source.second, 8)
  await from.selectOption('internal')
  await settles(async () => (await channel('guitar')).source.type, 'internal')
  await page.locator('input[aria-label="A sound: WAVE, AIFF or FLAC"]').setInputFiles({ name: 'x.wav', mimeType: 'audio/wav', buffer: Buffer.from('nothing') })
  await side().getByRole('alert').filter({ hasText: 'not a WAVE or AIFF file' }).waitFor()
  assert.deepEqual(await serious(), [])
})

test('an instrument gets a channel for its print, which waits in the wings', async () => {
  await row(page, 'Undertow').click()
  await side().getByText('Role, width, polarity, hue').click()
  await side().getByRole('button', { name: 'make a channel for it' }).click()
  await side().getByRole('button', { name: 'Undertow print' }).waitFor()
  assert.deepEqual((await channel('undertow-print')).stages, { buses: 'in-the-wings', mix: 'in-the-wings', record: 'in-the-wings', write: 'in-the-wings' })
})

test('the history says what was done, compares, names and goes back', async () => {
  const before = await channels()
  const at = await revision()
  await row(page, 'Clap').click()
  await page.keyboard.press('m')
  await page.locator('[data-id=clap].muted').waitFor()
  await page.getByRole('button', { name: 'History' }).click()
  const dialog = page.getByRole('dialog', { name: 'History' })
  await dialog.getByText('Clap is muted').waitFor()
  await dialog.getByRole('button', { name: `Compare revision ${at} with now` }).click()
  await dialog.getByRole('heading', { name: `From revision ${at} to now` }).waitFor()
  await dialog.getByRole('button', { name: 'name', exact: true }).nth(1).click()
  await dialog.getByRole('textbox', { name: `Name of revision ${at}` }).fill('Before the clap went')
  await page.keyboard.press('Enter')
  await dialog.getByText('Before the clap went').waitFor()
  assert.deepEqual(await serious(), [])
  await dialog.getByRole('button', { name: `Go back to revision ${at}` }).click()
  await dialog.getByText(`Back to revision ${at}`).waitFor()
  assert.deepEqual(await channels(), before)
  await page.keyboard.press('Escape')
})

test('a template opens as it was kept: folds and act', async () => {
  await page.getByRole('radio', { name: 'Mix' }).click()
  await row(page, 'Drums').click()
  await page.keyboard.press('ArrowLeft')
  await row(page, 'Clap').waitFor({ state: 'detached' })
  await page.getByRole('button', { name: 'Night Ferry', exact: true }).click()
  await page.getByRole('combobox', { name: 'Opens' }).selectOption('now')
  await page.getByRole('button', { name: 'Keep it' }).click()
  await page.getByRole('dialog').waitFor({ state: 'detached' })
  await page.reload()
  await row(page, 'Drums').waitFor()
  assert.equal(await row(page, 'Clap').count(), 0)
  assert.equal(await page.getByRole('radio', { name: 'Mix' }).getAttribute('aria-checked'), 'true')
})

test('nothing was fetched from elsewhere and nothing went wrong in the console', () => {
  assert.deepEqual(stage.strangers, [])
  assert.deepEqual(stage.troubles, [])
})
