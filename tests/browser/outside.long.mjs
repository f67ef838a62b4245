// The line check from outside: a test goes out, a workstation in which mistakes were made records it, and what comes back says which.
import assert from 'node:assert/strict'
import { execFileSync } from 'node:child_process'
import { mkdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { after, before, test } from 'node:test'
import { seriousIn } from './serious.mjs'
import { openStage, pick, settles } from './stage.mjs'
import { playedElsewhere } from './workstation.mjs'

let stage, page, id
before(async () => {
  stage = await openStage()
  page = stage.page
  // Small, since all of it is played three times.
  id = (await stage.post('/api/templates', { name: 'Slip way' })).id
  const text = 'Drums: six pads, mono jacks\nKeys: bells\nVoices: alto; mono; inputs 3'
  const { edits } = await stage.post(`/api/documents/${id}/cast`, { text, was: null, line: null, column: null, sound: false })
  await stage.post(`/api/documents/${id}/edits`, { revision: 0, edits })
})
after(() => stage.close())

const said = async (list) => (await page.getByRole('list', { name: list }).getByRole('listitem').allTextContents()).map((t) => t.trim()).sort()
const splits = (channels) => channels.filter((c) => c.kind === 'split')

/** As a program would write them: another rate, turned down, with silence before. */
function written(files, folder, { rate, gainDb, begins }) {
  mkdirSync(join(stage.data, folder))
  return [...files].map(([name, wave], n) => {
    const [from, to] = [join(stage.data, 'from.wav'), join(stage.data, folder, `${String(n + 1).padStart(2, '0')} ${name}.wav`)]
    writeFileSync(from, wave)
    execFileSync('sox', ['-D', '-v', String(10 ** (gainDb / 20)), from, '-b', '24', to, 'pad', String(begins), 'rate', String(rate)])
    return to
  })
}

test('the call sheet leads to the test, a MIDI file with the names of the channels', async () => {
  await page.goto(`${stage.address}/templates/${id}/call-sheet`)
  await page.getByRole('link', { name: 'Line check from outside…' }).click()
  await page.getByRole('region', { name: 'Channels to record' }).waitFor()
  const coming = page.waitForEvent('download')
  await page.getByRole('link', { name: 'The test as a Standard MIDI File' }).click()
  assert.match((await coming).suggestedFilename(), /^slip-way-line-check\.mid$/)
  await page.getByText('Comes in from outside; no note fires it: Alto.').waitFor()
})

test('what was set up wrongly is found in what comes back, and nothing else', async () => {
  const names = []
  const files = await playedElsewhere(stage, id, (c) => c.kind !== 'audio' && c.kind !== 'trigger', (channels) => {
    const [first, second, third, fourth] = splits(channels)
    ;[first.source.output, second.source.output] = [second.source.output, first.source.output]
    third.polarityFlipped = true
    fourth.level = (fourth.level ?? 0) + 4
    names.push(first.name, second.name, third.name, fourth.name)
  })
  await page.getByLabel('Recordings of the test').setInputFiles(written(files, 'wrong', { rate: 44100, gainDb: -7.3, begins: 1.87 }))
  await page.getByText('things are wrong').waitFor({ timeout: 120_000 })
  const wrong = await said('What is wrong')
  const [first, second, third, fourth] = names
  const of = (...channels) => wrong.filter((w) => channels.some((c) => w.includes(c)))
  assert.ok(wrong.some((w) => w.includes('have changed places') && w.includes(first) && w.includes(second)), wrong.join(' '))
  assert.ok(wrong.some((w) => w.includes(third) && w.includes('is upside down')), wrong.join(' '))
  assert.ok(wrong.some((w) => w.includes(fourth) && w.includes('4.0 dB too loud')), wrong.join(' '))
  assert.deepEqual(of(...names), wrong)
  const notes = (await said('How it was judged')).join(' ')
  assert.match(notes, /1\.87 s into/)
  assert.match(notes, /7\.3 dB softer/)
  assert.deepEqual(await seriousIn(page), [])
})

test('when it is mended nothing is wrong, and the call sheet is ticked', async () => {
  const files = await playedElsewhere(stage, id, (c) => c.kind !== 'audio' && c.kind !== 'trigger')
  await page.getByLabel('Recordings of the test').setInputFiles(written(files, 'right', { rate: 48000, gainDb: -3, begins: 0.4 }))
  await page.getByText('Nothing is wrong with what came back.').waitFor({ timeout: 120_000 })
  const shown = Number(/^\s*(\d+) of \d+ lines by hand/.exec(await page.getByText(/lines by hand (is|are) shown/).textContent())[1])
  const patched = splits((await stage.get(`/api/documents/${id}`)).channels.map((c) => c.channel)).length
  assert.ok(shown >= patched, `${shown} lines are shown, ${patched} splits are patched`)
  await page.getByRole('button', { name: `Tick ${shown} lines on the call sheet` }).click()
  await page.getByText('all ticked on the call sheet').waitFor()
  await page.getByRole('link', { name: 'Back to the call sheet' }).click()
  await page.getByText(`${shown} done`).waitFor()
})

test('a file is what a person says, what its sound says where its name does not, and refused where it is none', async () => {
  await page.getByRole('link', { name: 'Line check from outside…' }).click()
  const files = await playedElsewhere(stage, id, (c) => c.kind === 'split')
  const nameless = new Map([...files].map(([, wave], n) => [`Audio ${n + 31}`, wave]))
  const paths = written(nameless, 'nameless', { rate: 32000, gainDb: 0, begins: 2 })
  const torn = join(stage.data, 'torn.wav')
  writeFileSync(torn, 'RIFF and nothing more')
  await page.getByLabel('Recordings of the test').setInputFiles([...paths, torn])
  await page.getByText(/^torn\.wav: /).waitFor({ timeout: 120_000 })
  const recordings = page.getByRole('list', { name: 'Recordings', exact: true })
  await settles(async () => (await recordings.getByText('by its sound').count()) === files.size, true)
  const order = [...files.keys()]
  const third = recordings.getByRole('listitem').nth(2)
  assert.match(await third.textContent(), new RegExp(order[2]))
  await pick(third, 'What 03 Audio 33.wav is', 'none of the channels')
  await third.getByText('as you said').waitFor()
  assert.equal(await recordings.getByText('by its sound').count(), files.size - 1)

  // What is edited meanwhile is not in the test: that is said, and one begins again.
  const { head } = await stage.get(`/api/documents/${id}`)
  await stage.post(`/api/documents/${id}/edits`, { revision: head.revision, edits: [{ type: 'set-level', channel: 'main', level: -1 }] })
  await page.getByText(/has changed since the first recording came/).waitFor()
  await page.getByRole('button', { name: 'Begin again with what it is now' }).click()
  await page.getByRole('region', { name: 'Channels to record' }).waitFor()
  assert.equal(await recordings.getByRole('listitem').count(), 0)
  assert.deepEqual([stage.troubles.filter((t) => !t.includes('status of 400') && !t.includes('status of 415')), stage.strangers], [[], []])
})
