// A finished song of 120 tracks, as a workstation that reads and writes DAWproject might have left it. The figures are counted while it is written.
import { strToU8, zipSync } from 'fflate'

const escaped = (text) => text.replace(/[&<>"]/g, (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[c])

/** @returns the file, and what is in it by the writer's own count */
export function finishedSong() {
  const counted = { tracks: 0, takesGone: 0, printsGone: 0, clips: 0, curves: 0, notes: 0, muted: 0, unloaded: 0, off: 0, sends: 0, devices: 0, doubled: 0, buses: 0, returns: 0 }
  const tracks = []
  const lanes = []
  let ids = 0

  /** One track with its channel; what is left out is at rest. */
  function track(name, { to = 'master', holds = 'audio', role = 'regular', muted, unloaded, sends = [], devices = [], clips = 0, curves = 0, notes = 0, volume = 1, pan = 0.5, inside = '' } = {}) {
    const id = role === 'master' ? 'master' : `c${ids++}`
    counted.tracks++
    counted.clips += clips
    counted.curves += curves
    counted.notes += notes > 0 ? 1 : 0
    counted.muted += muted ? 1 : 0
    counted.unloaded += unloaded ? 1 : 0
    counted.sends += sends.length
    counted.devices += devices.length
    counted.off += devices.filter((d) => d.includes('<Enabled value="false"')).length
    const destination = role === 'master' ? '' : ` destination="${to}"`
    const xml = `<Track name="${escaped(name)}" id="t-${id}" contentType="${holds}"${unloaded ? ' loaded="false"' : ' loaded="true"'} color="#7a6a5c">
<Channel id="${id}" role="${role}" audioChannels="2"${destination}>
<Volume id="v-${id}" value="${volume}" min="0" max="2" unit="linear"/><Pan value="${pan}" min="0" max="1" unit="normalized"/>
<Mute value="${muted ? 'true' : 'false'}"/>
${sends.length ? `<Sends>${sends.map((s) => `<Send destination="${s}" type="post"><Volume value="0.25" unit="linear"/></Send>`).join('')}</Sends>` : ''}
${devices.length ? `<Devices>${devices.join('')}</Devices>` : ''}
</Channel>${inside}</Track>`
    const clip = (n) => `<Clip time="${n * 4}" duration="4"><Warps contentTimeUnit="seconds" timeUnit="beats"><Audio channels="1" duration="2" sampleRate="48000"><File path="audio/${id}-${n}.wav"/></Audio><Warp time="0" contentTime="0"/><Warp time="4" contentTime="2"/></Warps></Clip>`
    const played = notes ? `<Clip time="0" duration="8"><Notes>${Array.from({ length: notes }, (_, n) => `<Note time="${n}" duration="0.5" channel="0" key="${48 + (n % 12)}" vel="0.7"/>`).join('')}</Notes></Clip>` : ''
    if (clips + curves + notes)
      lanes.push(`<Lanes track="t-${id}">${clips || notes ? `<Clips>${Array.from({ length: clips }, (_, n) => clip(n)).join('')}${played}</Clips>` : ''}
${Array.from({ length: curves }, () => `<Points unit="linear"><Target parameter="v-${id}"/><RealPoint time="0" value="0.5" interpolation="linear"/><RealPoint time="16" value="1" interpolation="linear"/></Points>`).join('')}</Lanes>`) // prettier-ignore
    return { id, xml }
  }

  const equaliser = (hertz, on = true) => `<Equalizer deviceRole="audioFX" deviceName="Tone"><Enabled value="${on}"/><Band type="highPass"><Freq value="${hertz}" unit="hertz"/><Enabled value="true"/></Band></Equalizer>`
  const compressor = (on = true) => `<Compressor deviceRole="audioFX" deviceName="Press"><Enabled value="${on}"/><Threshold value="-18" unit="decibel"/><Ratio value="3" unit="linear"/></Compressor>`
  const foreign = (name, on = true) => `<Vst3Plugin deviceID="${name.toLowerCase().replaceAll(' ', '-')}" deviceName="${name}" deviceRole="audioFX"><Enabled value="${on}"/><State path="states/${name}.bin"/></Vst3Plugin>`
  const instrument = (name) => `<Vst3Plugin deviceID="i-${name.toLowerCase()}" deviceName="${name}" deviceRole="instrument"><Enabled value="true"/></Vst3Plugin>`
  const put = (made) => (tracks.push(made.xml), made.id)

  put(track('Mstr', { role: 'master', devices: [compressor()] }))
  counted.buses++ // our mix bus is not in it, the master is no bus; one is counted below for each group
  counted.buses--
  const plate = put(track('Plate 2.1', { role: 'effect', devices: [foreign('Barn Door')] }))
  const slap = put(track('Slap dly', { role: 'effect' }))
  put(track('Verb unused', { role: 'effect', devices: [foreign('Barn Door')] }))
  counted.returns += 3
  const group = (name, options) => (counted.buses++, put(track(name, { role: 'submix', holds: 'audio tracks', ...options })))
  const drums = group('DRM sub', { devices: [compressor()] })
  const hands = group('Perc grp', { to: drums })
  const low = group('Low end', {})
  const guitars = group('GTRS', { volume: 0.8 })
  const keys = group('Keys n pads', {})
  const fiddles = group('The Fiddlers', {})
  const lead = group('LV bus', { devices: [equaliser(90)], curves: 2 })
  const backing = group('BVs', { muted: false })

  for (const [n, name] of ['Kick in', 'Kick out', 'Snare top', 'Snare btm', 'Hat', 'Rack tom', 'Floor tom', 'OH L', 'OH R', 'Room far', 'Ride', 'Crash'].entries())
    put(track(name, { to: drums, clips: 3, devices: n < 4 ? [equaliser(40 + n), compressor(n !== 3)] : [], pan: 0.3 + n / 40, volume: 0.7 }))
  for (const name of ['Shaker_03', 'Tamb', 'Congas hi', 'Congas lo', 'Woodblock', 'Guiro']) put(track(name, { to: hands, clips: 2, unloaded: name === 'Guiro' }))
  for (const [n, name] of ['Sub synth', 'Bass DI', 'Pad wash', 'Tine keys', 'Grand piano', 'Reed organ', 'Arp lead', 'Choir pad', 'Bell keys', 'Strings ens'].entries()) {
    const isPrinted = n % 2 === 0
    put(track(name, { to: n < 2 ? low : keys, holds: 'notes audio', devices: [instrument(`Maker${n}`)], notes: 6 + n, muted: isPrinted, unloaded: n === 4, sends: [plate] }))
    if (isPrinted) {
      put(track(`${name} print`, { to: n < 2 ? low : keys, clips: 1, sends: [plate] }))
      counted.printsGone++
    }
  }
  /** Takes of one thing: all but one go. */
  function takes(stem, to, marks, options = {}) {
    for (const [n, mark] of marks.entries()) put(track(`${stem} ${mark}`, { to, clips: 4, muted: n < marks.length - 1, ...options }))
    counted.takesGone += marks.length - 1
  }
  for (const stem of ['Fiddle close', 'Fiddle far', 'Viola', 'Cello']) takes(stem, fiddles, ['tk1', 'tk2', 'tk3 keep'], { sends: [plate] })
  takes('Lead vox', lead, ['TAKE 1', 'TAKE 2', 'TAKE 3', 'TAKE 4', 'TAKE 5', 'COMP'], { sends: [plate, slap], curves: 1 })
  for (const stem of ['Acoustic L', 'Acoustic R', 'Elec rhythm']) takes(stem, guitars, ['tk1', 'tk2 best'], {})
  for (const name of ['Lead vox dbl L', 'Lead vox dbl R']) put(track(name, { to: lead, clips: 2, pan: 0.2 }))
  for (let n = 1; n <= 16; n++) put(track(`BV ${n}`, { to: backing, clips: 2, pan: n / 17, sends: n % 3 ? [plate] : [], devices: [equaliser(150)] }))
  // Two that are the same, one after the other: the second is nobody's intention.
  put(track('Slide gtr', { to: guitars, clips: 1, devices: [equaliser(200), equaliser(200), foreign('Old Winch', false)] }))
  counted.doubled++
  put(track('Mix bounce', { clips: 1, muted: true }))
  counted.printsGone++
  for (let n = 1; counted.tracks < 120; n++) put(track(`Audio ${n}`, { to: n % 2 ? 'master' : keys, clips: n % 3, unloaded: n % 5 === 0 }))

  const xml = `<?xml version="1.0" encoding="UTF-8" standalone="yes"?>
<Project version="1.0"><Application name="Somewhere" version="9"/>
<Transport><Tempo value="97" unit="bpm" min="20" max="400"/><TimeSignature numerator="4" denominator="4"/></Transport>
<Arrangement><Lanes timeUnit="beats">${lanes.join('\n')}</Lanes><Markers><Marker time="0" name="In"/><Marker time="16" name="Verse"/><Marker time="48" name="Chorus"/></Markers></Arrangement>
<Structure>${tracks.join('\n')}</Structure></Project>`
  const metadata = '<?xml version="1.0" encoding="UTF-8"?><MetaData><Title>Thirty winters</Title></MetaData>'
  return { file: Buffer.from(zipSync({ 'project.xml': strToU8(xml), 'metadata.xml': strToU8(metadata) })), counted, title: 'Thirty winters' }
}
