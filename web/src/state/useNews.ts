import { useDocumentVisibility, useEventSource, useIntervalFn } from '@vueuse/core'
import { computed, watch } from 'vue'
import { useDocument } from './document'

const pollMs = 2000

/** Hears of what other tabs do to the open document: one stream, closed while the tab is hidden, polling where it breaks. */
export function useNews() {
  const document = useDocument()
  const visibility = useDocumentVisibility()
  const address = computed(() =>
    visibility.value === 'visible' && document.head ? `/api/documents/${document.head.id}/stream` : undefined,
  )
  const stream = useEventSource(address, [], { autoReconnect: { delay: pollMs } })
  // Until it is back, the server is asked now and then.
  const poll = useIntervalFn(() => void document.hear(Infinity), pollMs, { immediate: false })

  watch(stream.data, (message) => {
    if (message) void document.hear((JSON.parse(message) as { revision: number }).revision)
  })
  watch([stream.status, address], ([status, at]) => {
    if (at && status === 'CLOSED') poll.resume()
    else poll.pause()
  })
}
