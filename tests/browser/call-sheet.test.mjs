// The way out of the house: the page that says what is done by hand, its ticks, its files, and how it prints.
import assert from 'node:assert/strict'
import { execFileSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { after, before, test } from 'node:test'
import { strToU8, unzipSync, zipSync } from 'fflate'
import { seriousIn } from './serious.mjs'
import { journey, openStage, row, settles } from './stage.mjs'

let stage, page, id
before(async () => {
  stage = await openStage()
  page = stage.page
  id = (await stage.post('/api/templates', { name: 'Cooper’s yard' })).id
  const { head } = await stage.get(`/api/documents/${id}`)
  const cast = 'Barrels: mallet by Breakwater Kit, split over 4\nVoices: cooper; mono; input 6\nVats (bus): brine (return) 1.1 s\nSections: Hoop 4, Stave 4'
  const { edits } = await stage.post(`/api/documents/${id}/cast`, { text: cast })
  await stage.post(`/api/documents/${id}/edits`, { revision: head.revision, edits })
})
after(() => stage.close())

test('what is to be done by hand is listed, ticked, and still ticked when somebody comes back', async () => {
  await page.goto(`${stage.address}/templates/${id}`)
  await row(page, 'Cooper').waitFor()
  await page.getByRole('link', { name: 'Call sheet' }).click()
  const hands = page.getByRole('region', { name: 'By hand' })
  await hands.getByText('Cooper: takes input 6').waitFor()
  const sheet = await stage.get(`/api/documents/${id}/call-sheet`)
  assert.equal(await hands.getByRole('checkbox').count(), sheet.handwork.length)
  assert.deepEqual(await seriousIn(page), [])
  await hands.getByLabel('Cooper: takes input 6').check()
  await hands.getByText(`${sheet.handwork.length} lines, 1 done`).waitFor()
  await page.reload()
  await hands.getByText(`${sheet.handwork.length} lines, 1 done`).waitFor()
  assert.equal(await hands.getByLabel('Cooper: takes input 6').isChecked(), true)
})

test('every pad is followed to its channel, and every channel stands with what leads to it and away', async () => {
  const pads = page.getByRole('region', { name: 'Pads' })
  const kick = (await stage.get(`/api/documents/${id}/call-sheet`)).patches.find((p) => p.name === 'Kick')
  await pads.getByRole('row', { name: new RegExp(`Kick C2 · 36 ${kick.jack} ${kick.taker}`) }).waitFor()
  await page.getByRole('region', { name: 'Channels' }).getByRole('row', { name: /Cooper input 6 Voices/ }).waitFor()
})

test('the project is a ZIP by the book, well-formed, and holds every channel', async () => {
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: /DAWproject/ }).click()])
  assert.equal(download.suggestedFilename(), 'cooper-s-yard.dawproject')
  const folder = mkdtempSync(join(tmpdir(), 'home-stage-project-'))
  try {
    const file = join(folder, 'x.dawproject')
    await download.saveAs(file)
    const xml = Buffer.from(unzipSync(readFileSync(file))['project.xml']).toString()
    writeFileSync(join(folder, 'project.xml'), xml)
    execFileSync('xmllint', ['--noout', '--nonet', join(folder, 'project.xml')])
    const tracks = [...xml.matchAll(/<Track [^>]*name="([^"]*)"/g)].map((m) => m[1]).sort()
    assert.deepEqual(tracks, (await stage.get(`/api/documents/${id}`)).channels.map((c) => c.channel.name).sort())
  } finally {
    rmSync(folder, { recursive: true })
  }
})

test('the input list goes out as a table, is filled in elsewhere, and comes back by a look and a press', async () => {
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'Input list' }).click()])
  assert.equal(download.suggestedFilename(), 'cooper-s-yard-inputs.csv')
  const table = readFileSync(await download.path(), 'utf8')
  assert.match(table, /^channel,input,name,second name,heard,armed\r\nCooper,6,/)
  await page.getByRole('button', { name: 'Read a patching table' }).click()
  const dialog = page.getByRole('dialog', { name: 'Read a patching table' })
  const filled = `${table.replace('Cooper,6,', 'Cooper,3+4,Stave left')}Hooper,7,,,,\r\n`
  await dialog.getByLabel('A patching table', { exact: true }).setInputFiles({ name: 'filled.csv', mimeType: 'text/csv', buffer: Buffer.from(filled) })
  await dialog.getByText('no channel is called Hooper').waitFor()
  await dialog.getByText(/Cooper.*3 and 4/).waitFor()
  assert.deepEqual(await seriousIn(page), [])
  await dialog.getByRole('button', { name: 'Patch it so' }).click()
  await dialog.waitFor({ state: 'hidden' })
  await page.getByRole('region', { name: 'Channels' }).getByRole('row', { name: /Cooper .*3.*4/ }).waitFor()
  // What went out is what is there: reading it again changes nothing.
  const now = await (await fetch(`${stage.address}/api/documents/${id}/input-list.csv`)).text()
  assert.match(now, /Cooper,3\+4,Stave left/)
  const again = await fetch(`${stage.address}/api/documents/${id}/patching`, { method: 'POST', body: now, headers: { 'content-type': 'text/csv' } })
  assert.deepEqual((await again.json()).edits, [])
})

test('on paper there is nothing to press, and all of it is there', async () => {
  await page.emulateMedia({ media: 'print' })
  await settles(() => page.getByRole('navigation', { name: 'Places' }).isVisible(), false)
  assert.equal(await page.getByRole('button', { name: 'Print' }).isVisible(), false)
  // Nothing scrolls: the page is as long as what stands on it.
  assert.ok(await page.evaluate(() => [...document.querySelectorAll('#app, .stage, .place, main')].every((e) => e.scrollHeight <= e.clientHeight + 1)))
  for (const format of ['A4', 'Letter']) assert.match((await page.pdf({ format })).subarray(0, 5).toString(), /%PDF-/)
  await page.emulateMedia({ media: 'screen' })
})

journey('stems are listed with what would be silent, rendered at once, and each is as long and as wide as asked', async () => {
  await page.getByRole('button', { name: 'Stems…' }).click()
  const dialog = page.getByRole('dialog', { name: 'Stems' })
  // Nothing plays on this stage yet: that is said before anything is rendered.
  await dialog.getByRole('note').getByText(/would be silent/).waitFor()
  assert.deepEqual(await seriousIn(page), [])
  await dialog.getByLabel('As').selectOption({ label: '32 bit, floating' })
  await dialog.getByLabel('Tail, s').fill('1.5')
  await dialog.getByLabel('Which').selectOption({ label: 'every channel' })
  await dialog.getByLabel('dry').check()
  const plan = await stage.get(`/api/documents/${id}/stems`)
  await dialog.getByText(new RegExp(`^\\s*${plan.channels.length} files`)).waitFor()
  const [download] = await Promise.all([page.waitForEvent('download'), dialog.getByRole('button', { name: 'Render and download' }).click()])
  await dialog.getByRole('status').getByText('Downloaded.').waitFor()
  const files = unzipSync(readFileSync(await download.path()))
  assert.equal(Object.keys(files).length, plan.channels.length)
  const frames = Math.round((plan.seconds + 1.5) * plan.sampleRateHz)
  const folder = mkdtempSync(join(tmpdir(), 'home-stage-stems-'))
  for (const [at, name] of Object.keys(files).entries()) {
    writeFileSync(join(folder, name), files[name])
    const facts = execFileSync('soxi', [join(folder, name)]).toString()
    assert.match(name, new RegExp(`^${String(at + 1).padStart(2, '0')}-.*-dry\\.wav$`))
    assert.match(facts, new RegExp(`Channels\\s+: ${plan.channels[at].format === 'mono' ? 1 : 2}`))
    assert.match(facts, /32-bit Floating Point PCM/)
    assert.match(facts, new RegExp(`= ${frames} samples`))
  }
  rmSync(folder, { recursive: true })
  await dialog.getByRole('button', { name: 'Close', exact: true }).last().click()
})

const bring = (name, buffer) => page.getByLabel('A template document or a DAWproject').setInputFiles({ name, mimeType: 'application/zip', buffer })

test('a project of ours that comes back unaltered is the template that it was', async () => {
  const file = Buffer.from(await (await fetch(`${stage.address}/api/documents/${id}/project`)).arrayBuffer())
  await page.goto(stage.address)
  await bring('back.dawproject', file)
  await page.getByRole('heading', { name: 'Cooper’s yard 2', level: 1 }).waitFor()
  const back = page.url().split('/').pop()
  const of = async (which) => (await stage.get(`/api/documents/${which}`)).channels.map((c) => c.channel)
  assert.deepEqual(await of(back), await of(id))
})

test('a project from elsewhere comes in as far as it can be said, and what stays behind is named', async () => {
  const channel = (id, name, role, more = '') => `<Track id="t${id}" name="${name}" contentType="audio"><Channel id="c${id}" role="${role}" destination="c0">${more}</Channel></Track>`
  const project = `<?xml version="1.0"?><Project version="1.0"><Structure><Track id="t0" name="Sum"><Channel id="c0" role="master"/></Track>
    ${channel(1, 'Tin bath reverb', 'effect')}
    ${channel(2, 'Whistle close tk2', 'regular', '<Devices><Ladder deviceName="Ninth rung" deviceRole="audioFX"/></Devices><Sends><Send destination="c1" type="pre"><Volume unit="linear" value="0.5"/></Send></Sends><Volume unit="linear" value="0.707945784"/>')}
    </Structure></Project>`
  await page.goto(stage.address)
  await bring('Attic tapes.dawproject', Buffer.from(zipSync({ 'project.xml': strToU8(project) })))
  await page.getByRole('status').getByText('Attic tapes.dawproject is here').waitFor()
  await page.getByRole('status').getByText(/Ninth rung/).waitFor()
  await page.getByRole('status').getByRole('link', { name: 'Open it' }).click()
  await page.getByRole('heading', { name: 'Attic tapes', level: 1 }).waitFor()
  const made = (await stage.get(`/api/documents/${page.url().split('/').pop()}`)).channels.map((c) => c.channel)
  const whistle = made.find((c) => c.name === 'Whistle close tk2')
  assert.deepEqual([whistle.level, whistle.sends.map((s) => [s.to, s.level, s.tap])], [-3, [['tin-bath-reverb', -6.021, 'pre']]])
})

test('what is no project is refused with a sentence, and nothing is made', async () => {
  await page.goto(stage.address)
  const before = (await stage.get('/api/templates')).length
  await bring('stray.dawproject', Buffer.from(zipSync({ 'readme.txt': strToU8('hello') })))
  await page.getByRole('alert').getByText('There is no project.xml in it').waitFor()
  assert.equal((await stage.get('/api/templates')).length, before)
})

test('nothing went wrong in the console', () => {
  assert.deepEqual(stage.strangers, [])
  assert.deepEqual(stage.troubles, [])
})
