import { defineStore } from 'pinia'
import { computed } from 'vue'
import { useDocument } from './document'
import { useReading } from './useReading'
import { api, asked } from '@/api/client'
import type { Finding, Findings } from '@/api/types'

/** What the soundcheck finds in the open document. It follows the edits and never holds them up. */
export const useFindings = defineStore('findings', () => {
  const document = useDocument()
  const { answer: found, again } = useReading({
    also: () => [document.act],
    ask: (id) => {
      const ask = { params: { path: { id }, query: { act: document.act } } }
      return asked(api.GET('/api/documents/{id}/findings', ask)) as Promise<Findings>
    },
  })

  const open = computed(() => found.value?.open ?? [])
  const isProven = computed(() => found.value !== undefined && found.value.acts.every((act) => act.open === 0))
  const byChannel = computed(() => {
    const map = new Map<string, Finding[]>()
    for (const finding of open.value)
      for (const { id } of finding.channels) map.set(id, [...(map.get(id) ?? []), finding])
    return map
  })

  function accept(wanted: Finding[], note: string | null) {
    return document.edit(wanted.map(({ key }) => ({ type: 'accept-finding', key, note })))
  }

  return { found, open, isProven, byChannel, accept, lookAgain: () => void again() }
})
