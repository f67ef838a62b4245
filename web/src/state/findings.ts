import { useDebounceFn } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, shallowRef, watch } from 'vue'
import { useDocument } from './document'
import { api, asked } from '@/api/client'
import type { Finding, Findings } from '@/api/types'

const settleMs = 120

/** What the soundcheck finds in the open document. It follows the edits and never holds them up. */
export const useFindings = defineStore('findings', () => {
  const document = useDocument()
  const found = shallowRef<Findings>()

  const open = computed(() => found.value?.open ?? [])
  const isProven = computed(() => found.value !== undefined && found.value.acts.every((act) => act.open === 0))
  const byChannel = computed(() => {
    const map = new Map<string, Finding[]>()
    for (const finding of open.value)
      for (const { id } of finding.channels) map.set(id, [...(map.get(id) ?? []), finding])
    return map
  })

  const look = useDebounceFn(async () => {
    const head = document.head
    if (!head) return
    const ask = { params: { path: { id: head.id }, query: { act: document.act } } }
    const answer = await asked(api.GET('/api/documents/{id}/findings', ask)).catch(() => undefined)
    // A later edit asks again; an answer of an earlier revision, or of a document that was left, is of no use.
    if (
      answer &&
      document.head?.id === head.id &&
      answer.revision === document.head.revision &&
      answer.act === document.act
    )
      found.value = answer as Findings
  }, settleMs)

  watch(
    () => [document.head?.id, document.head?.revision, document.act],
    ([id], before) => {
      if (id !== before?.[0]) found.value = undefined
      void look()
    },
    { immediate: true },
  )

  function accept(wanted: Finding[], note: string | null) {
    return document.edit(wanted.map(({ key }) => ({ type: 'accept-finding', key, note })))
  }

  return { found, open, isProven, byChannel, accept, lookAgain: () => void look() }
})
