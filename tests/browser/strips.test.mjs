// Default strips, what waits, the strip, curves and levers: as somebody uses them who has an empty stage.
import assert from 'node:assert/strict'
import { after, before, test } from 'node:test'
import { journey, openStage, pick, row, settles } from './stage.mjs'
import { seriousIn } from './serious.mjs'

let stage, page
before(async () => {
  stage = await openStage()
  page = stage.page
})
after(() => stage.close())

const findings = () => seriousIn(page)
const dialog = (name) => page.getByRole('dialog', { name })
const channelsOf = async (id) => (await stage.get(`/api/documents/${id}`)).channels.map((r) => r.channel)

async function emptyStage() {
  await page.goto(stage.address)
  await page.getByRole('button', { name: 'An empty stage' }).click()
  await row(page, 'Mix bus').waitFor()
  return page.url().split('/').pop()
}

/** @returns how many actions it took beside the names */
async function add(kind, names) {
  const from = stage.actions.all
  await page.keyboard.press('n')
  const asked = dialog('Add a channel')
  // The kind that was added last is chosen already.
  if ((await asked.getByLabel('Kind').inputValue()) !== kind) await asked.getByLabel('Kind').selectOption(kind)
  await asked.getByLabel('Name').fill(names.join('; '))
  await page.keyboard.press('Enter')
  for (const name of names) await row(page, name).waitFor()
  await asked.waitFor({ state: 'hidden' })
  // What was made is chosen once the dialog is gone.
  await page.getByRole('heading', { name: names[0], level: 2 }).waitFor()
  return stage.actions.since(from) - 1
}

/** Makes the strip of what is chosen the default, for the sort that is proposed, and takes along those that follow. */
async function makeDefault() {
  await page.getByRole('button', { name: 'Make it a default…' }).click()
  await dialog('Make it a default').getByText(/^They come with/).waitFor()
  await page.getByRole('button', { name: 'Make it the default' }).click()
  await dialog('Make it a default').waitFor({ state: 'hidden' })
}

journey('defaults for three kinds, ten channels that are ready, a curve and a lever, heard, in 25 actions beside the names', async () => {
  const id = await emptyStage()
  const began = stage.actions.all
  let named = 0
  const counted = async (work) => {
    named++
    await work
  }

  // Voices: not armed by themselves here, and one more processor.
  await counted(add('audio', ['Ottoline lead vox', 'Perrin lead vox', 'Quill bvox', 'Rook bvox']))
  await page.getByText('armed', { exact: true }).click()
  await makeDefault()
  // Instruments: a saturator ready on each.
  await counted(add('instrument', ['Wren bass', 'Tarn bass', 'Umber bass']))
  await pick(page, 'Add a processor', 'Saturator')
  await makeDefault()
  // Returns: a gate on each.
  await counted(add('return', ['Cistern reverb', 'Quarry reverb', 'Culvert reverb']))
  await pick(page, 'Add a processor', 'Gate')
  await makeDefault()

  await page.getByRole('link', { name: 'Movement' }).click()
  await pick(page, 'What to move', 'Reverb: decay')
  await page.getByRole('button', { name: 'goes there all the way' }).click()
  await page.getByRole('checkbox', { name: 'Tick Cistern reverb, Reverb: decay' }).click()
  await page.getByRole('button', { name: 'A lever of what is ticked' }).click()
  await page.getByRole('heading', { name: 'Lever', exact: true }).waitFor()
  await page.getByRole('button', { name: 'Play', exact: true }).click()
  await page.getByRole('contentinfo', { name: 'Listening' }).getByText(/−\d+\.\d LUFS/).waitFor()

  const taken = stage.actions.since(began) - named
  console.log(`actions for three defaults, ten channels, a curve and a lever: ${taken}`)
  assert.ok(taken <= 25, `${taken} actions`)

  const channels = await channelsOf(id)
  const of = (name) => channels.find((c) => c.name === name)
  for (const name of ['Ottoline lead vox', 'Perrin lead vox']) assert.deepEqual([of(name).source.monitored, of(name).source.armed], [true, false])
  assert.deepEqual(channels.filter((c) => c.kind === 'audio').map((c) => c.source.first), [1, 2, 3, 4])
  for (const name of ['Wren bass', 'Tarn bass', 'Umber bass']) assert.equal(of(name).inserts.at(-1).processor, 'saturator')
  for (const name of ['Cistern reverb', 'Quarry reverb', 'Culvert reverb']) assert.deepEqual(of(name).inserts.map((i) => i.processor), ['reverb', 'equaliser', 'gate'])
  assert.deepEqual(of('Cistern reverb').shapes.map((s) => s.target.parameter), ['decay-s'])
  assert.deepEqual(await findings(), [])
  await page.getByRole('button', { name: 'Pause', exact: true }).click()

  // What is added afterwards has it by itself, with what waits for it closed.
  await page.getByRole('link', { name: 'Running order' }).click()
  await add('audio', ['Sedge lead vox'])
  const sedge = (await channelsOf(id)).find((c) => c.name === 'Sedge lead vox')
  assert.deepEqual([sedge.source.armed, sedge.sends.length, sedge.sends.some((s) => s.open)], [false, 3, false])
})

test('a default that is changed leaves alone what was altered, and the way back is one press', async () => {
  const id = await emptyStage()
  await add('audio', ['Fenn lead vox', 'Gorse lead vox', 'Holt lead vox'])
  await row(page, 'Gorse lead vox').click()
  await page.getByRole('button', { name: /^Compressor/ }).click()
  await page.getByRole('spinbutton', { name: 'Ratio of Compressor' }).fill('9')
  await page.keyboard.press('Tab')
  await page.getByText('One thing differs').waitFor()
  await row(page, 'Fenn lead vox').click()
  await page.getByText('monitored', { exact: true }).click()
  await page.getByText('One thing differs').waitFor()
  await page.getByRole('button', { name: 'Make it a default…' }).click()
  await dialog('Make it a default').getByText('Altered by hand, and left as they are: Gorse lead vox.').waitFor()
  assert.deepEqual(await findings(), [])
  await dialog('Make it a default').getByText('Also in every template that is begun from now on').click()
  await page.getByRole('button', { name: 'Make it the default' }).click()
  await dialog('Make it a default').waitFor({ state: 'hidden' })
  const monitored = async () => (await channelsOf(id)).filter((c) => c.kind === 'audio').map((c) => c.source.monitored)
  await settles(monitored, [false, true, false])

  await row(page, 'Gorse lead vox').click()
  await page.getByText('2 things differ').waitFor()
  await page.getByRole('button', { name: 'Back to the default' }).click()
  await settles(monitored, [false, false, false])

  // Another template begins with it; the shelf has the strip.
  const other = await emptyStage()
  await add('audio', ['Ivo lead vox'])
  assert.equal((await channelsOf(other)).find((c) => c.name === 'Ivo lead vox').source.monitored, false)
  await page.getByRole('button', { name: 'Default strips' }).click()
  await dialog('What new channels come with').getByRole('row', { name: /audio channels for lead voice/ }).waitFor()
  assert.deepEqual(await findings(), [])
  await page.keyboard.press('Escape')
  await page.getByRole('link', { name: 'Shelf' }).click()
  await page.getByRole('row', { name: /audio channels for lead voice/ }).waitFor()
})

test('what waits is one press away, wakes with the key, and a song asks for what waits for a person', async () => {
  const id = await emptyStage()
  await add('audio', ['Jory lead vox'])
  const tune = async () => (await channelsOf(id)).find((c) => c.name === 'Jory lead vox').inserts.find((i) => i.processor === 'pitch-correction')
  await page.getByRole('button', { name: '1 waits' }).click()
  await dialog('What waits').getByText('They are idle until there is a key.').waitFor()
  await dialog('What waits').getByRole('combobox', { name: 'The song’s key' }).selectOption({ label: 'D minor' })
  await dialog('What waits').getByText('There is a key, so they work').waitFor()
  assert.deepEqual(await findings(), [])
  assert.deepEqual((await tune()).parkedIn, ['record', 'write'])
  await page.keyboard.press('Escape')
  // It works now, so nothing is said to wait.
  await page.getByRole('button', { name: '1 waits' }).waitFor({ state: 'detached' })
  await row(page, 'Jory lead vox').click()
  await page.getByRole('button', { name: /^Equaliser/ }).click()
  await page.getByRole('combobox', { name: 'What it waits for' }).selectOption('person')
  await page.getByRole('button', { name: '1 waits' }).waitFor()
  await page.getByRole('button', { name: 'Start a song' }).click()
  await dialog('Start a song').getByLabel(/^Title/).fill('Under the Weir')
  await dialog('Start a song').getByText('Equaliser on Jory lead vox').click()
  await dialog('Start a song').getByRole('button', { name: 'Start the song' }).click()
  await page.waitForURL(/\/songs\//)
  const song = await channelsOf(page.url().match(/songs\/([^/]+)/)[1])
  assert.deepEqual(song.find((c) => c.name === 'Jory lead vox').inserts.map((i) => i.waitsFor?.what ?? null), [null, null, 'song-key', null])
})

test('an equaliser is drawn, dragged and moved by keys; an insert is moved, tried, replaced and heard at', async () => {
  const id = await emptyStage()
  await add('instrument', ['Kestrel bass'])
  await page.getByRole('link', { name: 'Strip' }).click()
  const bell = page.getByRole('slider', { name: 'First bell' })
  await bell.waitFor()
  assert.deepEqual(await findings(), [])
  const strip = async () => (await channelsOf(id)).find((c) => c.name === 'Kestrel bass').inserts
  const setting = async (name) => (await strip()).find((i) => i.processor === 'equaliser').settings[name]

  const box = await bell.boundingBox()
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
  await page.mouse.down()
  await page.mouse.move(box.x + 90, box.y + 60, { steps: 4 })
  await page.mouse.up()
  await settles(async () => (await setting('bell-1-hz')) > 500 && (await setting('bell-1-db')) < -2, true)
  const dragged = await setting('bell-1-db')
  await bell.focus()
  await page.keyboard.press('ArrowUp')
  await settles(async () => Math.round(10 * ((await setting('bell-1-db')) - dragged)), 5)

  const chips = page.getByRole('listbox', { name: 'Inserts in order' })
  await chips.getByRole('option', { name: /^Compressor/ }).focus()
  await page.keyboard.press('Alt+ArrowLeft')
  await settles(async () => (await strip()).map((i) => i.processor), ['compressor', 'equaliser', 'image', 'gain'])
  await chips.getByRole('option', { name: /^Compressor/ }).click()
  await page.getByRole('img', { name: 'What comes out for what goes in' }).waitFor()
  await pick(page, 'Put another processor in its place', 'Limiter')
  await settles(async () => (await strip()).map((i) => i.processor), ['limiter', 'equaliser', 'image', 'gain'])

  await pick(page, 'Try a processor without adding it', 'Chorus')
  await page.getByText('and it is not in the strip').waitFor()
  assert.equal((await strip()).length, 4)
  await page.getByRole('button', { name: 'Add it' }).click()
  await settles(async () => (await strip()).at(-1).processor, 'chorus')
  await page.getByRole('button', { name: 'Only what it takes off' }).click()
  await page.getByRole('combobox', { name: 'Where on it' }).locator('option:checked', { hasText: 'taken off by its' }).waitFor({ state: 'attached' })
  await page.getByRole('button', { name: 'Pause', exact: true }).click()
})

test('a section is heard from rest or as in the song', async () => {
  await page.goto(stage.address)
  await page.getByRole('link', { name: 'Night Ferry', exact: true }).click()
  await row(page, 'Mix bus').waitFor()
  await page.getByRole('button', { name: 'from rest' }).click()
  await page.getByRole('button', { name: 'as in the song' }).waitFor()
  const asked = page.waitForRequest((r) => r.url().endsWith('/api/renders') && r.method() === 'POST')
  await page.getByRole('button', { name: 'Play', exact: true }).click()
  assert.equal((await asked).postDataJSON().lead, 'as-in-the-song')
  await page.getByRole('button', { name: 'Pause', exact: true }).click()
})

test('what a compressor goes by is heard behind its cuts, and only where there is a detector', async () => {
  await page.goto(stage.address)
  await page.getByRole('link', { name: 'Storm Cue', exact: true }).click()
  await row(page, 'Mix bus').click()
  await page.getByRole('link', { name: 'Strip' }).click()
  await page.getByRole('button', { name: 'Before it' }).waitFor()
  assert.equal(await page.getByRole('button', { name: 'What its detector hears' }).count(), 0)
  await page.getByRole('option', { name: /^Compressor/ }).click()
  // The strip's own drawings ask for renders too, so the one is waited for that the button asks for.
  const asked = page.waitForRequest(
    (r) => r.url().endsWith('/api/renders') && r.postDataJSON()?.point === 'detector',
  )
  await page.getByRole('button', { name: 'What its detector hears' }).click()
  await asked
  await page.getByRole('combobox', { name: 'Where on it' }).locator('option:checked', { hasText: 'detector of its compressor' }).waitFor({ state: 'attached' })
  await page.getByRole('button', { name: 'Pause', exact: true }).waitFor()
  await page.getByRole('button', { name: 'What its detector hears' }).click()
  await page.getByRole('button', { name: 'Pause', exact: true }).click()
})

test('a curve of a lever is spread over every section at once, and taken away alike', async () => {
  await page.goto(stage.address)
  await page.getByRole('link', { name: 'First Rehearsal', exact: true }).click()
  await row(page, 'Mix bus').waitFor()
  const id = page.url().split('/').pop()
  const head = async () => (await stage.get(`/api/documents/${id}`)).head
  const sections = (await head()).timeline.sections
  const drawnOver = async () => (await head()).levers[0].shapes.map((s) => s.section).sort()
  await page.getByRole('link', { name: 'Movement' }).click()
  await page.getByRole('button', { name: new RegExp(`^Daylight, .* over ${sections[0].name}:`) }).click()
  await page.getByRole('button', { name: 'there and back' }).click()
  await page.getByRole('button', { name: 'The same over every section' }).click()
  await settles(drawnOver, sections.map((s) => s.id).sort())
  // Shown in percent, as the lever itself, and stored from 0 to 1.
  const ends = page.getByRole('complementary', { name: 'The chosen curve' })
  await ends.getByRole('spinbutton', { name: 'From', exact: true }).fill('25')
  await page.keyboard.press('Enter')
  const { position, shapes } = (await head()).levers[0]
  await settles(async () => {
    const now = (await head()).levers[0].shapes.find((s) => s.section === sections[0].id).points
    return [now[0].value, Math.max(...now.map((p) => p.value))]
  }, [0.25, position])
  assert.equal(shapes.length, sections.length)
  await page.getByRole('button', { name: 'Take all of the row away' }).click()
  await settles(drawnOver, [])
})

journey('a chain is made of what stands there, its control moves and switches, and it is kept and put in elsewhere', async () => {
  const id = await emptyStage()
  await add('instrument', ['Marimba low', 'Marimba high'])
  await page.getByRole('link', { name: 'Strip' }).click()
  await page.getByRole('option', { name: /^Gain stage/ }).waitFor()
  await pick(page, 'Add a processor', 'Saturator')
  await page.getByRole('option', { name: /^Saturator live/ }).waitFor()
  await page.getByRole('button', { name: 'Make a chain of these…' }).click()
  await dialog('Make a chain').getByLabel('Name').fill('Rosewood heat')
  await page.getByRole('button', { name: 'Make it', exact: true }).click()
  await page.getByRole('button', { name: 'Add a control' }).click()
  await page.getByLabel('Name of the control Control 1').fill('Heat')
  await page.keyboard.press('Tab')
  await pick(page, 'Let Heat move', 'Saturator: drive')
  await pick(page, 'Let Heat move', 'Saturator: on and off')
  const heat = page.getByLabel('Heat of Rosewood heat', { exact: true })
  const saturator = async (name) => (await channelsOf(id)).find((c) => c.name === name).inserts.find((i) => i.processor === 'saturator')
  const drive = (await stage.get('/api/catalogue')).processors.find((p) => p.id === 'saturator').parameters.find((p) => p.id === 'drive-db')

  // It went from where the drive stands to the top; halfway lies in the middle, and on.
  await heat.fill('50')
  await page.keyboard.press('Enter')
  await settles(async () => (await saturator('Marimba low')).settings['drive-db'], (drive.default + drive.max) / 2)
  await heat.fill('20')
  await page.keyboard.press('Enter')
  await page.getByRole('option', { name: /^Saturator off/ }).waitFor()

  await page.getByRole('button', { name: 'Keep on the shelf…' }).first().click()
  await page.getByRole('button', { name: 'Keep it' }).click()
  await dialog('Keep on the shelf').waitFor({ state: 'hidden' })
  await pick(page, 'Channel', 'Marimba high')
  await pick(page, 'Put a chain of the shelf in', 'Rosewood heat')
  await page.getByRole('article', { name: 'Chain Rosewood heat' }).waitFor()
  await page.getByLabel('Heat of Rosewood heat', { exact: true }).fill('100')
  await page.keyboard.press('Enter')
  await settles(async () => (await saturator('Marimba high')).settings['drive-db'], drive.max)
  assert.notEqual((await saturator('Marimba low')).settings['drive-db'], drive.max)
  assert.deepEqual(await findings(), [])
})

test('nothing was fetched from elsewhere and nothing went wrong in the console', () => {
  assert.deepEqual(stage.strangers, [])
  assert.deepEqual(stage.troubles, [])
})
