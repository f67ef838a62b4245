import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { api, asked, sentenceOf } from '@/api/client'
import type { Schemas } from '@/api/types'
import { useDocument } from './document'
import { useListening } from './listening'

type PlayedNote = Schemas['PlayedNote']
type PlayedMove = Schemas['PlayedMove']

const mostKept = 2000
/** Into silence: after a pause as long as this the next note begins anew. */
const pauseSeconds = 5

/** What was played lately, whether or not anything was armed: of one channel, over one stretch. */
export const usePlayed = defineStore('played', () => {
  const document = useDocument()
  const listening = useListening()
  const channel = ref<string>()
  const over = ref<string | null>(null)
  const notes = shallowRef<PlayedNote[]>([])
  const moves = shallowRef<PlayedMove[]>([])
  const trouble = ref<string>()
  const kept = ref<string>()
  const down = new Map<number, { note: PlayedNote; stamp: number }>()
  let free: { began: number; last: number; pass: number } | undefined

  const count = computed(() => notes.value.length)
  const hasMoves = computed(() => moves.value.length > 0)
  const overName = computed(() => (over.value ? document.sectionName(over.value) : 'the whole timeline'))

  /** @param stamp when, in milliseconds of the page's clock */
  function strike(on: string, number: number, velocity: number, stamp: number) {
    // A wheel may be turned before the first note of all.
    if (channel.value && (on !== channel.value || listening.section !== over.value)) forget()
    channel.value = on
    over.value = listening.section
    kept.value = undefined
    const note = { ...placeOf(stamp, true)!, lengthSeconds: 0.1, number, velocity }
    down.set(number, { note, stamp })
    notes.value = [...notes.value.slice(-mostKept + 1), note]
  }

  function release(number: number, stamp: number) {
    const held = down.get(number)
    if (!held) return
    down.delete(number)
    held.note.lengthSeconds = Math.max(0.01, (stamp - held.stamp) / 1000)
  }

  /** Where a wheel stands; told only once something was played. */
  function turn(controller: number, value: number, stamp: number) {
    const place = placeOf(stamp, false)
    if (place) moves.value = [...moves.value.slice(-5 * mostKept + 1), { ...place, controller, value }]
  }

  /** Where in the loop it is; where nothing is heard, from the first note on. */
  function placeOf(stamp: number, begins: boolean) {
    const heard = listening.placeAt(stamp)
    if (heard) return heard
    const paused = !free || (stamp - free.last) / 1000 > pauseSeconds
    if (paused && !begins) return undefined
    if (paused) free = { began: stamp, last: stamp, pass: (free?.pass ?? 0) + 1_000_000 }
    free!.last = stamp
    const seconds = Math.max(0, (stamp - free!.began) / 1000)
    const around = Math.floor(seconds / listening.heardSeconds)
    return { pass: free!.pass + around, seconds: seconds - around * listening.heardSeconds }
  }

  /** Makes a starter of the last bars; one undo takes it back. */
  async function keep(wish: Schemas['IdeaWish']) {
    const id = document.head?.id
    if (!id || !channel.value) return
    trouble.value = undefined
    try {
      const played = { channel: channel.value, section: over.value, notes: notes.value, wheels: moves.value }
      const ask = { params: { path: { id } }, body: { played, wish } }
      const idea = await asked(api.POST('/api/documents/{id}/ideas', ask))
      if (document.head?.id !== id) return
      if (!(await document.edit(idea.edits, channel.value))) {
        trouble.value = document.refusal?.sentence
        return
      }
      forget()
      kept.value = `${idea.name} is kept: ${idea.notes} ${idea.notes === 1 ? 'note' : 'notes'} in ${idea.section}.`
    } catch (error) {
      trouble.value = sentenceOf(error)
    }
  }

  function forget() {
    notes.value = []
    moves.value = []
    down.clear()
    free = undefined
    trouble.value = undefined
    kept.value = undefined
  }

  watch(() => document.head?.id, forget)

  return { channel, overName, count, hasMoves, trouble, kept, strike, release, turn, keep, forget }
})
