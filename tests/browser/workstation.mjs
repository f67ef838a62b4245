// A workstation of the tests: the template is opened in it, mistakes are made by hand, the test is put on its tracks, and its channels are recorded.
import assert from 'node:assert/strict'
import { unzipSync } from 'fflate'

/**
 * @param stage the server and its browser
 * @param {string} id of the template whose test is played
 * @param {(channel: object) => boolean} recorded which of its channels are
 * @param {(channels: object[]) => void} mistakes changes the channels as they are set up there
 * @returns {Promise<Map<string, Uint8Array>>} WAVE files of 24 bits by the name of the channel
 */
export async function playedElsewhere(stage, id, recorded, mistakes = () => {}) {
  const document = await stage.get(`/api/documents/${id}/document`)
  const { act, tempoBpm, seconds } = await stage.get(`/api/documents/${id}/outside-test`)
  const { template } = document
  const { beats, unit } = template.timeline.meter
  const ticksABar = (beats * 4 * 960) / unit
  const bars = Math.ceil((seconds * tempoBpm * 960) / 60 / ticksABar)
  template.name = 'Elsewhere'
  template.timeline = { tempoBpm, meter: template.timeline.meter, sections: [{ id: 'all', name: 'All', bars, tempoBpm: null, meter: null }], countIn: null }
  Object.assign(template, { parent: null, accepted: {}, grooves: [] })
  for (const channel of template.channels) {
    Object.assign(channel, { shapes: [], starters: [], patterns: [], groove: null })
    if (channel.source?.type === 'input') Object.assign(channel.source, { monitored: false, armed: false })
  }
  for (const part of await partsOf(stage, id)) {
    const notes = part.pattern.notes.map((note) => ({ ...note, startTick: note.startTick + part.skippedBars * ticksABar }))
    const channel = template.channels.find((c) => c.name === part.name)
    channel.patterns = [{ name: 'Test', lengthTicks: bars * ticksABar, notes, sections: [] }]
  }
  mistakes(template.channels)
  const there = await stage.post('/api/templates/from-document', document)
  return stemsOf(stage, there.id, act, recorded)
}

/** The tracks of the test as the file has them. */
async function partsOf(stage, id) {
  const midi = await (await fetch(`${stage.address}/api/documents/${id}/outside-test/midi`)).arrayBuffer()
  const player = (await stage.get(`/api/documents/${id}`)).channels.find((c) => c.channel.source?.type === 'instrument').channel.id
  const answer = await fetch(`${stage.address}/api/documents/${id}/channels/${player}/midi`, { method: 'POST', body: midi })
  assert.ok(answer.ok, `The test is no MIDI file that can be read: ${answer.status}`)
  return (await answer.json()).parts
}

async function stemsOf(stage, id, act, recorded) {
  const channels = (await stage.get(`/api/documents/${id}/stems?act=${act}`)).channels.filter(recorded)
  let job = await stage.post('/api/stems', { document: id, act, channels: channels.map((c) => c.id), depth: 'int24', tailSeconds: 1, dry: false })
  while (job.state === 'waiting' || job.state === 'running') {
    await new Promise((resolve) => setTimeout(resolve, 200))
    job = await stage.get(`/api/stems/${job.id}`)
  }
  assert.equal(job.state, 'done')
  const files = Object.entries(unzipSync(new Uint8Array(await (await fetch(`${stage.address}/api/stems/${job.id}/file`)).arrayBuffer())))
  return new Map(channels.map((c, n) => [c.name, files[n][1]]))
}
