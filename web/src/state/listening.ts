import { useDebounceFn } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { api, asked, Refusal, sentenceOf } from '@/api/client'
import type { Job, ListeningPoint, Meters } from '@/api/types'
import { LoopPlayer, type LoopRange, type Trims } from './loopPlayer'
import { readSound, type Arriving } from './soundStream'
import { keepRender } from './renderCalls'
import { useDocument } from './document'

const pollMs = 120
const settleMs = 60

/** What is heard: a listening point over a stretch of the timeline, rendered by the server, played in a loop. */
export const useListening = defineStore('listening', () => {
  const document = useDocument()
  const point = ref<string | null>(null)
  const where = ref<ListeningPoint>('after-fader')
  const insert = ref<string | null>(null)
  const follows = ref(false)
  /** Whether all meters run on every channel. */
  const inFull = ref(false)
  /** The stretch that is looped, set by hand; undefined for all of it. */
  const range = shallowRef<LoopRange>()
  const section = ref<string | null>(null)
  const loops = ref(true)
  const playing = ref(false)
  const job = shallowRef<Job>()
  const meters = shallowRef<Meters>()
  const trouble = ref<string>()
  const heardRevision = ref<string>()
  const keptAs = ref<string>()
  const player = new LoopPlayer(() => (playing.value = false))
  let turn = 0

  /** Names what a render would be of; a render of another is old. */
  const wanted = computed(() =>
    document.head
      ? [
          document.head.id,
          document.head.revision,
          document.act,
          point.value,
          where.value,
          insert.value,
          section.value,
          inFull.value,
        ].join('/')
      : undefined,
  )
  const rendering = computed(() => job.value?.state === 'waiting' || job.value?.state === 'running')
  const isCurrent = computed(() => heardRevision.value === wanted.value)
  const pointName = computed(() => (point.value ? (document.rows.get(point.value)?.channel.name ?? 'Main') : 'Main'))

  /** @param sounds whether what arrives is heard at once */
  async function render(sounds = false): Promise<boolean> {
    const head = document.head
    const name = wanted.value
    if (!head || !name) return false
    if (isCurrent.value) return true
    const mine = ++turn
    await cancel()
    trouble.value = undefined
    keptAs.value = undefined
    try {
      const asking = await asked(
        api.POST('/api/renders', {
          body: {
            document: head.id,
            act: document.act,
            listenTo: point.value,
            section: section.value,
            point: where.value,
            insert: insert.value,
            metersInFull: inFull.value,
          },
        }),
      )
      const { id } = asking
      // Another was asked for while this one was on its way to the server.
      if (mine !== turn) return await drop(id)
      job.value = asking
      const [done, sound] = await Promise.all([
        watchJob(id),
        readSound(id, (arriving) => {
          if (sounds && job.value?.id === id && playing.value) player.playArriving(arriving)
        }),
      ])
      if (mine !== turn || done?.state !== 'done' || !sound) return false
      player.take(sound, loops.value)
      meters.value = done.meters ?? undefined
      heardRevision.value = name
      return true
    } catch (error) {
      if (mine === turn) trouble.value = sentenceOf(error)
      return false
    }
  }

  async function drop(id: string) {
    await api.DELETE('/api/renders/{id}', { params: { path: { id } } })
    return false
  }

  async function watchJob(id: string) {
    for (;;) {
      const now = await asked(api.GET('/api/renders/{id}', { params: { path: { id } } }))
      if (job.value?.id !== id) return undefined
      job.value = now
      if (now.state === 'failed') throw new Refusal('failed', 'The render failed. The server’s log says why.')
      if (now.state !== 'waiting' && now.state !== 'running') return now
      await new Promise((resolve) => setTimeout(resolve, pollMs))
    }
  }

  /** Puts what was rendered on the shelf, to be used as a starter. */
  async function keep() {
    if (!job.value || job.value.state !== 'done') return
    const title = [pointName.value, section.value && document.sectionName(section.value)].filter(Boolean).join(', ')
    try {
      keptAs.value = (await keepRender(job.value.id, title)).title
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
    if (isCurrent.value) player.start(loops.value)
    else if (!(await render(true)) && !rendering.value) {
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

  /** Another listening point; after its fader unless said otherwise. */
  function listenTo(channel: string | null, place: ListeningPoint = 'after-fader', key: string | null = null) {
    point.value = channel
    where.value = place
    insert.value = key
  }

  watch(
    () => follows.value && document.selectedId,
    (id) => {
      const row = id ? document.rows.get(id) : undefined
      if (row && document.can(row).sounds) listenTo(row.channel.id)
    },
  )

  /** Edits in quick succession are rendered once, when they have settled. */
  const follow = useDebounceFn(() => (playing.value ? render() : undefined), settleMs)

  // The loop goes on: the new sound takes the old one's place when it is there.
  watch(wanted, async (name, before) => {
    const sameDocument = name?.split('/')[0] === before?.split('/')[0]
    if (!sameDocument) forget()
    else if (playing.value) void follow()
  })
  watch(loops, (on) => player.setLoop(on))
  watch(section, () => setRange(undefined))
  // A section that is gone is listened to no more.
  watch(
    () => document.head?.timeline.sections,
    (sections) => {
      if (section.value && sections && !sections.some((s) => s.id === section.value)) section.value = null
    },
  )

  function forget() {
    void cancel()
    player.stop()
    playing.value = false
    meters.value = undefined
    heardRevision.value = undefined
    listenTo(null)
    section.value = document.head?.opening?.loopSection ?? null
  }

  return {
    point, where, insert, follows, section, loops, playing, job, meters, trouble, rendering, isCurrent, pointName, heardRevision,
    inFull, range, setRange, compareWith, hearOther, listenTo, keep, keptAs, render, cancel, play, seek, position: () => player.position(),
  } // prettier-ignore
})
