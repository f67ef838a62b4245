// Devices of one's own, the studio, its fit, and how late one hears oneself, as a producer would do it.
import assert from 'node:assert/strict'
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { after, before, test } from 'node:test'
import { journey, openStage, openTemplate, pick, row, settles, slowly } from './stage.mjs'
import { seriousIn } from './serious.mjs'

let stage, page
before(async () => ({ page } = stage = await openStage()))
after(async () => {
  const { troubles, strangers } = stage
  await stage.close()
  assert.deepEqual(troubles, [])
  assert.deepEqual(strangers, [])
})

const region = () => page.getByRole('region', { name: 'How it fits' })
const panel = () => page.getByRole('complementary', { name: 'Proposed patching' })
const line = (name) => region().getByRole('row', { name: new RegExp(`^${name}`) }).first()

async function emptyStage(name) {
  const made = await (await page.request.post(`${stage.address}/api/templates`, { data: { name } })).json()
  await page.goto(`${stage.address}/templates/${made.id}`)
  await row(page, 'Main').waitFor()
  return made.id
}

/** As another tab would. */
async function edit(id, edits) {
  const { head } = await stage.get(`/api/documents/${id}`)
  const answer = await page.request.post(`${stage.address}/api/documents/${id}/edits`, { data: { revision: head.revision, edits } })
  assert.ok(answer.ok(), await answer.text())
}

async function addChannel(kind, name, instrument) {
  await page.keyboard.press('n')
  const dialog = page.getByRole('dialog', { name: 'Add a channel' })
  if (kind !== 'instrument') await dialog.getByLabel('Kind').selectOption(kind)
  if (instrument) await dialog.getByLabel(/^Instrument/).selectOption({ label: instrument })
  await dialog.getByLabel('Name').fill(name)
  await page.keyboard.press('Enter')
  await row(page, name).waitFor()
  await dialog.waitFor({ state: 'hidden' })
  // What was made is chosen once the dialog is gone.
  await page.getByRole('heading', { name, level: 2 }).waitFor()
}

journey('A template with four devices of one’s own moves to another studio, line by line, and is made quick enough to sing through', async () => {
  await emptyStage('Sandbank Duet')
  const before = stage.actions.all

  await addChannel('instrument', 'Glass piano', 'Lantern Keys')
  await addChannel('instrument', 'Rock choir', 'Gull Choir')
  // Whoever is faster than the answer where it goes leaves that to the server.
  await slowly(page, '**/new-place*', () => addChannel('audio', 'Alto'))
  await pick(page, 'Add a processor', 'Keel Tuner, of yours')
  await pick(page, 'Add a processor', 'Old Winch, of yours')

  // 256 frames in and out at 48 kHz are 10.7 ms; 1,536 and 64 frames are 33.3 ms.
  await page.getByLabel('The studio that is on').selectOption({ label: 'Kitchen Table' })
  await page.getByRole('link', { name: 'Studio' }).click()
  await page.getByRole('heading', { name: 'How Sandbank Duet fits here' }).waitFor()
  await panel().getByRole('row', { name: 'Alto 33.3 ms 44.0 ms' }).waitFor()
  await line('Keel Tuner').getByText('32.0 ms').waitFor()
  await line('Old Winch').getByText('missing').waitFor()
  await line('Gull Choir').getByText('Gullwing stands in').waitFor()
  await panel().getByLabel(/^Main goes to/).click()
  await panel().getByRole('button', { name: 'Patch it so' }).click()
  await panel().getByRole('checkbox').first().waitFor()
  await panel().getByRole('button', { name: 'Park it in Write' }).click()
  await panel().getByText('Every input is heard in time.').waitFor()

  const taken = stage.actions.all - before
  console.log(`actions for a duet with four devices, in another studio: ${taken}`)
  assert.ok(taken <= 20, `${taken} actions`)
  await panel().getByRole('row', { name: 'Alto 1.3 ms 12.0 ms' }).waitFor()
  assert.equal(await panel().getByRole('checkbox').count(), 1)
  await line('Alto').getByText('1 · Front 1').first().waitFor()
  await page.getByRole('link', { name: 'Running order' }).click()
  await row(page, 'Alto').getByText('1 · Front 1 · 12.0 ms').waitFor()
  await row(page, 'Glass piano').getByText('heard through Bellbuoy').waitFor()
})

test('What a device is known by is told on its insert; another takes its place and says what it leaves', async () => {
  const id = await emptyStage('Tin Chapel')
  await edit(id, [
    { type: 'make-channel', wish: { kind: 'audio', name: 'Fiddle', bare: true } },
    { type: 'make-insert', channel: 'fiddle', processor: 'compressor' },
  ])
  await row(page, 'Fiddle').click()
  await page.getByRole('button', { name: /^Compressor/ }).click()
  await pick(page, 'The device that it stands in for', 'Another, told of here…')
  const dialog = page.getByRole('dialog', { name: 'A processor of yours' })
  await dialog.getByLabel('Name', { exact: true }).fill('Grey Heron')
  await dialog.getByLabel(/^Latency/).fill('441')
  await dialog.getByLabel(/^measured at/).fill('44100')
  await dialog.getByRole('button', { name: 'Name a control' }).click()
  await dialog.getByLabel('Name of control 1').fill('Stoop')
  await dialog.getByLabel('Note on control 1').fill('Above 60 it bites')
  await dialog.getByRole('button', { name: 'Name a control' }).click()
  await dialog.getByLabel('Name of control 2').fill('Wing')
  await dialog.getByLabel('Unit of control 2').selectOption('choice')
  await dialog.getByLabel(/^Options of control 2/).fill('Left, Right, Both')
  await dialog.getByText('Bring…').locator('input').setInputFiles({ name: 'low water.preset', mimeType: 'application/octet-stream', buffer: Buffer.from([0, 1, 2, 255]) })
  await dialog.getByText('low water.preset').waitFor()
  await dialog.getByLabel('Heard through').click()
  await page.getByRole('option', { name: 'Gate', exact: true }).click()
  await dialog.getByRole('button', { name: 'Keep it so' }).click()
  await dialog.waitFor({ state: 'hidden' })

  const [insert] = (await stage.get(`/api/documents/${id}`)).channels.find((r) => r.channel.id === 'fiddle').channel.inserts
  assert.deepEqual([insert.processor, insert.device.name, insert.device.latency], ['gate', 'Grey Heron', { frames: 441, rateHz: 44100 }])
  assert.equal(insert.device.state.bytes, 4)
  assert.equal(insert.device.preset, 'low water')
  const state = await fetch(`${stage.address}/api/device-states/${insert.device.state.content}`)
  assert.deepEqual([...new Uint8Array(await state.arrayBuffer())], [0, 1, 2, 255])

  assert.deepEqual(insert.device.controls.map((c) => [c.id, c.max, c.note]), [['stoop', 100, 'Above 60 it bites'], ['wing', 2, '']])
  await page.getByText('Above 60 it bites').waitFor()
  await page.getByLabel('Wing of Grey Heron').selectOption('Both')

  const stoop = page.getByLabel('Stoop of Grey Heron')
  // What is left is asked for after the edit that is still on its way.
  await slowly(page, '**/edits', async () => {
    await stoop.fill('40')
    await stoop.press('Enter')
    await pick(page, 'The device that it stands in for', /^Old Winch/)
    await page.getByText('Stoop: Old Winch has no control for its value 40 %').waitFor()
  })
  await page.getByText('Wing: Old Winch has no control for its value 2').waitFor()
  await page.getByRole('button', { name: 'Put it there all the same' }).click()
  await page.getByRole('button', { name: /^Old Winch stand-in/ }).waitFor()
  await pick(page, 'The device that it stands in for', 'Gate itself')
  await page.getByRole('button', { name: /^Gate$/ }).waitFor()
  assert.deepEqual(await seriousIn(page), [])
})

test('A studio is told of, its devices are found in a folder and a table, and what cannot be read is listed', async () => {
  await openTemplate(stage, 'Two Voices and a Reed Organ')
  await page.getByRole('link', { name: 'Studio' }).click()
  await page.getByRole('button', { name: 'Another studio…' }).click()
  const dialog = page.getByRole('dialog', { name: 'Another studio' })
  await dialog.getByLabel('Name', { exact: true }).fill('Boat shed')
  await dialog.getByLabel(/^Inputs, a line/).fill('Bow\nStern\nMast')
  await dialog.getByLabel(/^Outputs, a line/).fill('4')
  await dialog.getByLabel(/^Buffer/).fill('64')
  await dialog.getByRole('button', { name: 'Add it, and put it on' }).click()
  await page.getByRole('heading', { name: 'Boat shed', exact: true }).waitFor()
  await page.getByText('3 in, 4 out, 64 frames').waitFor()
  await line('Organ far').getByText('not here').waitFor()

  const folder = mkdtempSync(join(tmpdir(), 'home-stage-modules-'))
  const bundle = (name, text) => {
    mkdirSync(join(folder, 'deep', `${name}.vst3`, 'Contents', 'Resources'), { recursive: true })
    writeFileSync(join(folder, 'deep', `${name}.vst3`, 'Contents', 'Resources', 'moduleinfo.json'), text)
  }
  bundle('Keel', '{ "Factory Info": { "Vendor": "Estuary Tools", }, /* ours */ "Classes": [ { "CID": "5a1e5a1e00000000000000000000ee17", "Category": "Audio Module Class", "Name": "Keel Tuner", "Sub Categories": ["Fx", "Pitch Shift",], }, ] }')
  bundle('Broken', '{ "Classes": [')
  try {
    await page.getByRole('button', { name: 'Look through a folder…' }).click()
    await page.getByLabel('The folder that your plug-ins lie in').fill(folder)
    await page.getByRole('button', { name: 'Look', exact: true }).click()
    await page.getByText('1 device found, 1 of them new here.').waitFor()
    await page.getByText('1 thing was left out').click()
    await page.getByText(/^Broken\.vst3: This description breaks off/).waitFor()
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
  await line('Keel Tuner').getByText('here').first().waitFor()

  await page.getByText('From a table…').locator('input').setInputFiles({ name: 'ours.csv', mimeType: 'text/csv', buffer: Buffer.from('name;kind;latency\nOld Winch;compressor;32\n') })
  await page.getByText('1 device in the table, 1 of them new here.').waitFor()
  const measured = page.getByLabel('Latency of Keel Tuner as measured here, in frames')
  await measured.fill('480')
  await measured.press('Enter')
  await page.getByRole('button', { name: 'Record' }).click()
  // 2 × 64 frames, the limiter’s 2.3 ms, the tuner’s 480 frames as measured and the winch’s 64 as it says itself.
  await panel().getByRole('row', { name: /^First voice 1[34]\.\d ms 1[67]\.\d ms/ }).waitFor()
  assert.deepEqual(await seriousIn(page), [])
  await page.getByLabel('The studio that is on').selectOption({ label: 'Harbour Room' })
  await page.getByRole('heading', { name: 'Harbour Room', exact: true }).waitFor()
})

test('A mono channel on two inputs is refused with the mend one press away', async () => {
  const id = await emptyStage('Wide Gate')
  await edit(id, [{ type: 'make-channel', wish: { kind: 'audio', name: 'Oboe', input: 5 } }])
  await row(page, 'Oboe').click()
  await page.getByText('Role, width, polarity, hue').click()
  await page.getByLabel('Width of Oboe').selectOption('stereo')
  await page.getByRole('button', { name: 'Oboe takes inputs 5 and 6 and is stereo' }).click()
  await settles(async () => (await stage.get(`/api/documents/${id}`)).channels.find((r) => r.channel.id === 'oboe').channel.format, 'stereo')
  const { source } = (await stage.get(`/api/documents/${id}`)).channels.find((r) => r.channel.id === 'oboe').channel
  assert.deepEqual([source.first, source.second], [5, 6])
})
