import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { api, asked, sentenceOf } from '@/api/client'
import type { LoudnessMatch } from '@/api/types'
import { useDocument } from './document'
import { useListening } from './listening'
import { renderWhole } from './renderCalls'
import type { Arriving } from './soundStream'

/** A reference beside the mix: what goes around the main, over the same stretch, heard as loud as the mix. */
export const useReference = defineStore('reference', () => {
  const document = useDocument()
  const listening = useListening()
  const hears = ref(false)
  const working = ref(false)
  const match = shallowRef<LoudnessMatch>()
  const trouble = ref<string>()
  const chosenId = ref<string>()
  let theirs: { id: string; sound: Arriving } | undefined

  const candidates = computed(() =>
    document.ordered.filter((r) => r.channel.kind === 'direct' && r.channel.starters.length > 0),
  )
  const channel = computed(() => candidates.value.find((r) => r.channel.id === chosenId.value) ?? candidates.value[0])

  async function hear(on: boolean) {
    trouble.value = undefined
    if (on && !(await fetch())) return
    hears.value = on
    listening.hearOther(on)
  }

  async function fetch(): Promise<boolean> {
    const row = channel.value
    if (!row || !document.head) return false
    working.value = true
    try {
      if (!(await listening.render()) || !listening.job) return false
      const { job, sound } = await renderWhole({
        document: document.head.id, act: document.act, listenTo: row.channel.id,
        section: listening.section, point: 'after-fader', insert: null, metersInFull: false,
      }) // prettier-ignore
      theirs = { id: job.id, sound }
      await rematch()
      return true
    } catch (error) {
      trouble.value = sentenceOf(error)
      return false
    } finally {
      working.value = false
    }
  }

  async function rematch() {
    if (!theirs || !listening.job) return
    const query = { other: theirs.id }
    match.value = await asked(api.GET('/api/renders/{id}/match', { params: { path: { id: listening.job.id }, query } }))
    listening.compareWith(theirs.sound, { first: match.value.firstDb, second: match.value.secondDb })
  }

  // After an edit the mix has another loudness; over another stretch both have.
  watch(
    () => listening.meters,
    () => theirs && rematch().catch((error: unknown) => (trouble.value = sentenceOf(error))),
  )
  watch(
    () => [document.head?.id, listening.section, listening.point, chosenId.value],
    () => {
      theirs = undefined
      match.value = undefined
      if (hears.value) listening.hearOther(false)
      hears.value = false
      listening.compareWith(undefined)
    },
  )

  return { candidates, channel, chosenId, hears, working, match, trouble, hear }
})
