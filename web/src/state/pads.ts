import { defineStore } from 'pinia'
import { computed, reactive, ref, shallowRef, watch } from 'vue'
import { sentenceOf } from '@/api/client'
import { useDocument } from './document'
import { usePlayed } from './played'
import { fetchAudition } from './audition'
import { sourcesOf } from './lineCalls'
import { noteName } from '@/parts/noteNames'

export interface Pad {
  /** What it is lit by: a note, or the channel of a hardware input. */
  key: number | string
  channel: string
  /** Null for a hardware input. */
  note: number | null
  name: string
}

const mostKept = 128

/** Pads and keys to be pressed: each press sounds through the template's own path. */
export const usePads = defineStore('pads', () => {
  const document = useDocument()
  const played = usePlayed()
  const open = ref(false)
  const lowest = ref(48)
  const velocity = ref(100)
  const lit = reactive(new Map<Pad['key'], number>())
  const trouble = ref<string>()
  const midi = ref<string>()
  const sounds = new Map<string, Promise<AudioBuffer>>()
  const inputs = shallowRef<Pad[]>([])
  let context: AudioContext | undefined

  /** Who wants the next note instead of its sound. */
  const catching = shallowRef<(note: number) => void>()

  /** An input is chosen: all that are monitored have their pads. */
  const ofInputs = computed(() => document.selected?.channel.source?.type === 'input')

  const row = computed(() => {
    const selected = document.selected
    const plays = selected && (!document.can(selected).sounds || selected.channel.source?.type === 'instrument')
    return plays ? selected : document.instruments[0]
  })
  const kit = computed(() => {
    const source = ofInputs.value || catching.value ? undefined : row.value?.channel.source
    return source?.type === 'instrument' ? source.kit : undefined
  })
  const pads = computed<Pad[]>(() => {
    if (ofInputs.value && !catching.value) return inputs.value
    const channel = row.value?.channel.id ?? ''
    const played = (note: number, name: string) => ({ key: note, channel, note, name })
    return kit.value
      ? kit.value.pieces.map((p) => played(p.note, p.name))
      : Array.from({ length: 25 }, (_, i) => played(lowest.value + i, noteName(lowest.value + i)))
  })

  /**
   * @param strength how hard, 1 to 127
   * @param stamp when, in milliseconds of the page's clock
   */
  function press(note: number, strength = velocity.value, stamp = performance.now()) {
    if (caught(note)) return
    const { value } = row
    if (value) played.strike(value.channel.id, note, strength, stamp)
    return value ? sound({ key: note, channel: value.channel.id, note, name: '' }, strength) : undefined
  }

  /** A pad as it is shown. */
  function pressPad(pad: Pad, stamp = performance.now()) {
    if (pad.note !== null && caught(pad.note)) return
    if (pad.note !== null) played.strike(pad.channel, pad.note, velocity.value, stamp)
    return sound(pad, velocity.value)
  }

  /** A pad or key is let go. */
  function letGo(note: number | null, stamp = performance.now()) {
    if (note !== null) played.release(note, stamp)
  }

  /** The next key or pad that is pressed, here or on a device, is told and not heard. */
  function catchNext(take: (note: number) => void) {
    catching.value = take
    open.value = true
    if (!midi.value) void listenToMidi()
  }

  function caught(note: number) {
    const take = catching.value
    catching.value = undefined
    take?.(note)
    return take !== undefined
  }

  async function sound(pad: Pad, strength: number) {
    const head = document.head
    if (!head) return
    trouble.value = undefined
    context ??= new AudioContext({ sampleRate: head.sampleRateHz })
    void context.resume()
    lit.set(pad.key, (lit.get(pad.key) ?? 0) + 1)
    try {
      const buffer = await soundOf(pad, strength, context)
      const node = new AudioBufferSourceNode(context, { buffer })
      node.connect(context.destination)
      node.start()
    } catch (error) {
      trouble.value = sentenceOf(error)
    } finally {
      setTimeout(() => lit.set(pad.key, (lit.get(pad.key) ?? 1) - 1), 150)
    }
  }

  /** Four strengths are kept apart; a sound that was heard is there at once the next time. */
  function soundOf(pad: Pad, strength: number, at: AudioContext): Promise<AudioBuffer> {
    const head = document.head!
    const { channel, note } = pad
    const near = Math.min(127, Math.max(16, Math.round(strength / 32) * 32))
    const name = [head.id, head.revision, document.act, channel, note, near].join('/')
    const known = sounds.get(name)
    if (known) return known
    if (sounds.size >= mostKept) sounds.clear()
    const made = fetchAudition({
      document: head.id, act: document.act, channel, note, velocity: near,
    }).then((bytes) => at.decodeAudioData(bytes)) // prettier-ignore
    sounds.set(name, made)
    made.catch(() => sounds.delete(name))
    return made
  }

  /** Notes from whatever MIDI devices there are. */
  async function listenToMidi() {
    if (!('requestMIDIAccess' in navigator)) {
      trouble.value = 'This browser has no MIDI.'
      return
    }
    try {
      const access = await navigator.requestMIDIAccess()
      const names = [...access.inputs.values()].map((input) => {
        input.onmidimessage = (event) => onMidi(event.data, event.timeStamp)
        return input.name ?? 'a device'
      })
      midi.value = names.length ? names.join(', ') : 'no device is there'
    } catch {
      trouble.value = 'The browser gives no MIDI.'
    }
  }

  /** MIDI 1.0: 8n is note off, 9n note on, which with velocity 0 means note off; Bn moves a controller. */
  function onMidi(data: Uint8Array | null | undefined, stamp?: number) {
    if (!data) return
    const [kind, number, value] = [data[0]! & 0xf0, data[1]!, data[2]!]
    if (kind === 0x90 && value > 0) void press(number, value, stamp)
    else if (kind === 0x90 || kind === 0x80) letGo(number, stamp)
    else if (kind === 0xb0) played.turn(number, value, stamp ?? performance.now())
  }

  watch(open, (is) => {
    if (!is) catching.value = undefined
  })

  watch([open, ofInputs, () => document.head?.revision, () => document.act], async () => {
    if (!open.value || !ofInputs.value || !document.head) return
    try {
      const sources = await sourcesOf(document.head.id, document.act)
      inputs.value = sources
        .filter((s) => s.note === null)
        .map((s) => ({ key: s.channel, channel: s.channel, note: null, name: s.name }))
    } catch (error) {
      trouble.value = sentenceOf(error)
    }
  })

  watch(
    () => document.head?.id,
    () => sounds.clear(),
  )

  return {
    open,
    lowest,
    velocity,
    lit,
    trouble,
    midi,
    row,
    kit,
    ofInputs,
    pads,
    press,
    pressPad,
    letGo,
    catching,
    catchNext,
    listenToMidi,
  }
})
