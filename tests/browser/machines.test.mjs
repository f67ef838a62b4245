// Machines of one's own, each from an empty stage to a line check that is all right, in few actions.
import assert from 'node:assert/strict'
import { execFileSync } from 'node:child_process'
import { mkdir, mkdtemp, readdir, readFile, rm, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { after, before, test } from 'node:test'
import { seriousIn } from './serious.mjs'
import { journey, openStage, settles, slowly, waveFile } from './stage.mjs'

const mostActions = 20
let stage
let page
before(async () => {
  stage = await openStage()
  page = stage.page
})
after(() => stage.close())

/** An empty template, its outputs, and the dialog in which a machine is typed. */
async function begin(name) {
  const answer = await page.request.post(`${stage.address}/api/templates`, { data: { name } })
  const { id } = await answer.json()
  await page.goto(`${stage.address}/templates/${id}/outputs`)
  await page.getByRole('button', { name: 'A machine of your own…' }).click()
  return { id, dialog: page.getByRole('dialog', { name: 'A machine of your own' }) }
}

const channels = async (id) => (await stage.get(`/api/documents/${id}`)).channels.map((c) => c.channel)

/** Every source fired alone: each is heard where it belongs. */
async function lineCheck(sources) {
  await page.getByRole('button', { name: 'Fire all' }).click()
  await page.getByText(`Fired ${sources} of ${sources}.`).waitFor({ timeout: 120_000 })
  await page.getByText('Each where it belongs.').waitFor()
}

test('a machine with eleven mono jacks: typed, made, split and checked', async () => {
  const from = stage.actions.all
  const { id, dialog } = await begin('Slate crate')
  await dialog.getByLabel('Name', { exact: true }).fill('Slate crate')
  await dialog.getByLabel('Pieces').fill('Boom, Kick hard, Snare A, Snare B, Clap, Rim, Hat closed, Hat open, Shaker, Blip, Loop')
  await dialog.getByLabel('Jacks').fill('11')
  await dialog.getByText('First output for the rest').click()
  await dialog.getByText('11 sources over').waitFor()
  await dialog.getByRole('row', { name: /^1 Kick hard Kick hard 36$/ }).waitFor()
  await dialog.getByRole('button', { name: 'Make it' }).click()
  await lineCheck(11)

  const made = await channels(id)
  const { kit } = made.find((c) => c.name === 'Slate crate').source
  assert.equal(kit.outputs.length, 11)
  assert.ok(kit.outputs.every((o) => o.format === 'mono'))
  assert.equal(made.filter((c) => c.kind === 'split').length, 10)
  const used = stage.actions.since(from)
  assert.ok(used <= mostActions, `${used} actions`)
  // The whole machine is one act.
  assert.equal((await stage.get(`/api/documents/${id}`)).head.revision, 1)
})

journey('an acoustic kit of 23 microphones: two on each tom, overheads and rooms', async () => {
  const from = stage.actions.all
  const { id, dialog } = await begin('Barn')
  await dialog.getByLabel('Name', { exact: true }).fill('Barn set')
  await dialog
    .getByLabel('Pieces')
    .fill('Kick in/out/sub, Snare top/bottom, Tom 1–5 top/bottom, Hat, Ride\nCrash 1–2, Overheads, Room near, Room far mono, Bell')
  await dialog.getByLabel('Jacks').fill('32')
  await dialog.getByText('23 sources over').waitFor()
  await dialog.getByRole('button', { name: 'Make it' }).click()
  await lineCheck(12)

  const { kit } = (await channels(id)).find((c) => c.name === 'Barn set').source
  assert.deepEqual(kit.pieces.find((p) => p.name === 'Tom 3').microphones.map((m) => m.name), ['top', 'bottom'])
  assert.deepEqual(kit.far.map((f) => f.microphone.format), ['stereo', 'stereo', 'mono'])
  const used = stage.actions.since(from)
  assert.ok(used <= mostActions, `${used} actions`)
})

test('a piece is renamed, sent to another output and given a second microphone, and undo takes each back', async () => {
  const kitOf = async (id) => (await channels(id)).find((c) => c.kind === 'instrument').source.kit
  const { id, dialog } = await begin('Tinkered')
  await dialog.getByLabel('Pieces').fill('Thud, Crack, Fizz')
  await dialog.getByLabel('Jacks').fill('6')
  await dialog.getByText('3 sources over').waitFor()
  await dialog.getByRole('button', { name: 'Make it' }).click()
  const side = page.getByRole('complementary')
  await page.getByRole('button', { name: /^Crack/ }).first().click()
  await side.getByLabel('Name', { exact: true }).fill('Slam')
  await side.getByLabel('Name', { exact: true }).press('Tab')
  await page.locator('.output', { hasText: 'Slam' }).waitFor()
  await side.getByLabel('Leaves by').selectOption({ label: '5 Output 5' })
  await page.locator('.output', { hasText: 'Slam' }).and(page.locator('.output', { hasText: '5' })).waitFor()
  await side.getByRole('button', { name: 'Another microphone' }).click()
  await page.getByRole('button', { name: /^Slam beside/ }).waitFor()
  const slam = (await kitOf(id)).pieces.find((p) => p.name === 'Slam')
  assert.deepEqual(slam.microphones.map((m) => [m.name, m.output]), [['close', 5], ['beside', 5]])

  for (let i = 0; i < 3; i++) {
    const { revision } = (await stage.get(`/api/documents/${id}`)).head
    await page.getByRole('button', { name: 'Undo' }).click()
    for (let left = 50; (await stage.get(`/api/documents/${id}`)).head.revision === revision && left > 0; left--) await page.waitForTimeout(100)
  }
  const crack = (await kitOf(id)).pieces.find((p) => p.name === 'Crack')
  assert.deepEqual(crack.microphones.map((m) => m.output), [3])
})

test('what a list says that cannot be is shown beside it, and nothing is made', async () => {
  const { id, dialog } = await begin('Wrong list')
  await dialog.getByLabel('Pieces').fill('Kick, Tom 3–1, Snare = 200')
  await dialog.getByRole('listitem').getByText('Tom 3–1').waitFor()
  await dialog.getByRole('listitem').getByText('Snare = 200').waitFor()
  await dialog.getByLabel('Jacks').fill('70')
  await dialog.getByText(/number of jacks/i).waitFor()
  assert.ok(await dialog.getByRole('button', { name: 'Make it' }).isDisabled())
  await dialog.getByRole('button', { name: 'Not now' }).click()
  assert.equal((await stage.get(`/api/documents/${id}`)).head.revision, 0)
  assert.deepEqual(stage.troubles, [])
})

journey('a folder of forty sounds becomes a machine: pieces, layers, sides and splits by their names', async () => {
  const folder = await mkdtemp(join(tmpdir(), 'forty-'))
  const names = [
    ...['Kick low', 'Kick mid', 'Kick click', 'Snare fat', 'Snare thin', 'Snare rim', 'Clap', 'Snap', 'HH closed', 'HH open', 'HH pedal', 'Tom 1', 'Tom 2', 'Tom 3'],
    ...['Side_v30', 'Side_v80', 'Side_v127'].map((n) => n.replace('Side', 'Snare side')),
    ...['Crash L', 'Crash R', 'Splash', 'China', 'Ride bow', 'Ride bell', 'Shaker 1', 'Shaker 2', 'Tamb', 'Cowbell', 'Conga hi', 'Conga lo', 'Bongo'],
    ...['Claves', 'Woodblock', 'Guiro', 'Triangle', 'Cabasa', 'Gong', 'Riser', 'Bass stab', 'Vox chop', 'qqq7'],
  ]
  assert.equal(names.length, 40)
  await Promise.all(names.map((name, i) => writeFile(join(folder, `Mudflat ${name}.wav`), waveFile(900 + i, 44100))))
  const from = stage.actions.all
  const { id, dialog } = await begin('Forty')
  await dialog.getByLabel('Name', { exact: true }).fill('Mudflat')
  await dialog.getByLabel('A folder of sound files').setInputFiles(folder)
  await dialog.getByText('40 sounds').waitFor()
  await dialog.getByLabel('Jacks').fill('16')
  await dialog.getByText('36 sources over').waitFor()
  assert.deepEqual(await seriousIn(page), [])
  await dialog.getByText('qqq7.wav: its name does not say what it is').waitFor()
  await dialog.getByRole('button', { name: 'Make it' }).click()
  await lineCheck(36)

  const { kit } = (await channels(id)).find((c) => c.name === 'Mudflat').source
  assert.deepEqual(kit.pieces.find((p) => p.name === 'Snare side').layers.map((l) => l.fromVelocity), [31, 81])
  const crash = kit.pieces.find((p) => p.name === 'Crash')
  assert.equal(crash.sample.lanes, 2)
  assert.equal(crash.microphones[0].format, 'stereo')
  // What is kept is what is used: 38 files, two of them joined, and none that waits.
  const shelf = await stage.get('/api/media')
  assert.equal(shelf.filter((s) => s.title.startsWith('Mudflat')).length, 38)
  const used = stage.actions.since(from)
  assert.ok(used <= mostActions, `${used} actions`)
  await rm(folder, { recursive: true })
})

test('an SFZ in a folder beside its samples is a kit, and what it names as FLAC is kept to the bit', async () => {
  const folder = await mkdtemp(join(tmpdir(), 'pantry-'))
  await mkdir(join(folder, 'taps'))
  const sounds = [['jar.flac', 44100, 2, 24], ['tin.flac', 96000, 1, 16], ['crate.wav', 22050, 1, 8]]
  const made = sounds.map(([name, rate, lanes, bits]) => {
    const path = join(folder, 'taps', name)
    execFileSync('sox', ['-V1', '-R', '-n', '-r', rate, '-c', lanes, '-b', bits, path, 'synth', '0.25', 'whitenoise', 'gain', '-3', 'fade', '0', '0.25', '0.2'])
    return execFileSync('ffmpeg', ['-v', 'error', '-i', path, '-f', 'f32le', '-'])
  })
  await writeFile(join(folder, 'taps', 'torn.flac'), 'fLaC and no more')
  const regions = [[36, 'jar.flac'], [38, 'tin.flac'], [45, 'crate.wav'], [49, 'lost.flac'], [51, 'torn.flac']].map(([key, name]) => `<region> key=${key} sample=${name}`)
  await writeFile(join(folder, 'Larder.sfz'), ['<control> default_path=taps/', ...regions].join('\n'))
  const { id, dialog } = await begin('Pantry')
  await dialog.getByLabel('A folder of sound files').setInputFiles(folder)
  await dialog.getByText('Larder.sfz: 5 pieces').waitFor()
  await dialog.getByText('lost.flac, which is not in the upload').waitFor()
  await dialog.getByText('torn.flac: This is a FLAC file.').waitFor()
  assert.equal(await dialog.getByLabel('Name', { exact: true }).getAttribute('placeholder'), 'Larder')
  await dialog.getByRole('button', { name: 'Make it' }).click()
  await dialog.waitFor({ state: 'hidden' })

  const { kit } = (await channels(id)).find((c) => c.name === 'Larder').source
  assert.deepEqual(kit.pieces.map((p) => p.sample && [p.sample.sampleRateHz, p.sample.lanes]), [[44100, 2], [96000, 1], [22050, 1], null, null])
  // What lies on the disk has the samples that another program decodes: as floating point after a head of 44 bytes.
  const media = join(stage.data, 'media')
  const kept = await Promise.all((await readdir(media)).filter((f) => f.endsWith('.wav')).map((f) => readFile(join(media, f))))
  for (const [i, [name]] of sounds.entries()) {
    assert.ok(made[i].length > 4 * 5000 && made[i].some((byte) => byte !== 0))
    assert.ok(kept.some((file) => file.subarray(44).equals(made[i])), `${name} is kept as it is`)
  }
  await rm(folder, { recursive: true })
})

test('the table and the bands are one thing: many are sent and planned as one, an output is renamed, a piece is dragged', async () => {
  const kitOf = async (id) => (await channels(id)).find((c) => c.kind === 'instrument').source.kit
  const outputOf = async (id, name) => (await kitOf(id)).pieces.find((p) => p.name === name).microphones[0].output
  const { id, dialog } = await begin('Laid out')
  await dialog.getByLabel('Pieces').fill('Kick, Snare, Tom 1–3, Clap')
  await dialog.getByText('6 sources over').waitFor()
  await dialog.getByRole('button', { name: 'Make it' }).click()
  await dialog.waitFor({ state: 'hidden' })
  await page.getByRole('button', { name: 'Table', exact: true }).click()
  await page.getByLabel('Choose Tom 1').check()
  await page.getByLabel('Choose Tom 3').check()
  assert.deepEqual(await seriousIn(page), [])
  await page.getByLabel('Send them to').selectOption({ label: '2 Kick' })
  await settles(async () => [await outputOf(id, 'Tom 1'), await outputOf(id, 'Tom 3')], [2, 2])
  await page.getByRole('button', { name: 'Plan them as one' }).click()
  await settles(async () => (await kitOf(id)).pieces.filter((p) => p.microphones[0].together === 'Tom 1').map((p) => p.name), ['Tom 1', 'Tom 3'])
  await page.getByLabel('Name of output 2').fill('Thunder')
  await page.getByLabel('Name of output 2').press('Tab')
  await settles(async () => (await kitOf(id)).outputs[1].name, 'Thunder')
  await page.getByLabel('Note of Clap').press('ArrowUp')
  await settles(async () => (await kitOf(id)).pieces.find((p) => p.name === 'Clap').note, 40)
  await page.getByRole('button', { name: 'Bands', exact: true }).click()
  await page.locator('button.piece', { hasText: 'Clap' }).dragTo(page.locator('.output', { hasText: 'Thunder' }))
  await settles(() => outputOf(id, 'Clap'), 2)
  assert.deepEqual(stage.troubles, [])
})

test('the hits of a MIDI file are a machine in one act, over the jacks that are said', async () => {
  const { id, dialog } = await begin('From hits')
  // Standard MIDI File 1.0, format 0: notes 36, 42 and 75 on channel 10.
  const track = Buffer.from([0, 0x99, 36, 100, 96, 0x89, 36, 0, 0, 0x99, 42, 90, 96, 0x89, 42, 0, 0, 0x99, 75, 90, 96, 0x89, 75, 0, 0, 0xff, 0x2f, 0])
  const head = Buffer.from([...Buffer.from('MThd'), 0, 0, 0, 6, 0, 0, 0, 1, 0, 96, ...Buffer.from('MTrk'), 0, 0, 0, track.length])
  await dialog.getByLabel('Sound files, or the file of a kit').setInputFiles({ name: 'thump.mid', mimeType: 'audio/midi', buffer: Buffer.concat([head, track]) })
  await dialog.getByText('thump.mid: 3 pieces').waitFor()
  await dialog.getByLabel('Pieces').fill('Gravel')
  await dialog.getByText('4 sources over').waitFor()
  await dialog.getByRole('button', { name: 'Make it' }).click()
  await lineCheck(4)
  const { kit } = (await channels(id)).find((c) => c.kind === 'instrument').source
  assert.deepEqual(kit.pieces.map((p) => p.note).slice(0, 3), [36, 42, 75])
  assert.equal(kit.pieces[3].name, 'Gravel')
  assert.equal(kit.outputs.length, 8)
})

test('a table that says its outputs is taken at its word; what it puts on two of them is shown, found and mended', async () => {
  const table = ['name,note,family,output,first-too', 'Plank,35,drums/kick,2,yes', 'Nail,38,drums/snare,3,', 'Hinge,42,drums/hats,3,yes', 'Latch,56,percussion/metal,4,yes', 'Bolt,70,percussion/shakers,1,']
  const { id, dialog } = await begin('Carpenter')
  await dialog.getByLabel('Sound files, or the file of a kit').setInputFiles({ name: 'Workbench.csv', mimeType: 'text/csv', buffer: Buffer.from(table.join('\r\n')) })
  await settles(() => dialog.getByLabel('Leaves by').inputValue(), 'file')
  const carried = () => dialog.getByRole('row').evaluateAll((rows) => rows.slice(1).map((r) => [...r.cells].map((c) => c.innerText.replaceAll(/\s+/g, ' ').trim())))
  const said = [['1', 'The rest', 'Plank 35 Hinge 42 Latch 56 Bolt 70'], ['2', 'Plank', 'Plank 35'], ['3', 'Nail and hinge', 'Nail 38 Hinge 42'], ['4', 'Latch', 'Latch 56']]
  await settles(async () => (await carried()).map((r) => r.join('|').replaceAll(/(\d)(?=[A-Z])/g, '$1 ')).join(';'), said.map((r) => r.join('|')).join(';'))
  await dialog.getByRole('button', { name: 'Make it' }).click()
  await dialog.waitFor({ state: 'hidden' })
  const made = (await channels(id)).find((c) => c.source?.kit)
  assert.deepEqual(made.source.kit.pieces.map((p) => [p.name, p.microphones[0].output, p.microphones[0].alsoOnFirst ?? false]), [['Plank', 2, true], ['Nail', 3, false], ['Hinge', 3, true], ['Latch', 4, true], ['Bolt', 1, false]])

  // Without its split the latch is heard in the rest alone, so it is not found and stays there.
  const side = page.getByRole('complementary', { name: 'The plan and the chosen piece' })
  await side.getByRole('button', { name: 'Take them off output 1' }).click()
  await side.getByText('Plank, Hinge, Latch of Workbench leave the first output').waitFor()
  const split = (await channels(id)).find((c) => c.name === 'Latch')
  await stage.post(`/api/documents/${id}/edits`, { revision: (await stage.get(`/api/documents/${id}`)).head.revision, edits: [{ type: 'remove-channel', channel: split.id }] })
  await side.getByText('Plank, Hinge of Workbench leave the first output').waitFor()
  await side.getByRole('button', { name: 'Do it' }).click()
  const first = async () => (await channels(id)).find((c) => c.source?.kit).source.kit.pieces.filter((p) => p.microphones[0].alsoOnFirst).map((p) => p.name).join()
  await settles(first, 'Latch')
  assert.equal((await stage.get(`/api/documents/${id}/findings?act=write`)).open.filter((f) => f.rule === 'piece-unheard').length, 0)

  await page.getByRole('button', { name: /^Plank/ }).click()
  await side.getByLabel('and by 1 as well').click()
  await settles(first, 'Plank,Latch')
  await page.getByRole('button', { name: 'Fire all' }).click()
  await page.getByText('Plank: close on Workbench and Plank').waitFor()
  await page.keyboard.press('Control+z')
  await settles(first, 'Latch')
  assert.deepEqual(await seriousIn(page), [])
  assert.deepEqual(stage.troubles, [])
})

test('a note is typed by its name or pressed, and a piece goes to its neighbours by keys', async () => {
  const kitOf = async (id) => (await channels(id)).find((c) => c.kind === 'instrument').source.kit
  const noteOf = async (id, name) => (await kitOf(id)).pieces.find((p) => p.name === name).note
  const { id, dialog } = await begin('By keys')
  await dialog.getByLabel('Pieces').fill('Gravel, Twig, Puddle')
  await dialog.getByText('3 sources over').waitFor()
  await dialog.getByRole('button', { name: 'Make it' }).click()
  await dialog.waitFor({ state: 'hidden' })
  const side = page.getByRole('complementary')
  await page.getByRole('button', { name: /^Twig/ }).first().click()
  // Scientific pitch names: C4 is 60, so that G♯2 is 44 and A♭2 as well.
  for (const [typed, note] of [['G#2', 44], ['c-1', 0], ['Ab2', 44], ['57', 57]]) {
    await side.getByLabel('Note', { exact: true }).fill(typed)
    await side.getByLabel('Note', { exact: true }).press('Enter')
    await settles(() => noteOf(id, 'Twig'), note)
  }
  await side.getByLabel('Note', { exact: true }).fill('H9')
  await side.getByLabel('Note', { exact: true }).press('Enter')
  await page.getByText('“H9” is not taken').waitFor()
  assert.equal(await noteOf(id, 'Twig'), 57)
  await side.getByRole('button', { name: 'press it' }).click()
  await page.getByRole('button', { name: 'E♭4, note 63' }).click()
  await settles(() => noteOf(id, 'Twig'), 63)
  await page.getByRole('button', { name: 'Close the pads' }).click()

  const before = (await kitOf(id)).pieces[1].microphones[0].output
  await page.getByRole('button', { name: /^Twig/ }).first().click()
  await page.getByRole('button', { name: /^Twig/, pressed: true }).waitFor()
  await page.keyboard.press(']')
  await page.keyboard.press(']')
  await page.keyboard.press('[')
  await settles(async () => (await kitOf(id)).pieces[1].microphones[0].output, before + 1)
  await page.keyboard.press('[')
  await settles(async () => (await kitOf(id)).pieces[1].microphones[0].output, before)
  assert.deepEqual(stage.troubles, [])
})

test('a table of more pieces than there are jacks is settled over the jacks that are chosen, before it is put in', async () => {
  const { id, dialog } = await begin('Settled')
  await dialog.getByLabel('Pieces').fill('Gravel, Twig')
  await dialog.getByLabel('Jacks').fill('4')
  await dialog.getByText('2 sources over').waitFor()
  await dialog.getByRole('button', { name: 'Make it' }).click()
  await dialog.waitFor({ state: 'hidden' })
  await page.goto(`${stage.address}/templates/${id}`)
  await page.getByRole('row', { name: /My machine/ }).first().click()
  const table = ['name,note,family,output', ...Array.from({ length: 9 }, (_, i) => `Slate ${i + 1},${40 + i},drums/toms,${i + 1}`)].join('\n')
  const file = (name) => ({ name, mimeType: 'text/csv', buffer: Buffer.from(table) })
  await page.getByLabel(/^A kit: a table/).setInputFiles([file('slates.csv'), file('more slates.csv'), { name: 'tap.wav', mimeType: 'audio/wav', buffer: waveFile(480, 48000) }])
  await page.getByText('more slates.csv: one file of a kit is enough').waitFor()
  await page.getByText('tap.wav: stands beside the kit, and is not part of it').waitFor()
  const choice = page.getByRole('group', { name: /^Its jacks are not those of/ })
  await choice.getByLabel('9 mono outputs, as in the file').waitFor()
  await choice.getByLabel('4 mono outputs, as they are here').waitFor()
  assert.deepEqual(await seriousIn(page), [])
  await choice.getByLabel('others, planned anew').check()
  await choice.getByLabel('Number of jacks').fill('6')
  await page.getByRole('button', { name: 'Put the kit in' }).click()
  const kitOf = async () => (await channels(id)).find((c) => c.kind === 'instrument').source.kit
  await settles(async () => (await kitOf()).outputs.length, 6)
  assert.equal((await kitOf()).pieces.length, 9)
  // What was kept for the rest stays so: five for splits, each with a channel.
  const splits = (await channels(id)).filter((c) => c.kind === 'split').map((c) => c.source.output)
  assert.deepEqual([...splits].sort(), [2, 3, 4, 5, 6])
  assert.deepEqual(stage.troubles, [])
})

test('what is typed while the last answer is still on its way is what is made', async () => {
  const { id, dialog } = await begin('Hasty')
  await dialog.getByLabel('Pieces').fill('Thud, Tick')
  await dialog.getByText('2 sources over').waitFor()
  await slowly(page, '**/machines*', async () => {
    await dialog.getByLabel('Pieces').fill('Thud, Tick, Swish')
    await dialog.getByLabel('Jacks').fill('3')
    await dialog.getByRole('button', { name: 'Make it' }).click()
    await dialog.waitFor({ state: 'hidden' })
  })
  const { kit } = (await channels(id)).find((c) => c.kind === 'instrument').source
  assert.deepEqual([kit.pieces.map((p) => p.name), kit.outputs.length], [['Thud', 'Tick', 'Swish'], 3])
})

test('a strip that was worked on is put aside by a coarser plan, with what it does to the sound, and comes back', async () => {
  const { id, dialog } = await begin('Coarse and back')
  await dialog.getByLabel('Pieces').fill('Kick, Snare, Rim, Clap, Hat')
  await dialog.getByText('5 sources over').waitFor()
  await dialog.getByRole('button', { name: 'Make it' }).click()
  await dialog.waitFor({ state: 'hidden' })
  const { head } = await stage.get(`/api/documents/${id}`)
  const split = async (name) => (await channels(id)).find((c) => c.kind === 'split' && c.name === name)
  const edits = []
  for (const name of ['Rim', 'Clap']) edits.push({ type: 'set-level', channel: (await split(name)).id, level: name === 'Rim' ? -4 : -9 })
  await page.request.post(`${stage.address}/api/documents/${id}/edits`, { data: { revision: head.revision, edits } })
  await page.reload()
  await page.getByRole('button', { name: /^Kick/ }).first().waitFor()
  for (let i = 0; i < 4; i++) await page.keyboard.press(',')
  await page.getByText('Sounds otherwise').waitFor()
  await page.getByText('is put aside with its strip').first().waitFor()
  await page.getByRole('button', { name: 'Split it so' }).click()
  await page.getByRole('region', { name: 'Put aside' }).waitFor()
  for (let i = 0; i < 4; i++) await page.keyboard.press('.')
  await page.getByRole('button', { name: 'Split it so' }).click()
  await settles(async () => [(await split('Rim'))?.level, (await split('Clap'))?.level], [-4, -9])
  await page.getByRole('region', { name: 'Put aside' }).waitFor({ state: 'hidden' })
})

test('an outside box on twelve inputs: cabled, named by what it carries, and checked from the running order', async () => {
  const from = stage.actions.all
  const { id, dialog } = await begin('Tin')
  await dialog.getByLabel('Name', { exact: true }).fill('Tin box')
  await dialog.getByLabel('Pieces').fill('Kick, Snare, Rim, Clap, Tom 1–3, Hat closed, Hat open, Crash, Ride, Shaker')
  await dialog.getByLabel('It plays').selectOption('outside')
  await dialog.getByLabel('First input').fill('3')
  await dialog.getByLabel('Jacks').fill('12')
  await dialog.getByRole('row', { name: /^14 Shaker/ }).waitFor()
  await dialog.getByRole('button', { name: 'Make it' }).click()
  await page.getByRole('row', { name: /Tin box/ }).first().waitFor()
  // Who presses before it is known what there is to fire waits for it.
  await slowly(page, /\/line-check\?/, async () => {
    await page.getByRole('button', { name: 'Line check' }).click()
    await page.getByRole('button', { name: 'Fire everything' }).click()
  })
  await page.getByText('Each of 12 arrives').waitFor({ timeout: 90_000 })
  const inputs = (await channels(id)).map((c) => c.source).filter((s) => s?.type === 'input')
  assert.deepEqual(inputs.map((s) => s.first), [3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14])
  const used = stage.actions.since(from)
  assert.ok(used <= mostActions, `${used} actions`)
})
