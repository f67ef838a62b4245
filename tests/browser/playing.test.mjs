// Pads, prints, loops and references: what a person plays with before a note is written.
import assert from 'node:assert/strict'
import { after, before, test } from 'node:test'
import { openStage, openTemplate, pick, row, settles, waveFile } from './stage.mjs'

let stage
let page
let id

before(async () => {
  stage = await openStage({ height: 1000 })
  page = stage.page
  await openTemplate(stage, 'First Rehearsal')
  id = (await stage.get('/api/templates')).find((t) => t.name === 'First Rehearsal').id
  await page.getByLabel('Over').selectOption('Verse')
})

after(() => stage.close())

const channel = async (which) => (await stage.get(`/api/documents/${id}`)).channels.find((c) => c.channel.id === which).channel

async function rendered() {
  await page.getByRole('button', { name: 'Render now' }).click()
  await page.waitForFunction(() => / in .* s/.test(document.querySelector('.work')?.textContent ?? ''), undefined, { timeout: 60_000 })
}

/** What the page plays from now on: the loudest sample of every buffer that starts. */
async function watchPlayed() {
  await page.evaluate(() => {
    window.played = []
    const start = AudioBufferSourceNode.prototype.start
    AudioBufferSourceNode.prototype.start = function (...args) {
      const lane = this.buffer.getChannelData(0)
      window.played.push({ peak: lane.reduce((most, x) => Math.max(most, Math.abs(x)), 0), seconds: this.buffer.duration, loopStart: this.loopStart, loopEnd: this.loopEnd })
      return start.apply(this, args)
    }
  })
}

test('a pad that is pressed sounds through its path, by mouse, by the computer’s keys and by MIDI', async () => {
  await watchPlayed()
  await page.evaluate(() => {
    const input = { name: 'Test pads', onmidimessage: null }
    window.midiInput = input
    navigator.requestMIDIAccess = () => Promise.resolve({ inputs: new Map([['one', input]]) })
  })
  await row(page, 'Breakwater Kit').click()
  await page.getByRole('button', { name: 'Pads and keys' }).click()
  const kick = page.getByRole('button', { name: /^Kick, note 36/ })
  await kick.click()
  await page.waitForFunction(() => window.played.length === 1)
  await kick.press('2')
  await page.waitForFunction(() => window.played.length === 2)
  await page.getByRole('button', { name: 'play by MIDI' }).click()
  await page.getByText('MIDI: Test pads').waitFor()
  await page.evaluate(() => window.midiInput.onmidimessage({ data: new Uint8Array([0x99, 38, 120]) }))
  await page.waitForFunction(() => window.played.length === 3)
  const played = await page.evaluate(() => window.played)
  // What is heard lasts whole bars from 3 s on; at 96 a bar of 4/4 is 2.5 s.
  assert.ok(played.every((p) => p.peak > 0.02 && p.seconds === 5), JSON.stringify(played))
})

test('an instrument without a kit has keys, which are turned by octaves', async () => {
  await row(page, 'Bellbuoy').click()
  await page.getByRole('button', { name: 'C4, note 60' }).press('Enter')
  await page.waitForFunction(() => window.played.length === 4)
  await page.getByRole('button', { name: 'An octave up' }).click()
  await page.getByRole('button', { name: 'C6, note 84' }).waitFor()
  await page.getByRole('button', { name: 'C6, note 84' }).press('Escape')
  assert.equal(await page.getByRole('button', { name: 'C6, note 84' }).count(), 0)
})

test('what was rendered and kept becomes the sound of a piece', async () => {
  await rendered()
  await page.getByRole('button', { name: 'Keep the sound' }).click()
  await page.getByText('Kept as Main, Verse').waitFor()
  await row(page, 'Breakwater Kit').click()
  await page.getByRole('button', { name: /Sounds of the pieces/ }).click()
  await page.getByLabel('Sound of Clap').selectOption({ label: 'Main, Verse, 20.0 s' })
  await page.getByText('1 of 12 from the shelf').waitFor()
  const clap = (await channel('breakwater')).source.kit.pieces.find((p) => p.name === 'Clap')
  assert.equal(clap.sample.title, 'Main, Verse')
})

test('a sound that an edit brings along is known to be here', async () => {
  const sound = await fetch(`${stage.address}/api/media?title=Rivet`, { method: 'POST', body: waveFile(2400, 48000) }).then((r) => r.json())
  const { revision } = (await stage.get(`/api/documents/${id}`)).head
  const edits = [{ type: 'set-piece-sound', channel: 'breakwater', piece: 'Kick', sound }]
  const answer = await fetch(`${stage.address}/api/documents/${id}/edits`, {
    method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify({ revision, edits }),
  }) // prettier-ignore
  assert.equal(answer.status, 200, await answer.text())
  await page.getByText('2 of 12 from the shelf').waitFor()
  await settles(() => page.getByLabel('Sound of Kick').locator('option:checked').textContent(), 'Rivet, 0.1 s')
})

test('a stretch of the loop is set by hand, by pulling and by keys', async () => {
  const ribbon = page.getByRole('slider', { name: 'Place in the sound' })
  const box = await ribbon.boundingBox()
  await page.mouse.move(box.x + box.width * 0.25, box.y + 15)
  await page.mouse.down()
  await page.mouse.move(box.x + box.width * 0.5, box.y + 15, { steps: 4 })
  await page.mouse.up()
  await page.getByRole('button', { name: 'Play', exact: true }).click()
  await page.getByRole('button', { name: 'Pause', exact: true }).waitFor()
  await page.waitForFunction(() => window.played.at(-1).loopEnd > 0)
  const { loopStart, loopEnd } = await page.evaluate(() => window.played.at(-1))
  assert.ok(Math.abs(loopStart - 5) < 0.2 && Math.abs(loopEnd - 10) < 0.2, `${loopStart} to ${loopEnd} s of 20`)
  await page.getByRole('button', { name: 'Pause', exact: true }).click()
  await ribbon.press('Escape')
  await page.locator('.ribbon .range').waitFor({ state: 'detached' })
})

test('an instrument is printed, and the print plays in its place', async () => {
  await row(page, 'Bellbuoy').click()
  await page.getByText('Role, width, polarity, hue').click()
  await page.getByRole('button', { name: 'make a channel for it' }).click()
  await page.getByRole('button', { name: 'print now' }).click()
  await page.getByRole('button', { name: 'play the print' }).click()
  await page.getByRole('button', { name: 'play the instrument' }).waitFor()
  const bellbuoy = await channel('bellbuoy')
  const twin = await channel(bellbuoy.printTwin)
  assert.equal(bellbuoy.stages.write, 'in-the-wings')
  assert.ok(twin.starters[0].through && !twin.starters[0].loops)
  await pick(page, 'Listening to', twin.name)
  await rendered()
  assert.match(await page.locator('.meters dd').first().innerText(), /^−\d+\.\d LUFS$/)
  await pick(page, 'Listening to', 'Main')
})

test('a reference is heard beside the mix at the same loudness', async () => {
  await page.getByRole('button', { name: 'Add a channel' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByRole('textbox', { name: 'Name' }).fill('Reference')
  await dialog.getByRole('combobox', { name: /^Kind/ }).selectOption('direct')
  await dialog.getByRole('button', { name: 'Add it' }).click()
  await row(page, 'Reference').click()
  await page.locator('input[aria-label="A sound: WAVE, AIFF or FLAC"]').setInputFiles({ name: 'Harbour.wav', mimeType: 'audio/wav', buffer: waveFile(48000 * 4, 48000) })
  await page.getByRole('button', { name: 'reference', exact: true }).click()
  await page.getByText(/^both −\d+\.\d LUFS$/).waitFor({ timeout: 60_000 })
  assert.equal(await page.getByRole('button', { name: 'reference', exact: true }).getAttribute('aria-pressed'), 'true')
  await page.getByRole('button', { name: 'mix', exact: true }).click()
  assert.equal(await page.getByRole('button', { name: 'mix', exact: true }).getAttribute('aria-pressed'), 'true')
})

test('a loop follows the tempo as it is told to', async () => {
  await page.getByRole('button', { name: 'Add a channel' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByRole('textbox', { name: 'Name' }).fill('Oars')
  await dialog.getByRole('combobox', { name: /^Kind/ }).selectOption('audio')
  await dialog.getByRole('button', { name: 'Add it' }).click()
  await row(page, 'Oars').click()
  await page.getByLabel('Take a sound from the shelf').selectOption({ label: 'Harbour, 4.0 s' })
  await page.getByLabel('How Harbour follows the tempo').selectOption({ label: 'cut at its beats' })
  const quarters = page.getByRole('spinbutton', { name: 'Length of Harbour' })
  await quarters.fill('8')
  await quarters.press('Enter')
  const laid = async () => (await stage.get(`/api/documents/${id}`)).channels.find((c) => c.channel.name === 'Oars').channel.starters[0]
  for (let i = 0; i < 100 && (await laid()).quarters !== 8; i++) await page.waitForTimeout(100)
  const starter = await laid()
  assert.deepEqual([starter.fit, starter.quarters], ['cut-at-beats', 8])
})

test('a bus says what level it will have, and what brings it to a target', async () => {
  await row(page, 'Mix bus').click()
  await page.getByText(/^−?\d+\.\d LUFS; at worst −?\d+\.\d/).waitFor()
  const said = () => page.getByText(/dB would bring it to/).innerText()
  const was = (await said()).split(' ')[0]
  const target = page.getByRole('spinbutton', { name: 'Target' })
  await target.fill('-14')
  await target.press('Enter')
  await page.waitForFunction((old) => !document.querySelector('.side').textContent.includes(`${old} dB would`), was)
  const db = (text) => Number.parseFloat(text.replace('−', '-'))
  assert.ok(Math.abs(db(await said()) - db(was) - 4) < 0.11)
})

test('all meters on every channel are there when asked for', async () => {
  await rendered().catch(() => {})
  await page.getByRole('checkbox', { name: 'all meters on every channel' }).check()
  await rendered()
  await page.getByText(/LUFS · range .* · momentary up to .* · true peak −?\d+\.\d dBTP/).waitFor()
})

test('nothing went wrong in the console', () => {
  assert.deepEqual(stage.troubles, [])
})
