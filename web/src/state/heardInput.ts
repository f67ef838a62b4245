import { useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref, watch } from 'vue'
import { refusalOf, sentenceOf } from '@/api/client'
import type { Schemas } from '@/api/types'
import { useDocument } from './document'
import tapAddress from './inputTap.worklet.js?url'
import { useListening } from './listening'
import { plainWave } from './plainWave'

/** A piece of what came in: when by the clock of the player, and where in the loop that was. */
interface Piece {
  at: number
  /** Times around and seconds; undefined while nothing was heard. */
  place?: { pass: number; seconds: number }
  lanes: Float32Array[]
}

/** Of all lanes together: what the server takes as one file, with room for its header. */
const mostSamples = (60 * 1024 * 1024) / 4
const clickSeconds = [0.1, 0.55, 1.12, 1.6]
const measuredFor = 2.4

/** One input of this computer, kept running so that what was sung lately can be kept. */
export const useHeardInput = defineStore('heardInput', () => {
  const document = useDocument()
  const listening = useListening()
  const pieces: Piece[] = []
  const on = ref(false)
  const measuring = ref(false)
  const seconds = ref(0)
  const trouble = ref<string>()
  const kept = ref<string>()
  /** In seconds; as it was measured on this computer. */
  const measured = useLocalStorage<number | null>('home-stage-round-trip', null)
  let stream: MediaStream | undefined
  let nodes: AudioNode[] = []
  let context: AudioContext | undefined

  /** Where it was not measured, what the browser says of its way out alone. */
  const roundTrip = computed(
    () => measured.value ?? (on.value && context ? context.outputLatency + context.baseLatency : 0),
  )

  async function start() {
    trouble.value = undefined
    try {
      const plain = { echoCancellation: false, noiseSuppression: false, autoGainControl: false }
      stream = await navigator.mediaDevices.getUserMedia({ audio: plain })
      context = listening.wake()
      await context.audioWorklet.addModule(tapAddress)
      const source = new MediaStreamAudioSourceNode(context, { mediaStream: stream })
      const tap = new AudioWorkletNode(context, 'input-tap', { numberOfOutputs: 0 })
      tap.port.onmessage = ({ data }) => take(data)
      source.connect(tap)
      nodes = [source, tap]
      on.value = true
    } catch (error) {
      stop()
      trouble.value = error instanceof DOMException ? 'The browser gives no input.' : sentenceOf(error)
    }
  }

  function stop() {
    nodes.forEach((node) => node.disconnect())
    stream?.getTracks().forEach((track) => track.stop())
    nodes = []
    stream = undefined
    on.value = false
    forget()
  }

  function take({ began, blocks }: { began: number; blocks: Float32Array[][] }) {
    const lanes = joined(blocks)
    pieces.push({ at: began, place: listening.placeIn(began), lanes })
    while (pieces.length * lanes.length * lanes[0]!.length > mostSamples) pieces.shift()
    seconds.value = over(run())
  }

  const lengthOf = (piece: Piece) => piece.lanes[0]!.length / context!.sampleRate
  const over = (run: Piece[]) => run.reduce((sum, piece) => sum + lengthOf(piece), 0)

  /** The latest pieces that follow each other in the loop, without a jump. */
  function run(): Piece[] {
    const around = listening.heardSeconds
    const end = pieces.findLastIndex((p) => p.place)
    let first = end
    while (first > 0) {
      const [before, next] = [pieces[first - 1]!, pieces[first]!]
      if (!before.place || before.lanes.length !== next.lanes.length) break
      const gap = (next.place!.pass - before.place.pass) * around + next.place!.seconds - before.place.seconds
      if (Math.abs(gap - lengthOf(before)) > 0.02) break
      first--
    }
    return end < 0 ? [] : pieces.slice(first, end + 1)
  }

  async function keep(bars: number | null) {
    const row = document.selected
    const heard = run()
    const id = document.head?.id
    if (!id || !row || heard.length === 0) return
    trouble.value = kept.value = undefined
    try {
      const said = new URLSearchParams({
        channel: row.channel.id,
        startSeconds: String(heard[0]!.place!.seconds % listening.heardSeconds),
        roundTripSeconds: String(roundTrip.value),
        ...(listening.section ? { section: listening.section } : {}),
        ...(bars ? { bars: String(bars) } : {}),
      })
      const address = `/api/documents/${id}/ideas/sound?${said}`
      const idea = await sent<Schemas['IdeaView']>(address, waveOf(heard))
      if (document.head?.id !== id) return
      if (await document.edit(idea.edits, row.channel.id))
        kept.value = `${idea.name} is kept: ${idea.notes} ${idea.notes === 1 ? 'bar' : 'bars'} of ${idea.section}.`
      else trouble.value = document.refusal?.sentence
    } catch (error) {
      trouble.value = sentenceOf(error)
    }
  }

  /** Plays clicks, and finds them in what comes in: for the input held before the loudspeaker, or a cable. */
  async function measure() {
    if (!context || measuring.value) return
    measuring.value = true
    trouble.value = undefined
    try {
      const click = await context.decodeAudioData(
        await (await fetch(`/api/round-trip/click?rate=${context.sampleRate}`)).arrayBuffer(),
      )
      const begin = context.currentTime + 0.5
      for (const at of clickSeconds) {
        const node = new AudioBufferSourceNode(context, { buffer: click })
        node.connect(context.destination)
        node.start(begin + at)
      }
      await heardUntil(begin + measuredFor)
      const heard = pieces.filter((p) => p.at >= begin && p.at < begin + measuredFor)
      const clicks = clickSeconds.map((at) => `clicks=${begin + at - (heard[0]?.at ?? begin)}`).join('&')
      const answer = await sent<Schemas['RoundTripView']>(`/api/round-trip?${clicks}`, waveOf(heard))
      if (answer.seconds === null)
        trouble.value = 'None of the clicks came back. Is the input near the loudspeaker, or the cable plugged in?'
      else measured.value = answer.seconds
    } catch (error) {
      trouble.value = sentenceOf(error)
    } finally {
      measuring.value = false
    }
  }

  /** Waits until everything is in that came before a moment; not for ever. */
  async function heardUntil(moment: number) {
    for (let waits = 0; waits < 100 && !((pieces.at(-1)?.at ?? 0) >= moment); waits++)
      await new Promise((done) => setTimeout(done, 80))
  }

  function waveOf(heard: Piece[]) {
    const lanes = joined(heard.length ? heard.map((p) => p.lanes) : [[new Float32Array(1)]])
    return plainWave(lanes, context!.sampleRate)
  }

  function forget() {
    pieces.length = 0
    seconds.value = 0
    kept.value = undefined
  }

  watch(() => [document.head?.id, listening.section], forget)
  watch(
    () => document.head?.id,
    () => on.value && stop(),
  )

  return { on, measuring, measured, roundTrip, seconds, trouble, kept, start, stop, keep, measure, forget }
})

/** Blocks of a few lanes, one after the other; a lane that one has not is its first. */
function joined(blocks: Float32Array[][]): Float32Array[] {
  return blocks[0]!.map((_, lane) => {
    const whole = new Float32Array(blocks.reduce((sum, b) => sum + b[0]!.length, 0))
    let at = 0
    for (const block of blocks) {
      whole.set(block[lane] ?? block[0]!, at)
      at += block[0]!.length
    }
    return whole
  })
}

async function sent<T>(address: string, body: ArrayBuffer): Promise<T> {
  const answer = await fetch(address, { method: 'POST', body, headers: { 'content-type': 'audio/wav' } })
  const json = await answer.json().catch(() => undefined)
  if (!answer.ok) throw refusalOf(json)
  return json as T
}
