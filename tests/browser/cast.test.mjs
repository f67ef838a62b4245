// A page of names becomes a template, and a template a page of names.
import assert from 'node:assert/strict'
import { after, before, test } from 'node:test'
import { openStage, openTemplate, row, settles, slowly } from './stage.mjs'
import { seriousIn } from './serious.mjs'

let stage, page
before(async () => {
  stage = await openStage()
  page = stage.page
})
after(() => stage.close())

const list = () => page.getByRole('textbox', { name: 'Cast list' })
const becomes = () => page.getByRole('region', { name: 'The running order that it makes' })
const channels = async () => (await stage.get(`/api/documents/${page.url().match(/s\/([^/]+)/)[1]}`)).channels.map((r) => r.channel)

/** Typed by keys, as anybody types; a line counts as one action, as it names one bus. */
async function type(lines) {
  await list().click()
  for (const [i, line] of lines.entries()) {
    await page.keyboard.type(line)
    stage.actions.all += 1
    if (i < lines.length - 1) await page.keyboard.press('Enter')
  }
}

test('seven buses with 48 channels, three returns, a trigger and four duckers, in 30 actions', async () => {
  await page.goto(stage.address)
  const began = stage.actions.all
  await page.getByRole('button', { name: 'From a cast list' }).click()
  await page.getByRole('heading', { name: 'What it becomes' }).waitFor()
  await type([
    'Skins: kick, snare, three toms, hats, overheads (audio) stereo, room (audio); makes room for Heart, 2 dB',
    'Low end: upright bass, sub, fuzz bass; makes room for Heart, 6 dB, back by 1/8',
    'Keys: piano, two organs, clav, low pad × 4, plinks × 2; makes room for Heart, 4,5 dB, back by 1/8D',
    'Bowed: four violins, three violas, cello, double bass (instrument)',
    'Guitars: three electric guitars, acoustic guitar stereo',
    'Singing: lead voice, double, six answers; mono',
    'Oddities: riser, whoosh, four tape loops (audio); makes room for Heart',
    'Returns: cellar 2,1 s, tin 0.9 s, ricochet 1/8 dotted left, 1/4 right, into cellar -9 dB',
    'Triggers: Heart every beat',
  ])
  await becomes().getByRole('row', { name: /^Ricochet/ }).getByText('into Cellar').waitFor()
  // Until the last line is read nobody is called Heart.
  await settles(() => page.getByRole('list', { name: 'Not understood' }).count(), 0)
  await page.keyboard.press('Control+Enter')
  await row(page, 'Mix bus').waitFor()
  const taken = stage.actions.since(began)
  console.log(`actions for seven buses with 48 channels, three returns, a trigger and four duckers: ${taken}`)
  assert.ok(taken <= 30, `${taken} actions`)

  const made = await channels()
  const named = (name) => made.find((c) => c.name === name)
  const buses = made.filter((c) => c.kind === 'bus' && c.destination === 'mix-bus' && c.name !== 'Returns')
  assert.equal(buses.length, 7)
  assert.equal(made.filter((c) => buses.some((b) => b.id === c.destination)).length, 48)
  assert.ok(buses.every((b) => typeof b.hueDegrees === 'number'), 'every bus has a colour')
  assert.equal(new Set(buses.map((b) => b.hueDegrees)).size, 7)
  assert.deepEqual(named('Ricochet').sends.map((s) => [s.to, s.level, s.open]), [[named('Cellar').id, -9, true]])
  assert.ok(named('Violin 3').sends.length === 3 && named('Violin 3').sends.every((s) => !s.open))
  const id = page.url().split('/').at(-1)
  // The engine, asked beside the screen: as deep as the list says, back by its note values at 120.
  const { duckers } = await stage.get(`/api/documents/${id}/ducking?act=write`)
  const asked = { Skins: [2, 250], 'Low end': [6, 250], Keys: [4.5, 375], Oddities: [6, 250] }
  assert.deepEqual(duckers.map((d) => d.name).sort(), Object.keys(asked).sort())
  for (const { name, reading } of duckers) {
    assert.ok(Math.abs(reading.depthDb - asked[name][0]) <= 0.2, `${name}: ${reading.depthDb} dB`)
    assert.ok(Math.abs(reading.backMs - asked[name][1]) <= 2, `${name}: back after ${reading.backMs} ms`)
  }
  await page.getByRole('button', { name: 'Undo' }).click()
  await settles(async () => (await channels()).length, 2)
  await page.getByRole('button', { name: 'Redo' }).click()
  await settles(async () => (await channels()).length, made.length)
})

test('the list is read back, changed, and put on again; what was set by hand is left and listed', async () => {
  await page.getByRole('link', { name: 'Cast list' }).click()
  await settles(async () => (await list().inputValue()).includes('Singing: Lead voice input'), true)
  assert.deepEqual(await seriousIn(page), [])
  await page.getByRole('status').getByText('nothing new').waitFor()
  const id = page.url().match(/s\/([^/]+)/)[1]
  const tape = (await channels()).find((c) => c.name === 'Tape loop 2')
  const { revision } = (await stage.get(`/api/documents/${id}`)).head
  const edits = [{ type: 'set-level', channel: tape.id, level: -4 }]
  const text = await list().inputValue()
  const body = JSON.stringify({ revision, edits })
  const headers = { 'content-type': 'application/json' }
  // A violin fewer, a viola more, and the loops go: one of them was turned down by hand, elsewhere, while this is typed.
  await slowly(page, /\/(cast(\/preview)?|changes\?.*)$/, async () => {
    await fetch(`${stage.address}/api/documents/${id}/edits`, { method: 'POST', headers, body })
    await list().fill(text.replace('Violin 1–4, Viola 1–3', 'Violin 1–3, Viola 1–4').replace(/, Tape loop 1–4[^\n]*/, ''))
    await page.getByText('Tape loop 2 is in the list no more and stays: its level or pan was set.').waitFor()
  })
  assert.ok((await list().inputValue()).includes('Viola 1–4'), 'what was typed stands')
  await becomes().getByRole('row', { name: /^Viola 4/ }).getByText('new').waitFor()
  await becomes().getByRole('row', { name: /^Violin 4/ }).getByText('goes').waitFor()
  await page.getByRole('button', { name: 'Set the stage' }).click()
  await row(page, 'Mix bus').waitFor()
  const names = (await channels()).map((c) => c.name)
  assert.deepEqual(['Viola 4', 'Violin 4', 'Tape loop 1', 'Tape loop 2', 'Tape loop 3'].map((n) => names.includes(n)), [true, false, false, true, false])
})

test('a list that was left empty is taken up again by whoever begins one', async () => {
  await page.goto(stage.address)
  await page.getByRole('button', { name: 'From a cast list' }).click()
  await page.waitForURL(/\/cast$/)
  const first = page.url()
  const count = (await stage.get('/api/templates')).length
  await page.goto(stage.address)
  await page.getByRole('button', { name: 'From a cast list' }).click()
  await page.waitForURL(/\/cast$/)
  assert.equal(page.url(), first)
  assert.equal((await stage.get('/api/templates')).length, count)
})

test('what is not understood is lit, what may follow is offered, and a spreadsheet can be pasted', async () => {
  await page.goto(stage.address)
  await page.getByRole('button', { name: 'From a cast list' }).click()
  await page.getByRole('button', { name: 'Begin with this example' }).waitFor()
  await list().click()
  await page.keyboard.type('Vo')
  await page.getByRole('option', { name: 'Voices' }).waitFor()
  await page.keyboard.press('Tab')
  await page.keyboard.type(': ')
  await page.getByRole('option', { name: 'three answers' }).waitFor()
  await page.keyboard.press('Tab')
  await settles(() => list().inputValue(), 'Voices: two singers')
  await page.keyboard.type('; wobbly')
  await page.locator('mark', { hasText: 'wobbly' }).waitFor()
  await page.getByText('Line 1: “wobbly” is not understood here').waitFor()
  await becomes().getByRole('row', { name: /^Singer 2/ }).waitFor()

  await list().fill('')
  await list().evaluate((field) => {
    const data = new DataTransfer()
    data.setData('text/plain', 'Bus\tName\tInput\tWidth\r\nSaws\tRip saw\t3\tmono\r\n\tBand, saw\t5-6\tstereo\r\n')
    field.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }))
    document.execCommand('insertText', false, data.getData('text/plain'))
  })
  await becomes().getByRole('row', { name: /^Band, saw/ }).getByText('inputs 5 and 6').waitFor()
  await becomes().getByRole('row', { name: /^Rip saw/ }).getByText('input 3, mono').waitFor()
})

test('a company with sections, split pads, two microphones, a duet with answers and references, in 40 actions', async () => {
  await page.goto(stage.address)
  const began = stage.actions.all
  await page.getByRole('button', { name: 'From a cast list' }).click()
  await page.getByRole('button', { name: 'Begin with this example' }).waitFor()
  await type([
    'Tempo 88',
    'Sections: Prologue 4, Quarrel 16, Reprise 8',
    'Drums: eleven pads, mono jacks',
    'Bass: upright bass',
    'Strings: fiddle on two microphones, inputs 5',
    'Singing: two duettists (lead-voice) inputs 1, three answers input 3 (harmony-voice)',
    'Returns: vault 2.6 s, tin room 0.4 s',
    'References: mix × 2',
  ])
  await becomes().getByRole('row', { name: /^Answer 3/ }).waitFor()
  await page.getByRole('button', { name: 'Set the stage' }).click()
  await row(page, 'Mix bus').waitFor()
  const taken = stage.actions.since(began)
  console.log(`actions for a company: ${taken}`)
  assert.ok(taken <= 40, `${taken} actions`)
  const made = await channels()
  const input = (name) => made.find((c) => c.name === name).source.first
  assert.deepEqual(['Fiddle 1', 'Fiddle 2', 'Duettist 1', 'Duettist 2', 'Answer 1', 'Answer 3'].map(input), [5, 6, 1, 2, 3, 3])
  assert.equal(made.filter((c) => c.kind === 'split').length, 11)
  assert.equal(made.filter((c) => c.kind === 'direct').length, 2)
  // Every voice, string and pad stands before both returns, closed; the bass stays out of them.
  const sending = made.filter((c) => c.sends.length === 2 && c.sends.every((s) => !s.open)).map((c) => c.name)
  for (const name of ['Fiddle 1', 'Duettist 2', 'Answer 2', 'Drum machine']) assert.ok(sending.includes(name), name)
  const { head } = await stage.get(`/api/documents/${page.url().split('/').at(-1)}`)
  assert.deepEqual(head.timeline.sections.map((s) => [s.name, s.bars]), [['Prologue', 4], ['Quarrel', 16], ['Reprise', 8]])
})

test('what sings is kept and put into another template, in 4 actions, and taken out again', async () => {
  await row(page, 'Singing').click()
  await page.getByRole('button', { name: 'Keep as a set piece…' }).click()
  const keeping = page.getByRole('dialog', { name: 'Keep on the shelf' })
  await keeping.getByLabel('Name').fill('Duet with answers')
  await keeping.getByRole('button', { name: 'Keep it' }).click()
  await keeping.waitFor({ state: 'hidden' })
  await page.getByText('Of the set piece Singing, 6 channels').waitFor()
  await page.getByRole('link', { name: 'Shelf' }).click()
  await page.getByLabel('Key of Duet with answers').fill('y')
  await page.getByLabel('Key of Duet with answers').press('Tab')
  await settles(async () => (await stage.get('/api/shelf')).find((i) => i.name === 'Duet with answers').key, 'y')
  await page.getByLabel('Key of Ferry company').fill('y')
  await page.getByLabel('Key of Ferry company').press('Tab')
  await page.getByRole('alert').filter({ hasText: 'calls Duet with answers already' }).waitFor()

  // A stage of other names: its hall is found by what it is for, the other room is not there.
  await page.goto(stage.address)
  await page.getByRole('button', { name: 'From a cast list' }).click()
  await page.getByRole('button', { name: 'Begin with this example' }).waitFor()
  await type(['Vocal group: Soprano; input 7', 'Effects: nave reverb 3.1 s'])
  await becomes().getByRole('row', { name: /^nave/i }).waitFor()
  await page.getByRole('button', { name: 'Set the stage' }).click()
  await row(page, 'Soprano').waitFor()
  const before = await channels()
  const began = stage.actions.all
  await page.keyboard.press('i')
  const putting = page.getByRole('dialog', { name: 'Put in a set piece' })
  await putting.getByLabel('Its name, or its key').fill('y')
  await page.keyboard.press('Enter')
  await putting.waitFor({ state: 'hidden' })
  await row(page, 'Duettist 2').waitFor()
  const taken = stage.actions.since(began)
  console.log(`actions for what sings, put into another template: ${taken}`)
  assert.ok(taken <= 4, `${taken} actions`)
  const after = await channels()
  const of = (name) => after.find((c) => c.name === name)
  assert.deepEqual(['Duettist 1', 'Duettist 2', 'Answer 1', 'Answer 3'].map((n) => of(n).source.first), [1, 2, 3, 3])
  assert.equal(of('Singing').destination, 'mix-bus')
  const rooms = of('Duettist 1').sends.map((s) => after.find((c) => c.id === s.to).name)
  assert.ok(rooms.some((n) => /nave/i.test(n)), rooms.join())

  // Out again: what was there stands as it stood.
  await row(page, 'Answer 2').click()
  await page.getByText(/^Of the set piece Singing/).waitFor()
  await page.getByRole('button', { name: 'Take it out' }).click()
  await settles(channels, before)
  await page.getByRole('button', { name: 'Undo' }).click()
  await row(page, 'Duettist 2').waitFor()
})

test('a song of it, with its key and a singer, is begun in 6 actions', async () => {
  // Somebody for whom no input was said waits for one.
  const id = page.url().split('/').at(-1)
  const { revision } = (await stage.get(`/api/documents/${id}`)).head
  const guest = { kind: 'audio', name: 'Guest voice', bare: true }
  await fetch(`${stage.address}/api/documents/${id}/edits`, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify({ revision, edits: [{ type: 'make-channel', wish: guest }] }) })
  const made = (await channels()).find((c) => c.name === 'Guest voice')
  await fetch(`${stage.address}/api/documents/${id}/edits`, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify({ revision: revision + 1, edits: [{ type: 'set-source', channel: made.id, source: null }] }) })
  await row(page, 'Guest voice').waitFor()
  const began = stage.actions.all
  await page.getByRole('button', { name: 'Start a song' }).click()
  const starting = page.getByRole('dialog', { name: 'Start a song' })
  await starting.getByLabel('Title').fill('Slack water')
  await starting.getByLabel(/^Key/).selectOption({ label: 'G minor' })
  await starting.getByLabel('Input of Guest voice').selectOption({ index: 6 })
  assert.deepEqual(await seriousIn(page), [])
  await starting.getByLabel('Title').press('Enter')
  await page.waitForURL(/\/songs\/[^/]+\/order/)
  await row(page, 'Guest voice').waitFor()
  const taken = stage.actions.since(began)
  console.log(`actions for a song, its key and a singer: ${taken}`)
  assert.ok(taken <= 6, `${taken} actions`)
  const song = await stage.get(`/api/documents/${page.url().match(/songs\/([^/]+)/)[1]}`)
  assert.deepEqual(song.head.key, { fifths: -2, minor: true })
  assert.equal(song.head.name, 'Slack water')
  const of = (name) => song.channels.find((r) => r.channel.name === name).channel
  assert.equal(of('Guest voice').source.first, 6)
  assert.equal(of('Soprano').source.first, 7)
  await page.goBack()
  await row(page, 'Guest voice').waitFor()
})

test('from the library a song is begun by Enter, a title, Enter', async () => {
  await page.getByRole('link', { name: 'Library' }).click()
  await page.getByRole('button', { name: 'Start a song from First Rehearsal' }).and(page.locator(':focus')).waitFor()
  await page.keyboard.press('Enter')
  const starting = page.getByRole('dialog', { name: 'Start a song' })
  await starting.getByLabel('Title').and(page.locator(':focus')).waitFor()
  await page.keyboard.type('Low tide')
  await page.keyboard.press('Enter')
  await row(page, 'Kick').waitFor()
  await page.getByRole('button', { name: 'Low tide' }).waitFor()
  await page.getByRole('link', { name: 'Library' }).click()
  await page.getByRole('button', { name: 'An empty stage' }).click()
  await row(page, 'Mix bus').waitFor()
})

test('what a piece joins is chosen before it is put in, and heard', async () => {
  await page.keyboard.press('i')
  const putting = page.getByRole('dialog', { name: 'Put in a set piece' })
  await putting.getByLabel('Its name, or its key').fill('thun')
  await putting.getByRole('option', { name: /^Thunder/ }).waitFor()
  const joined = putting.getByLabel('Cargo hold is joined with')
  await joined.waitFor()
  assert.deepEqual(await seriousIn(page), [])
  await joined.selectOption({ label: 'nothing' })
  await putting.getByText('send nothing there.').waitFor()
  const request = page.waitForRequest((r) => r.url().endsWith('/api/renders') && r.method() === 'POST')
  await putting.getByRole('button', { name: 'Hear it here' }).click()
  assert.ok((await request).postDataJSON().trying.some((e) => e.type === 'add-channel' && e.channel.name === 'Kick'))
  await putting.getByRole('button', { name: 'Put it in' }).click()
  await putting.waitFor({ state: 'hidden' })
  await page.getByRole('heading', { name: 'Thunder', level: 2 }).waitFor()
  const made = await channels()
  assert.equal(made.find((c) => c.name === 'Snare').sends.length, 0)
  await page.getByRole('button', { name: 'Pause', exact: true }).click()
})

test('a few answers come to the list, and the list to a template without a fault', async () => {
  await page.goto(stage.address)
  const began = stage.actions.all
  await page.getByRole('button', { name: 'From a cast list' }).click()
  await page.getByRole('button', { name: 'Ask me instead' }).click()
  const brief = page.getByRole('form', { name: 'Brief' })
  await brief.getByLabel('Played by').selectOption({ label: 'Breakwater Kit' })
  await brief.getByRole('spinbutton', { name: 'Outputs' }).fill('5')
  await brief.getByLabel('Organs').fill('2')
  await brief.getByLabel('Singers').fill('3')
  await brief.getByLabel('Takes of each').fill('2')
  await brief.getByLabel('plate 1.2 s').check()
  await brief.getByLabel('Bass', { exact: true }).fill('7.5')
  await brief.getByLabel('Back by').selectOption({ label: 'dotted eighth' })
  assert.deepEqual(await seriousIn(page), [])
  await becomes().getByRole('row', { name: /^Singer 3 take 2/ }).waitFor()
  await becomes().getByRole('row', { name: /^Bass, / }).or(becomes().getByText('makes room for Kick, 7.5 dB, back by 1/8D')).first().waitFor()
  // The last answer is in it, too, though its list has not come yet.
  await slowly(page, '**/api/brief', async () => {
    await brief.getByLabel('String parts').fill('2')
    await page.getByRole('button', { name: 'Set the stage' }).click()
    await row(page, 'Mix bus').waitFor()
  })
  assert.equal((await channels()).filter((c) => c.kind === 'instrument' && /String/.test(c.name)).length, 2)
  assert.ok(stage.actions.since(began) <= 20, `${stage.actions.since(began)} actions`)
  const id = page.url().split('/').at(-1)
  for (const act of ['write', 'record', 'mix']) {
    const { open } = await stage.get(`/api/documents/${id}/findings?act=${act}`)
    assert.deepEqual(open.filter((f) => f.severity !== 'hint').map((f) => f.sentence), [])
  }
  assert.equal((await channels()).filter((c) => c.kind === 'split').length, 5)
  const [ducker] = (await stage.get(`/api/documents/${id}/ducking?act=write`)).duckers
  assert.equal(ducker.name, 'Bass')
})

test('any template is read as a list that changes nothing', async () => {
  for (const name of ['Night Ferry', 'Storm Cue']) {
    await openTemplate(stage, name)
    await page.getByRole('link', { name: 'Cast list' }).click()
    await page.getByRole('heading', { name: 'What it becomes' }).waitFor()
    await settles(async () => (await list().inputValue()).length > 100, true)
    await page.getByRole('status').getByText('nothing new').waitFor()
    assert.equal(await page.getByRole('list', { name: 'Not understood' }).count(), 0)
    assert.equal(await page.getByRole('list', { name: 'Left as it is' }).count(), 0)
  }
})

test('nothing was fetched from elsewhere and nothing went wrong in the console', () => {
  assert.deepEqual(stage.strangers, [])
  assert.deepEqual(stage.troubles, [])
})
