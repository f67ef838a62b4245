// A song is counted in, and what somebody plays over the loop is kept without anything being armed.
import assert from 'node:assert/strict'
import { after, before, test } from 'node:test'
import { parseMidi, writeMidi } from 'midi-file'
import { openStage, row, settles } from './stage.mjs'

let stage
let page
let id

/** At 132 in 3/4: two bars of quay, four of pier. A quarter is 5/11 s. */
const quarter = 60 / 132

before(async () => {
  stage = await openStage({ height: 900 })
  page = stage.page
  id = (await stage.post('/api/templates', { name: 'Salt Road' })).id
  await edit([
    { type: 'make-channel', wish: { kind: 'instrument', name: 'Glass keys', under: 'mix-bus', instrument: 'reedbox' } },
    { type: 'set-timeline', timeline: { tempoBpm: 132, meter: { beats: 3, unit: 4 }, sections: [{ name: 'Quay', bars: 2 }, { name: 'Pier', bars: 4 }] } },
  ])
  await page.goto(`${stage.address}/templates/${id}`)
  await row(page, 'Glass keys').click()
})

after(() => stage.close())

const whole = () => stage.get(`/api/documents/${id}`)
const keys = async () => (await whole()).channels.find((c) => c.channel.name === 'Glass keys').channel

async function edit(edits) {
  await stage.post(`/api/documents/${id}/edits`, { revision: (await whole()).head.revision, edits })
}

/** The sources that start from now on, with the moment at which their sound began, in milliseconds of the page's clock. */
async function watchStarts() {
  await page.evaluate(() => {
    window.started = []
    const start = AudioBufferSourceNode.prototype.start
    AudioBufferSourceNode.prototype.start = function (when = 0, offset = 0, ...rest) {
      const now = this.context.currentTime
      window.started.push({ node: this, at: Math.max(now, when) - offset, loopStart: this.loopStart, loopEnd: this.loopEnd, seconds: this.buffer.duration })
      return start.call(this, when, offset, ...rest)
    }
  })
}

test('what is counted is set with the timeline, and heard once before the loop', async () => {
  await page.getByRole('button', { name: /132/ }).click()
  const dialog = page.getByRole('dialog', { name: 'Timeline' })
  await dialog.getByLabel('Count-in, bars').fill('two')
  await dialog.getByRole('button', { name: 'Keep it' }).click()
  await dialog.getByText('The bars of the count-in is a number; it was “two”.').waitFor()
  await dialog.getByLabel('Count-in, bars').fill('1')
  await dialog.getByRole('button', { name: 'Keep it' }).click()
  await dialog.waitFor({ state: 'hidden' })
  assert.deepEqual((await whole()).head.timeline.countIn, { bars: 1, click: false })

  await watchStarts()
  await page.getByLabel('Over').selectOption('Quay')
  await page.getByRole('button', { name: 'not counted in' }).click()
  await page.getByRole('button', { name: 'Play', exact: true }).click()
  await page.waitForFunction(() => window.started.some((s) => s.loopEnd > 0))
  const loop = await page.evaluate(() => window.started.map(({ node: _, ...s }) => s).find((s) => s.loopEnd > 0))
  assert.ok(Math.abs(loop.loopStart - 3 * quarter) < 0.001 && Math.abs(loop.loopEnd - 9 * quarter) < 0.001, JSON.stringify(loop))
  await page.locator('.ribbon title', { hasText: 'Count-in' }).waitFor({ state: 'attached' })
})

test('a device that plays a known file with known errors: each note is kept within 2 ms, and on the grid where it is pulled', async () => {
  // Written as a file and read again, so that the device plays what a file holds: notes in ticks of 480 to a quarter.
  const figure = [[0, 60], [240, 64], [960, 67], [1440, 60], [1920, 72], [2400, 65], [2640, 64]]
  const events = figure.flatMap(([tick, noteNumber]) => [
    { tick, type: 'noteOn', noteNumber, velocity: 96, channel: 2 },
    { tick: tick + 200, type: 'noteOff', noteNumber, velocity: 0, channel: 2 },
  ]).sort((a, b) => a.tick - b.tick)
  const track = events.map(({ tick, ...event }, i) => ({ ...event, deltaTime: tick - (events[i - 1]?.tick ?? 0) }))
  const bytes = writeMidi({ header: { format: 0, numTracks: 1, ticksPerBeat: 480 }, tracks: [[...track, { deltaTime: 0, type: 'endOfTrack' }]] })
  let tick = 0
  const file = parseMidi(bytes).tracks[0].map((e) => ({ ...e, tick: (tick += e.deltaTime) })).filter((e) => /^note/.test(e.type))
  const late = (i) => ((i * 7919) % 41) / 1000 - 0.02
  const messages = file.map((e, i) => ({
    seconds: (e.tick / 480) * quarter + (e.tick === 0 ? Math.abs(late(i)) : late(i)),
    data: [(e.type === 'noteOn' ? 0x90 : 0x80) | 2, e.noteNumber, e.velocity],
  }))

  await page.evaluate(() => {
    window.device = { name: 'Tin box', onmidimessage: null }
    navigator.requestMIDIAccess = () => Promise.resolve({ inputs: new Map([['one', window.device]]) })
  })
  await page.getByRole('button', { name: 'Pads and keys' }).click()
  await page.getByRole('button', { name: 'play by MIDI' }).click()
  await page.getByText('MIDI: Tin box').waitFor()
  await page.evaluate(async (messages) => {
    const loop = window.started.findLast((s) => s.loopEnd > 0)
    const length = loop.loopEnd - loop.loopStart
    const heard = loop.node.context.getOutputTimestamp()
    const toPage = (contextTime) => heard.performanceTime + (contextTime - heard.contextTime) * 1000
    // The next time around that has not begun.
    const around = Math.ceil((heard.contextTime + 0.3 - loop.at - loop.loopStart) / length)
    const begin = toPage(loop.at + loop.loopStart + Math.max(0, around) * length)
    window.device.onmidimessage({ data: new Uint8Array([0xb2, 1, 20]), timeStamp: begin + 5 })
    await Promise.all(messages.map(({ seconds, data }) => new Promise((done) => {
      const timeStamp = begin + seconds * 1000
      setTimeout(() => {
        window.device.onmidimessage({ data: new Uint8Array(data), timeStamp })
        done()
      }, timeStamp - performance.now())
    })))
    window.device.onmidimessage({ data: new Uint8Array([0xb2, 1, 100]), timeStamp: begin + length * 500 })
  }, messages)
  const idea = page.getByRole('group', { name: 'What was played' })
  await idea.getByText('7 notes played on Glass keys over Quay').waitFor()
  const before = (await whole()).head.revision
  await idea.getByRole('button', { name: 'Keep it as a starter' }).click()
  await idea.getByText('Idea is kept: 7 notes in Quay.').waitFor()
  assert.equal((await whole()).head.revision, before + 1)

  const [pattern] = (await keys()).patterns.filter((p) => p.name === 'Idea')
  const struck = messages.filter((m) => (m.data[0] & 0xf0) === 0x90).sort((a, b) => a.seconds - b.seconds)
  assert.equal(pattern.lengthTicks, 6 * 960)
  pattern.notes.forEach((note, i) => {
    assert.equal(note.number, struck[i].data[1])
    assert.ok(Math.abs((note.startTick / 960) * quarter - struck[i].seconds) < 0.002, `${note.startTick} against ${struck[i].seconds} s`)
  })
  const curve = (await keys()).shapes.find((s) => s.target.number === 1)
  assert.deepEqual(curve.points.map((p) => p.value), [20, 100])
  assert.ok(Math.abs(curve.points[1].place - 0.5) < 0.002)
})

test('one undo takes it back; keys of the page are kept the same way, pulled to the grid', async () => {
  await page.keyboard.press('Escape')
  await row(page, 'Glass keys').click()
  await page.keyboard.press('Control+z')
  await settles(async () => (await keys()).patterns.filter((p) => p.name === 'Idea'), [])
  assert.deepEqual((await keys()).shapes, [])

  if (!(await page.getByRole('region', { name: 'Pads and keys' }).isVisible())) await page.getByRole('button', { name: 'Pads and keys' }).click()
  const idea = page.getByRole('group', { name: 'What was played' })
  await page.getByRole('button', { name: /note 52$/ }).click()
  await page.getByRole('button', { name: /note 55$/ }).click()
  await idea.getByText('2 notes played on Glass keys over Quay').waitFor()
  await idea.getByLabel('by').selectOption('100')
  await idea.getByLabel('pulled to').selectOption({ label: 'eighth' })
  await idea.getByRole('button', { name: 'Keep it as a starter' }).click()
  await idea.getByText(/^Idea is kept/).waitFor()
  const [pattern] = (await keys()).patterns.filter((p) => p.name === 'Idea')
  assert.ok(pattern.notes.length >= 1 && pattern.notes.every((n) => n.startTick % 480 === 0), JSON.stringify(pattern.notes))
})

/** What is played goes in again 37 ms later, as over a cable that loses nothing on a busy machine; and nothing else comes in. */
async function cabled() {
  await page.evaluate(() => {
    const connect = AudioNode.prototype.connect
    AudioNode.prototype.connect = function (to, ...rest) {
      // Pads sound by a clock of their own; the player's sound ends in a gain.
      if (to === this.context.destination && this instanceof GainNode && !window.plugged) {
        window.plugged = { delay: new DelayNode(this.context, { delayTime: 0.037 }), stream: new MediaStreamAudioDestinationNode(this.context).stream }
        window.MediaStreamAudioSourceNode = function (_, { mediaStream }) {
          return mediaStream === window.plugged.stream ? window.plugged.delay : null
        }
      }
      if (to === this.context.destination && this.context === window.plugged?.delay.context) connect.call(this, window.plugged.delay)
      return connect.call(this, to, ...rest)
    }
    navigator.mediaDevices.getUserMedia = () => Promise.resolve(window.plugged.stream)
  })
}

test('what comes in at an input is kept on an audio channel, placed by the measured round trip', async () => {
  const notes = [[0, 60], [1300, 67], [2400, 63], [3700, 70], [4800, 58]].map(([startTick, number]) => ({ startTick, lengthTicks: 300, number, velocity: 100 }))
  await edit([
    { type: 'put-pattern', channel: 'glass-keys', pattern: { name: 'Uneven', lengthTicks: 5760, notes, sections: ['quay'] } },
    { type: 'make-channel', wish: { kind: 'audio', name: 'Wren voice', under: 'mix-bus' } },
  ])
  await cabled()
  await row(page, 'Wren voice').click()
  await page.getByRole('button', { name: 'Pause' }).click()
  await page.getByRole('button', { name: 'counted in' }).click()
  await page.getByRole('button', { name: 'Play', exact: true }).click()
  await page.waitForFunction(() => window.plugged)
  const heard = page.getByRole('group', { name: 'What is sung or played in' })
  await heard.getByRole('button', { name: 'Listen to an input of this computer' }).click()
  await page.getByRole('button', { name: 'Pause' }).click()
  await heard.getByRole('button', { name: 'Measure it' }).click()
  const said = await heard.getByText(/round trip [\d.]+ ms, measured/).textContent({ timeout: 30_000 })
  const roundTrip = Number(/[\d.]+/.exec(said)[0])
  assert.ok(Math.abs(roundTrip - 37) < 0.1, said)

  await page.getByRole('button', { name: 'Play', exact: true }).click()
  // More than one time around of six quarters.
  await page.waitForFunction(() => Number(/^(\d+) s heard/.exec(document.body.textContent.match(/\d+ s heard/)?.[0] ?? '')?.[1] ?? 0) >= 7, undefined, { timeout: 30_000 })
  await heard.getByRole('button', { name: 'Keep it on Wren voice' }).click()
  await heard.getByText('Idea is kept: 2 bars of Quay.').waitFor()

  const voice = (await whole()).channels.find((c) => c.channel.name === 'Wren voice').channel
  const [starter] = voice.starters
  assert.deepEqual([starter.name, starter.loops, starter.sections], ['Idea', true, ['quay']])
  assert.equal(starter.sound.frames, Math.round(6 * quarter * starter.sound.sampleRateHz))
  // The channel by itself sounds as the loop did: at no other place do they fit as well.
  const [loop, kept] = await Promise.all([heardAlone(null), heardAlone(voice.id)])
  const late = bestFit(loop, kept)
  assert.ok(Math.abs(late) <= 0.002 * 48000, `${late} frames late`)
})

/** The left lane of the quay from rest, before the voice's own idea is in it or of that alone. */
async function heardAlone(listenTo) {
  const trying = listenTo ? [] : [{ type: 'set-mute', channel: (await whole()).channels.find((c) => c.channel.name === 'Wren voice').channel.id, muted: true }]
  const { id: job } = await stage.post('/api/renders', { document: id, act: 'write', listenTo, section: 'quay', trying, metersInFull: false, countedIn: false })
  for (;;) {
    const { state } = await stage.get(`/api/renders/${job}`)
    if (state === 'done') break
    assert.ok(state === 'waiting' || state === 'running', state)
    await new Promise((done) => setTimeout(done, 100))
  }
  const file = Buffer.from(await (await fetch(`${stage.address}/api/renders/${job}/audio`)).arrayBuffer())
  const data = file.indexOf('data') + 8
  return Float32Array.from({ length: (file.length - data) / 8 }, (_, n) => file.readFloatLE(data + 8 * n))
}

/** How many frames later the second lies where it fits the first best, of up to 100 ms both ways. */
function bestFit(first, second) {
  let best = { late: 0, fit: -Infinity }
  for (let late = -4800; late <= 4800; late++) {
    let fit = 0
    for (let n = 9600; n < 96_000; n += 3) fit += first[n] * (second[n + late] ?? 0)
    if (fit > best.fit) best = { late, fit }
  }
  return best.late
}
