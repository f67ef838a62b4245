import { useDebounceFn } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { sentenceOf } from '@/api/client'
import type { Job, Meters } from '@/api/types'
import { useDocument } from './document'
import { useListeningTarget } from './listeningTarget'
import { LoopPlayer, type LoopRange, type Trims } from './loopPlayer'
import { dropRender, keepRender, startRender, watchRender } from './renderCalls'
import { readSound, type Arriving } from './soundStream'

const settleMs = 60

/** What is heard: a listening point over a stretch of the timeline, rendered by the server, played in a loop. */
export const useListening = defineStore('listening', () => {
  const document = useDocument()
  const target = useListeningTarget()
  /** The stretch that is looped, set by hand; undefined for all of it. */
  const range = shallowRef<LoopRange>()
  const loops = ref(true)
  const playing = ref(false)
  const job = shallowRef<Job>()
  const meters = shallowRef<Meters>()
  const trouble = ref<string>()
  const heardRevision = ref<string>()
  const keptAs = ref<string>()
  const player = new LoopPlayer(() => (playing.value = false))
  let turn = 0

  const rendering = computed(() => job.value?.state === 'waiting' || job.value?.state === 'running')
  const isCurrent = computed(() => heardRevision.value === target.wanted.value)
  /** What is wanted was rendered, and nothing is to be heard in it. */
  const isSilent = computed(() => isCurrent.value && meters.value !== undefined && meters.value.peakDbfs == null)

  /** How long one time around what is listened to lasts, without its count. */
  const heardSeconds = computed(() => {
    const timeline = document.head?.timeline
    return timeline?.sections.find((s) => s.id === target.section.value)?.seconds ?? timeline?.seconds ?? 1
  })

  /** @param sounds whether what arrives is heard at once */
  async function render(sounds = false): Promise<boolean> {
    const [request, name, lead] = [target.request.value, target.wanted.value, target.leadSeconds.value]
    if (!request || !name) return false
    if (isCurrent.value) return true
    const mine = ++turn
    await cancel()
    trouble.value = undefined
    keptAs.value = undefined
    try {
      const asking = await startRender(request)
      const { id } = asking
      // Another was asked for while this one was on its way to the server.
      if (mine !== turn) return await drop(id)
      job.value = asking
      const [done, sound] = await Promise.all([
        watchRender(id, (now) => {
          if (job.value?.id !== id) return false
          job.value = now
          return true
        }),
        readSound(id, (arriving) => {
          if (sounds && job.value?.id === id && playing.value) player.playArriving(arriving, lead)
        }),
      ])
      if (mine !== turn || done?.state !== 'done' || !sound) return false
      player.take(sound, loops.value, lead)
      meters.value = done.meters ?? undefined
      heardRevision.value = name
      return true
    } catch (error) {
      if (mine === turn) trouble.value = sentenceOf(error)
      return false
    }
  }

  async function drop(id: string) {
    await dropRender(id)
    return false
  }

  /** Puts what was rendered on the shelf, to be used as a starter. */
  async function keep() {
    if (!job.value || job.value.state !== 'done') return
    try {
      keptAs.value = (await keepRender(job.value.id, target.title.value)).title
    } catch (error) {
      trouble.value = sentenceOf(error)
    }
  }

  async function cancel() {
    if (!rendering.value || !job.value) return
    const { id } = job.value
    job.value = { ...job.value, state: 'cancelled' }
    await drop(id)
  }

  async function play() {
    if (playing.value) {
      player.stop()
      playing.value = false
      return
    }
    player.wake(document.head?.sampleRateHz ?? 48000)
    playing.value = true
    await hear()
  }

  /** Has what is wanted heard; where something else is wanted before it is there, that one is heard in its turn. */
  async function hear() {
    const [before, wasSilent] = [turn, !player.isSounding]
    if (await render(wasSilent)) {
      if (playing.value && !player.isSounding) player.start(loops.value)
    } else if (wasSilent && turn <= before + 1 && !rendering.value) {
      player.stop()
      playing.value = false
    }
  }

  function seek(share: number) {
    player.seek(share, loops.value && playing.value, playing.value)
  }

  function setRange(stretch: LoopRange | undefined) {
    range.value = stretch
    player.setRange(stretch, loops.value)
  }

  /** Something to hear in its place, at the same loudness. */
  function compareWith(sound: Arriving | undefined, trims: Trims = { first: 0, second: 0 }) {
    player.compareWith(sound, trims)
  }

  function hearOther(on: boolean) {
    player.hearOther(on, loops.value)
  }

  /** Edits in quick succession are rendered once, when they have settled. */
  const follow = useDebounceFn(() => (playing.value ? hear() : undefined), settleMs)

  watch(() => document.head?.id, forget)
  // The loop goes on: the new sound takes the old one's place when it is there.
  watch(target.wanted, () => {
    if (playing.value) void follow()
  })
  watch(loops, (on) => player.setLoop(on))
  watch(target.section, () => setRange(undefined))

  function forget() {
    void cancel()
    player.stop()
    playing.value = false
    meters.value = undefined
    heardRevision.value = undefined
    target.reset()
  }

  const {
    point,
    where,
    insert,
    section,
    lead,
    countedIn,
    countIn,
    leadSeconds,
    trying,
    follows,
    inFull,
    pointName,
    listenTo,
  } = target
  return {
    point, where, insert, follows, section, lead, countedIn, countIn, leadSeconds, trying, loops, playing, job, meters, trouble, rendering, isCurrent, isSilent, pointName, heardRevision,
    inFull, range, setRange, compareWith, hearOther, listenTo, keep, keptAs, render, cancel, play, seek, position: () => player.position(), placeAt: (stamp: number) => player.placeAt(stamp),
    placeIn: (at: number) => player.placeIn(at), wake: () => player.wake(document.head?.sampleRateHz ?? 48000), heardSeconds,
  } // prettier-ignore
})
