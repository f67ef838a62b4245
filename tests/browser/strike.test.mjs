// A finished song of 120 tracks comes in, is struck to a template, and is brought onto the buses of Night Ferry.
import assert from 'node:assert/strict'
import { createHash } from 'node:crypto'
import { execFileSync } from 'node:child_process'
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { after, before, test } from 'node:test'
import { strToU8, unzipSync, zipSync } from 'fflate'
import { finishedSong } from './finished-song.mjs'
import { seriousIn } from './serious.mjs'
import { journey, openStage, pick, settles, slowly } from './stage.mjs'

const song = finishedSong()
let stage, page, id, begun
before(async () => {
  stage = await openStage()
  page = stage.page
  begun = stage.actions.all
})
after(() => stage.close())

/** The row of figures of that name: the song's and the template's. */
async function figures(name) {
  const cells = await page.getByRole('complementary', { name: 'What comes of it' }).getByRole('row', { name: new RegExp(`^${name} `) }).getByRole('cell').allTextContents()
  return cells.map(Number)
}

const whole = async () => (await stage.get(`/api/documents/${id}`)).channels.map((c) => c.channel)

test('a project of a workstation comes in as a song, which says what it left behind', async () => {
  assert.equal(song.counted.tracks, 120)
  const path = join(stage.data, 'winters.dawproject')
  writeFileSync(path, song.file)
  await page.goto(`${stage.address}/songs`)
  await page.getByLabel('A DAWproject').setInputFiles(path)
  await page.getByRole('heading', { name: song.title }).waitFor()
  await page.getByText(`${song.counted.clips} clips of sound`).waitFor()
  await page.getByText('no template here: it was made elsewhere').waitFor()
  id = page.url().split('/').at(-1)
  assert.equal((await whole()).length, 120)
})

test('every figure of the strike is what the song was written with', async () => {
  await page.getByRole('link', { name: 'Strike to a template' }).click()
  const { counted } = song
  const heading = (name) => page.getByRole('heading', { name: new RegExp(`^${name}`) })
  await heading('Takes that go').waitFor()
  const said = async (name) => Number(/\d+$/.exec((await heading(name).textContent()).trim())[0])
  assert.deepEqual(
    [await said('Takes that go'), await said('Prints that go'), await said('Notes that go'), await said('Unused returns that go'), await said('Doubled inserts that go')],
    [counted.takesGone, counted.printsGone, counted.notes, 1, counted.doubled],
  )
  assert.equal(await said('Recordings that go'), counted.clips)
  assert.equal(await said('Curves that go'), counted.curves)
  const gone = counted.takesGone + counted.printsGone + 1
  assert.deepEqual(await figures('Channels'), [120, 120 - gone])
  assert.deepEqual((await figures('of them buses'))[0], counted.buses)
  assert.deepEqual(await figures('returns'), [counted.returns, counted.returns - 1])
  assert.deepEqual((await figures('muted'))[0], counted.muted)
  assert.equal((await figures('resting in every act'))[0], counted.unloaded)
  assert.equal((await figures('of them switched off'))[0], counted.off)
  assert.equal((await figures('Sends'))[0], counted.sends)
  assert.deepEqual(await seriousIn(page), [])
})

test('one press makes the template; the song is the same to the byte, and nothing is left behind', async () => {
  const document = () => fetch(`${stage.address}/api/documents/${id}/document`).then((r) => r.text())
  const was = await document()
  await page.getByRole('region', { name: 'Takes that go' }).getByRole('button', { name: /more/ }).click()
  await page.getByLabel('Elec rhythm tk1').uncheck()
  await settles(async () => (await figures('Channels'))[1], 120 - song.counted.takesGone - song.counted.printsGone)
  await page.getByLabel('Elec rhythm tk1').check()
  await settles(async () => (await figures('Channels'))[1], 120 - song.counted.takesGone - song.counted.printsGone - 1)
  await page.getByRole('button', { name: 'Make the template' }).click()
  await page.getByRole('row', { name: /Mstr/ }).waitFor()
  assert.equal(await document(), was)

  const template = page.url().split('/').at(-1)
  const { channels, head } = await stage.get(`/api/documents/${template}`)
  const all = channels.map((c) => c.channel)
  assert.equal(head.name, song.title)
  assert.deepEqual(all.filter((c) => c.patterns.length + c.starters.length + c.shapes.length > 0 || c.level !== 0 || c.pan !== 0 || c.muted), [])
  assert.deepEqual(all.filter((c) => /tk\d|take|keep|print|bounce|comp\b/i.test(c.name)).map((c) => c.name), [])
  // What was printed, muted and unloaded is there and plays again.
  assert.deepEqual(all.filter((c) => c.kind === 'instrument').length, 10)
  assert.deepEqual(Object.keys(all.find((c) => c.name === 'Grand piano').stages), [])
  assert.equal(all.find((c) => c.name === 'Slide gtr').inserts.length, 2)
  const found = await stage.get(`/api/documents/${template}/findings?act=write`)
  assert.deepEqual(found.open.filter((f) => f.group === 'Leftovers'), [])
  console.log(`actions from the song's file to its template: ${stage.actions.since(begun) - 2}`)
})

test('wishes that follow each other faster than answers come are all in the template', async () => {
  await page.goto(`${stage.address}/songs/${id}/strike`)
  const stays = page.getByRole('group', { name: 'What else may stay' })
  await stays.getByLabel('Key').waitFor()
  assert.equal(await stays.getByLabel('Faders, pans and mutes').isChecked(), false)
  await slowly(page, '**/strike/preview', async () => {
    await stays.getByLabel('Faders, pans and mutes').check()
    await page.getByLabel('Name', { exact: true }).fill('Struck in haste')
    await page.getByRole('button', { name: 'Make the template' }).click()
    await page.getByRole('row', { name: /Mstr/ }).waitFor()
  })
  const { head, channels } = await stage.get(`/api/documents/${page.url().split('/').at(-1)}`)
  assert.equal(head.name, 'Struck in haste')
  assert.ok(channels.some(({ channel }) => channel.level !== 0))
})

test('the song is brought onto the buses of Night Ferry, each line with its reason, and one undo takes it back', async () => {
  const was = await whole()
  await page.goto(`${stage.address}/songs/${id}/refit`)
  await pick(page, 'The template whose buses are the plan', 'Night Ferry')
  await page.getByRole('row', { name: /^Audio 1 / }).first().waitFor()
  const asked = await stage.post(`/api/documents/${id}/refit`, { plan: (await stage.get('/api/templates')).find((t) => t.name === 'Night Ferry').id })
  // Each channel that goes into a sum stands on one line.
  const known = was.filter((c) => c.destination).map((c) => c.id)
  assert.deepEqual(asked.lines.filter((l) => l.kind !== 'made').map((l) => l.channel).sort(), known.sort())
  assert.ok(asked.lines.every((l) => l.why.length > 0))
  assert.equal(asked.lines.find((l) => l.name === 'Kick in').toName, 'Drums')
  assert.equal(asked.lines.find((l) => l.name === 'BV 7').toName, 'Chorus')
  assert.equal(asked.lines.find((l) => l.name === 'Audio 1').kind, 'no-place')
  assert.deepEqual(await seriousIn(page), [])
  // What was said last is done, also where its answer has not come yet.
  await slowly(page, '**/refit', async () => {
    await pick(page, 'Where Audio 1 goes', 'Guitars')
    await page.getByRole('button', { name: 'Bring it onto Night Ferry' }).click()
    await page.waitForURL(/\/order$/)
  })
  await page.getByRole('row', { name: /Mstr/ }).waitFor()

  const now = await whole()
  const byId = new Map(now.map((c) => [c.id, c]))
  for (const before of was) {
    const after = byId.get(before.id)
    assert.deepEqual([after.name, after.source, after.patterns, after.level, after.pan, after.muted], [before.name, before.source, before.patterns, before.level, before.pan, before.muted])
    assert.ok(before.sends.every((s) => after.sends.some((t) => JSON.stringify(t) === JSON.stringify(s))))
    assert.ok(before.inserts.every((i) => after.inserts.some((j) => j.id === i.id)))
  }
  assert.equal(byId.get(byId.get(now.find((c) => c.name === 'Audio 1').destination).id).name, 'GTRS')
  await page.keyboard.press('Control+z')
  await settles(async () => JSON.stringify(await whole()), JSON.stringify(was))
})

journey('the loudness of each bus is rendered before and after, and the two are renders of what it says', async () => {
  const { id: wreck } = (await stage.get('/api/songs')).find((s) => s.title === 'Wreck of a Song')
  // Two bars are as good as a song.
  const { head } = await stage.get(`/api/documents/${wreck}`)
  const timeline = { tempoBpm: 120, meter: { beats: 4, unit: 4 }, sections: [{ name: 'Verse', bars: 2, id: 'verse' }] }
  await stage.post(`/api/documents/${wreck}/edits`, { revision: head.revision, edits: [{ type: 'set-timeline', timeline }] })
  await page.goto(`${stage.address}/songs/${wreck}/refit`)
  await pick(page, 'The template whose buses are the plan', 'First Rehearsal')
  await page.getByRole('button', { name: 'Render before and after' }).click()
  const cells = page.getByRole('row', { name: /^Main −/ }).getByRole('cell')
  await cells.first().waitFor({ timeout: 90_000 })
  const [before, after] = (await cells.allTextContents()).map((t) => t.replace('−', '-'))
  const plan = (await stage.get('/api/templates')).find((t) => t.name === 'First Rehearsal').id
  const { edits } = await stage.post(`/api/documents/${wreck}/refit`, { plan })
  for (const [shown, trying] of [[before, []], [after, edits]]) {
    const { id: job } = await stage.post('/api/renders', { document: wreck, act: 'mix', listenTo: null, section: null, trying })
    await settles(async () => (await stage.get(`/api/renders/${job}`)).state, 'done')
    assert.equal(shown, (await stage.get(`/api/renders/${job}`)).meters.loudnessLufs.toFixed(1))
  }
})

test('a song that goes out and is worked on elsewhere is known when it comes back, and takes in what was done', async () => {
  const song = (await stage.get('/api/songs')).find((s) => s.title === 'Wreck of a Song')
  const out = unzipSync(new Uint8Array(await (await fetch(`${stage.address}/api/documents/${song.id}/project`)).arrayBuffer()))
  const xml = Buffer.from(out['project.xml']).toString()
  // As a workstation might: ids of its own, one track called otherwise, one muted, the master softer.
  const worked = xml
    .replaceAll(/"(track|channel|device|send|volume|pan|parameter)[.]([^"]*)"/g, (_, kind, rest) => `"${kind}-${createHash('sha1').update(rest).digest('hex').slice(0, 8)}"`)
    .replace('name="Blorp 7"', 'name="Wind machine"')
    .replace(/(name="Shaker copy".*?<Mute[^>]*value=")false/s, '$1true')
  assert.notEqual(worked, xml)
  const file = { name: 'wreck final.dawproject', mimeType: 'application/zip', buffer: Buffer.from(zipSync({ ...out, 'project.xml': strToU8(worked) })) }
  await page.goto(`${stage.address}/songs`)
  await page.getByLabel('A DAWproject', { exact: true }).setInputFiles(file)
  const dialog = page.getByRole('dialog', { name: 'Wreck of a Song has come back' })
  await dialog.getByText('Shaker copy is muted').waitFor()
  assert.deepEqual(await seriousIn(page), [])
  const before = await stage.get(`/api/documents/${song.id}`)
  await dialog.getByRole('button', { name: 'Take it into the song' }).click()
  await page.waitForURL(/\/songs\/[^/]+$/)
  const after = await stage.get(`/api/documents/${song.id}`)
  const changed = after.channels.filter((c, i) => JSON.stringify(c.channel) !== JSON.stringify(before.channels[i]?.channel)).map((c) => [c.channel.name, c.channel.muted])
  // A track that was called otherwise and has another id is a new one in place of the old: nobody can know.
  assert.deepEqual(changed.filter(([name]) => name === 'Shaker copy'), [['Shaker copy', true]])
  assert.equal(after.head.revision, before.head.revision + 1)
  // Out and home again unaltered, nothing is left to be done.
  const again = new Uint8Array(await (await fetch(`${stage.address}/api/documents/${song.id}/project`)).arrayBuffer())
  await page.goto(`${stage.address}/songs`)
  await page.getByLabel('A DAWproject', { exact: true }).setInputFiles({ ...file, buffer: Buffer.from(again) })
  await page.getByText('nothing that it can say was changed').waitFor()
  await page.getByRole('button', { name: 'Leave it' }).click()
})

test('a song that was begun elsewhere from a template’s project is a song of that template', async () => {
  const template = (await stage.get('/api/templates')).find((t) => t.name === 'First Rehearsal')
  const out = unzipSync(new Uint8Array(await (await fetch(`${stage.address}/api/documents/${template.id}/project`)).arrayBuffer()))
  const worked = Buffer.from(out['project.xml']).toString().replaceAll('value="96"', 'value="88"')
  const file = Buffer.from(zipSync({ ...out, 'project.xml': strToU8(worked) }))
  await page.getByLabel('A DAWproject', { exact: true }).setInputFiles({ name: 'Low tide.dawproject', mimeType: 'application/zip', buffer: file })
  await page.getByRole('heading', { name: 'Low tide' }).waitFor()
  await page.getByText('First Rehearsal').waitFor()
  const song = (await stage.get('/api/songs')).find((s) => s.title === 'Low tide')
  // Its tempo is every song's own, and no change of the template.
  assert.deepEqual([song.templateId, song.tempoBpm, song.changes], [template.id, 88, 0])
  assert.equal((await stage.get(`/api/templates/${template.id}/reviews`)).songs, 1)
})

journey('the package holds what is ticked, stems among it, and its manifest tells each file', async () => {
  const { id: wreck } = (await stage.get('/api/songs')).find((s) => s.title === 'Wreck of a Song')
  await page.goto(`${stage.address}/songs/${wreck}`)
  const box = page.getByRole('region', { name: 'The package' })
  for (const name of ['Call sheet', 'The main as WAVE', 'Stems as WAVE']) await box.getByLabel(name).click()
  const silentStems = (await stage.get(`/api/documents/${wreck}/package`)).find((p) => p.part === 'stems').silentFiles
  if (silentStems > 0) await box.getByRole('note').waitFor()
  else assert.equal(await box.getByRole('note').count(), 0)
  assert.deepEqual(await seriousIn(page), [])
  const [download] = await Promise.all([page.waitForEvent('download', { timeout: 60_000 }), box.getByRole('button', { name: 'Make and download it' }).click()])
  const files = unzipSync(readFileSync(await download.path()))
  const manifest = JSON.parse(Buffer.from(files['manifest.json']).toString())
  const into = (await stage.get(`/api/documents/${wreck}`)).channels.filter((c) => c.channel.destination === 'mix-bus')
  assert.equal(manifest.files.filter((f) => f.part === 'stems').length, into.length)
  assert.ok(!manifest.files.some((f) => f.part === 'main' || f.part === 'call-sheet'))
  for (const f of manifest.files) assert.deepEqual([f.bytes, f.sha256], [files[f.name].length, createHash('sha256').update(files[f.name]).digest('hex')])
  // What was estimated is what came: the sound of a stem to the byte, without its 44 to 80 bytes of header.
  const said = (await stage.get(`/api/documents/${wreck}/package`)).find((p) => p.part === 'stems')
  const came = manifest.files.filter((f) => f.part === 'stems').reduce((sum, f) => sum + f.bytes, 0)
  assert.ok(came - said.bytes >= 44 * into.length && came - said.bytes <= 80 * into.length, `${came - said.bytes}`)
  assert.deepEqual(stage.troubles, [])
})

test('a folder of a MIDI file and sounds, as any workstation writes it, comes in as a song', async () => {
  const folder = join(stage.data, 'Salt Road')
  mkdirSync(folder)
  const ferry = (await stage.get('/api/templates')).find((t) => t.name === 'Night Ferry').id
  writeFileSync(join(folder, 'Salt Road.mid'), Buffer.from(await (await fetch(`${stage.address}/api/documents/${ferry}/midi`)).arrayBuffer()))
  const made = (name, ...how) => execFileSync('ffmpeg', ['-v', 'error', '-f', 'lavfi', '-i', ...how, join(folder, name)])
  made('Salt Road - 01 Hurdy gurdy.wav', 'sine=frequency=220:duration=20', '-ar', '44100', '-c:a', 'pcm_s24le', '-ac', '2')
  made('Salt Road - 02 Undertow.wav', 'sine=frequency=55:duration=12', '-c:a', 'pcm_f32le')
  writeFileSync(join(folder, 'Salt Road - 03 torn.wav'), 'RIFF')
  writeFileSync(join(folder, 'notes.txt'), 'not for us')
  await page.goto(`${stage.address}/songs`)
  await page.getByLabel('A folder with a MIDI file and sounds').setInputFiles(folder)
  await page.getByText(/It is here, without some of its files\. Salt Road - 03 torn\.wav: /).waitFor()
  await page.getByRole('link', { name: 'Open it' }).click()
  await page.getByRole('heading', { name: 'Salt Road' }).waitFor()
  await page.getByText('Undertow is there as notes and as sound: the notes wait, muted.').waitFor()
  const here = (await stage.get(`/api/documents/${page.url().split('/').at(-1)}`)).channels.map((c) => c.channel)
  const of = (name) => here.find((c) => c.name === name)
  assert.deepEqual([of('Hurdy gurdy').kind, of('Hurdy gurdy').format, of('Undertow print').format], ['audio', 'stereo', 'mono'])
  assert.deepEqual([of('Undertow').muted, of('Tidewater Kit').source.type], [true, 'instrument'])
  assert.deepEqual(await seriousIn(page), [])
})
