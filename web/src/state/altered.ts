import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { useDocument } from './document'
import { useReading } from './useReading'
import { defaultsOf } from '@/strips/stripCalls'

/** Which channels of the open document have their default strip with something changed, once somebody has asked there. */
export const useAltered = defineStore('altered', () => {
  const document = useDocument()
  const askedIn = ref<string>()
  const { answer } = useReading({ when: () => document.head?.id === askedIn.value, ask: defaultsOf })
  const channels = computed<ReadonlySet<string>>(
    () => new Set((answer.value ?? []).flatMap((view) => view.altered as string[])),
  )

  function look() {
    askedIn.value = document.head?.id
  }

  return { channels, look }
})
