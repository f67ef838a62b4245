// Each screen for everybody: axe without serious findings, in both themes; files brought in; two tabs.
import assert from 'node:assert/strict'
import { after, before, test } from 'node:test'
import { writeMidi } from 'midi-file'
import { seriousIn } from './serious.mjs'
import { openStage, openTemplate, row } from './stage.mjs'

let stage
let page
before(async () => {
  stage = await openStage()
  page = stage.page
})
after(() => stage.close())

const findings = () => seriousIn(page)

async function inBothThemes() {
  assert.deepEqual(await findings(), [])
  // The other theme has other colours, and nothing else.
  await page.getByRole('button', { name: 'Printed' }).click()
  assert.deepEqual(await seriousIn(page, ['color-contrast']), [])
  await page.getByRole('button', { name: 'Lamplit' }).click()
}

test('axe: the library', async () => {
  await page.goto(stage.address)
  await page.getByRole('heading', { name: 'Night Ferry', exact: true }).waitFor()
  await inBothThemes()
})

test('axe: the running order, with a bus, an instrument and everything shown', async () => {
  await openTemplate(stage, 'Night Ferry')
  await row(page, 'Bass').click()
  await page.getByRole('button', { name: 'Compressor keyed' }).click()
  await inBothThemes()
  await row(page, 'Tidewater Kit').click()
  await page.getByRole('button', { name: 'Show all' }).click()
  await inBothThemes()
})

for (const [name, open] of [
  ['add a channel', () => page.getByRole('button', { name: 'Add a channel' })],
  ['acts', () => page.getByRole('button', { name: 'The list of acts' })],
  ['timeline', () => page.getByRole('button', { name: /BPM/ })],
  ['what it is for', () => page.getByRole('button', { name: 'Night Ferry' })],
  ['start a song', () => page.getByRole('button', { name: 'Start a song' })],
  ['shortcuts', () => page.getByRole('button', { name: 'Shortcuts' })],
])
  test(`axe: the dialog “${name}”, which Escape closes`, async () => {
    await open().click()
    await page.getByRole('dialog').waitFor()
    assert.deepEqual(await findings(), [])
    await page.keyboard.press('Escape')
    await page.getByRole('dialog').waitFor({ state: 'detached' })
  })

test('axe: songs, empty and with one, and a song’s page', async () => {
  for (const { id } of await stage.get('/api/songs')) await fetch(`${stage.address}/api/documents/${id}`, { method: 'DELETE' })
  await page.goto(`${stage.address}/songs`)
  await page.getByText('No song yet').waitFor()
  await inBothThemes()
  const template = (await stage.get('/api/templates'))[0]
  const body = JSON.stringify({ templateId: template.id, title: 'Gull Song', tempoBpm: null, key: null })
  const made = await fetch(`${stage.address}/api/songs`, { method: 'POST', body, headers: { 'content-type': 'application/json' } })
  await page.reload()
  await page.getByRole('link', { name: 'Gull Song' }).waitFor()
  await inBothThemes()
  await page.goto(`${stage.address}/songs/${(await made.json()).id}`)
  await page.getByRole('button', { name: 'Make and download it' }).waitFor()
  await inBothThemes()
})

test('a MIDI file becomes a starter: the part is chosen, notes without a piece are said', async () => {
  await openTemplate(stage, 'First Rehearsal')
  await row(page, 'Breakwater Kit').click()
  await page.locator('input[aria-label="A MIDI file"]').setInputFiles({ name: 'beat.mid', mimeType: 'audio/midi', buffer: beat() })
  const dialog = page.getByRole('dialog', { name: 'A starter for Breakwater Kit' })
  await dialog.waitFor()
  assert.equal(await dialog.getByRole('radio').count(), 2)
  assert.match(await dialog.innerText(), /Notes 90 play no piece/)
  assert.deepEqual(await findings(), [])
  await dialog.getByRole('button', { name: 'Put it in' }).click()
  await page.getByRole('button', { name: 'Remove Drums by hand' }).waitFor()
  const kit = (await stage.get(`/api/documents/${page.url().split('/').pop()}`)).channels.find((c) => c.channel.id === 'breakwater').channel
  assert.deepEqual(kit.patterns.map((p) => p.name), ['Drums by hand'])
  assert.deepEqual(kit.patterns[0].notes.map((n) => [n.startTick, n.number]), [[0, 36], [960, 38], [1920, 90]])
})

test('a file that is none gets a sentence and changes nothing', async () => {
  const id = page.url().split('/').pop()
  const before = await stage.get(`/api/documents/${id}`)
  await page.locator('input[aria-label="A MIDI file"]').setInputFiles({ name: 'noise.mid', mimeType: 'audio/midi', buffer: Buffer.from('nothing of the kind') })
  await page.getByRole('alert').filter({ hasText: 'not a Standard MIDI File' }).waitFor()
  await page.locator('input[aria-label^="A kit: a table"]').setInputFiles({ name: 'kit.csv', mimeType: 'text/csv', buffer: Buffer.from('name,note\nKick,36') })
  await page.getByRole('alert').filter({ hasText: 'must name the columns' }).waitFor()
  assert.deepEqual(await stage.get(`/api/documents/${id}`), before)
})

test('a table of pieces becomes the kit', async () => {
  const table = 'name,note,family,output\nBoom,36,drums/kick,2\nCrack,38,drums/snare,3\nTick,42,drums/hats,1\n'
  await page.locator('input[aria-label^="A kit: a table"]').setInputFiles({ name: 'kit.csv', mimeType: 'text/csv', buffer: Buffer.from(table) })
  await page.getByRole('complementary').getByText('3 pieces, 10 outputs').first().waitFor()
  // The splits are called after what they carry now.
  await row(page, 'Boom').waitFor()
  await row(page, 'Crack').waitFor()
})

test('two tabs on one template see each other’s edits and lose none', async () => {
  const second = await stage.context.newPage()
  stage.watch(second)
  await second.goto(page.url())
  await row(second, 'Voices').waitFor()
  await second.waitForTimeout(300)
  const before = Date.now()
  await second.getByRole('button', { name: 'Mute Drums' }).click()
  await page.locator('[data-id=drums].muted').waitFor()
  console.log(`# the other tab shows an edit after ${Date.now() - before} ms`)
  await page.getByRole('button', { name: 'History, changed in another tab' }).waitFor()
  // Both at once: whichever comes second is made again on the newer revision.
  const mute = (tab, name) => tab.getByRole('button', { name: `Mute ${name}`, exact: true }).click()
  await Promise.all([mute(page, 'Boom'), mute(second, 'Crack')])
  for (const tab of [page, second]) for (const id of ['snare', 'kick']) await tab.locator(`[data-id=${id}].muted`).waitFor()
  await second.close()
})

test('a template is begun from an empty stage, which teaches the next step', async () => {
  await page.goto(stage.address)
  await page.getByRole('button', { name: 'An empty stage' }).click()
  await page.getByText('where a channel stands is where it goes').waitFor()
  assert.deepEqual(await findings(), [])
})

test('an act is added, and one that shows only buses is there', async () => {
  await openTemplate(stage, 'Night Ferry')
  await page.getByRole('radio', { name: 'Buses' }).click()
  await row(page, 'Deep drum').waitFor({ state: 'detached' })
  assert.equal(await row(page, 'Drums').count(), 1)
  await page.getByRole('button', { name: 'The list of acts' }).click()
  await page.getByRole('button', { name: 'Add an act' }).click()
  await page.getByRole('textbox', { name: 'Name of act 5' }).fill('Overdubs')
  await page.getByRole('button', { name: 'Keep it' }).click()
  await page.getByRole('radio', { name: 'Overdubs' }).click()
  await page.getByRole('searchbox', { name: 'Find a channel' }).fill('chorus 1')
  await row(page, 'Chorus 1').waitFor()
  await page.getByRole('searchbox', { name: 'Find a channel' }).fill('')
  // What is parked while recording is not parked in a new act, but it waits for the key all the same.
  await page.getByRole('button', { name: 'proven', exact: true }).waitFor()
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await page.getByRole('radio', { name: 'Overdubs' }).waitFor({ state: 'detached' })
  await page.getByRole('radio', { name: 'Write' }).click()
})

test('findings follow the edits, are mended by one press, and may be accepted with a reason', async () => {
  await openTemplate(stage, 'Night Ferry')
  await page.getByRole('button', { name: 'proven', exact: true }).waitFor()
  await row(page, 'Drums').click()
  await page.getByText('Role, width, polarity, hue').click()
  await page.getByRole('combobox', { name: 'Width of Drums' }).selectOption('mono')
  await page.getByRole('button', { name: '1 finding' }).click()
  const dialog = page.getByRole('dialog', { name: 'What the soundcheck found' })
  await dialog.getByText('Drums is mono').waitFor()
  assert.deepEqual(await findings(), [])
  await dialog.getByRole('button', { name: 'It is intended' }).click()
  await dialog.getByRole('textbox', { name: 'Why it is meant so' }).fill('An old wireless')
  await dialog.getByRole('button', { name: 'Accept' }).click()
  await dialog.getByText('As intended: An old wireless').waitFor()
  await dialog.getByRole('button', { name: 'Count it again' }).click()
  await dialog.getByRole('button', { name: 'Make Drums stereo' }).click()
  await dialog.getByText('This finding goes.').waitFor()
  await dialog.getByText('Drums is stereo').waitFor()
  await dialog.getByRole('button', { name: 'Do it' }).click()
  await dialog.getByText('Nothing is wrong in this act').waitFor()
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'proven', exact: true }).waitFor()
})

test('findings of one kind are said once, and accepted together in two presses and a reason', async () => {
  await page.goto(stage.address)
  await page.getByRole('button', { name: 'An empty stage' }).click()
  await row(page, 'Mix bus').waitFor()
  const id = page.url().split('/').pop()
  const wish = (name) => ({ kind: 'audio', name, under: null, format: null, instrument: null, splitOf: null, output: null, input: null, withoutInput: false })
  const edits = ['Zorp', 'Frond', 'Marl', 'Tussock', 'Skerry'].map((name) => ({ type: 'make-channel', wish: wish(name), before: null }))
  await page.evaluate(
    ([address, body]) => fetch(address, { method: 'POST', headers: { 'content-type': 'application/json' }, body }),
    [`/api/documents/${id}/edits`, JSON.stringify({ revision: 0, edits })],
  )
  await row(page, 'Skerry').waitFor()
  await page.getByRole('button', { name: '7 findings' }).click()
  const dialog = page.getByRole('dialog', { name: 'What the soundcheck found' })
  await dialog.getByRole('button', { name: 'and 4 more like it' }).waitFor()
  assert.deepEqual(await findings(), [])
  await dialog.getByRole('button', { name: 'All are intended' }).click()
  await dialog.getByRole('textbox', { name: 'Why it is meant so' }).fill('Found sounds')
  await dialog.getByRole('button', { name: 'Accept' }).click()
  await dialog.getByText('As intended: Found sounds').nth(4).waitFor()
  assert.equal(await dialog.getByText('more like it').count(), 0)
  await page.keyboard.press('Escape')
})

test('a reload loses nothing', async () => {
  await page.goto(stage.address)
  await page.getByRole('button', { name: 'An empty stage' }).click()
  await row(page, 'Mix bus').waitFor()
  await page.keyboard.press('n')
  await page.getByRole('dialog').getByRole('combobox', { name: /^Kind/ }).selectOption('bus')
  await page.getByRole('dialog').getByRole('textbox', { name: 'Name' }).fill('Strings')
  await page.getByRole('button', { name: 'Add it' }).click()
  await row(page, 'Strings').waitFor()
  await page.reload()
  await row(page, 'Strings').waitFor()
})

test('nothing was fetched from elsewhere and nothing went wrong in the console', () => {
  assert.deepEqual(stage.strangers, [])
  assert.deepEqual(stage.troubles, [])
})

/** Two parts, made by the midi-file package: a melody, and drums of which one note has no piece. */
function beat() {
  const note = (deltaTime, noteNumber, channel) => [
    { deltaTime, type: 'noteOn', channel, noteNumber, velocity: 96 },
    { deltaTime: 120, type: 'noteOff', channel, noteNumber, velocity: 0 },
  ]
  const track = (name, events) => [{ deltaTime: 0, type: 'trackName', meta: true, text: name }, ...events, { deltaTime: 0, type: 'endOfTrack', meta: true }]
  return Buffer.from(
    writeMidi({
      header: { format: 1, numTracks: 2, ticksPerBeat: 480 },
      tracks: [track('Melody', [60, 62, 64, 65, 67].flatMap((n) => note(360, n, 0))), track('Drums by hand', [...note(0, 36, 9), ...note(360, 38, 9), ...note(360, 90, 9)])],
    }),
  )
}
