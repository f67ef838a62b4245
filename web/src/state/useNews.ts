import { useDocumentVisibility } from '@vueuse/core'
import { onScopeDispose, watch } from 'vue'
import { useDocument } from './document'

const pollMs = 2000

/** Hears of what other tabs do to the open document: one stream, closed while the tab is hidden, polling where it breaks. */
export function useNews() {
  const document = useDocument()
  const visibility = useDocumentVisibility()
  let stream: EventSource | undefined
  let poll: ReturnType<typeof setInterval> | undefined

  function listen(id: string) {
    stream = new EventSource(`/api/documents/${id}/stream`)
    stream.onmessage = (message) => {
      stopPolling()
      void document.hear((JSON.parse(message.data as string) as { revision: number }).revision)
    }
    // The browser tries again by itself; until then it is asked now and then.
    stream.onerror = () => (poll ??= setInterval(() => void document.hear(Infinity), pollMs))
  }

  function stopPolling() {
    clearInterval(poll)
    poll = undefined
  }

  function leave() {
    stream?.close()
    stream = undefined
    stopPolling()
  }

  watch(
    () => (visibility.value === 'visible' ? document.head?.id : undefined),
    (id) => {
      leave()
      if (id) listen(id)
    },
    { immediate: true },
  )
  onScopeDispose(leave)
}
