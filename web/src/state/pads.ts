import { defineStore } from 'pinia'
import { computed, reactive, ref, watch } from 'vue'
import { sentenceOf } from '@/api/client'
import { useDocument } from './document'
import { fetchAudition } from './audition'

export interface Pad {
  note: number
  name: string
}

const keyNames = ['C', 'C♯', 'D', 'E♭', 'E', 'F', 'F♯', 'G', 'A♭', 'A', 'B♭', 'B']
const mostKept = 128

/** Pads and keys to be pressed: each press sounds through the template's own path. */
export const usePads = defineStore('pads', () => {
  const document = useDocument()
  const open = ref(false)
  const lowest = ref(48)
  const velocity = ref(100)
  const lit = reactive(new Map<number, number>())
  const trouble = ref<string>()
  const midi = ref<string>()
  const sounds = new Map<string, Promise<AudioBuffer>>()
  let context: AudioContext | undefined

  const row = computed(() => {
    const selected = document.selected
    const plays = selected && (!document.can(selected).sounds || selected.channel.source?.type === 'instrument')
    return plays ? selected : document.instruments[0]
  })
  const kit = computed(() => {
    const source = row.value?.channel.source
    return source?.type === 'instrument' ? source.kit : undefined
  })
  const pads = computed<Pad[]>(() =>
    kit.value
      ? kit.value.pieces.map((p) => ({ note: p.note, name: p.name }))
      : Array.from({ length: 25 }, (_, i) => ({ note: lowest.value + i, name: nameOf(lowest.value + i) })),
  )

  /** @param strength how hard, 1 to 127 */
  async function press(note: number, strength = velocity.value) {
    const head = document.head
    if (!head || !row.value) return
    trouble.value = undefined
    context ??= new AudioContext({ sampleRate: head.sampleRateHz })
    void context.resume()
    lit.set(note, (lit.get(note) ?? 0) + 1)
    try {
      const buffer = await soundOf(note, strength, context)
      const node = new AudioBufferSourceNode(context, { buffer })
      node.connect(context.destination)
      node.start()
    } catch (error) {
      trouble.value = sentenceOf(error)
    } finally {
      setTimeout(() => lit.set(note, (lit.get(note) ?? 1) - 1), 150)
    }
  }

  /** Four strengths are kept apart; a sound that was heard is there at once the next time. */
  function soundOf(note: number, strength: number, at: AudioContext): Promise<AudioBuffer> {
    const head = document.head!
    const channel = row.value!.channel.id
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
        input.onmidimessage = (event) => onMidi(event.data)
        return input.name ?? 'a device'
      })
      midi.value = names.length ? names.join(', ') : 'no device is there'
    } catch {
      trouble.value = 'The browser gives no MIDI.'
    }
  }

  /** MIDI 1.0: 9n is note on; with velocity 0 it means note off. */
  function onMidi(data: Uint8Array | null | undefined) {
    if (data && (data[0]! & 0xf0) === 0x90 && data[2]! > 0) void press(data[1]!, data[2]!)
  }

  watch(
    () => document.head?.id,
    () => sounds.clear(),
  )

  return { open, lowest, velocity, lit, trouble, midi, row, kit, pads, press, listenToMidi }
})

/** Scientific pitch names: note 60 is C4. */
function nameOf(note: number) {
  return `${keyNames[note % 12]}${Math.floor(note / 12) - 1}`
}
