import { ref, toValue, watch, type MaybeRefOrGetter } from 'vue'
import { useDocument } from './document'
import { api, asked } from '@/api/client'

/** Why nothing is heard at a channel, in sentences; nothing while none is asked about. */
export function useSilence(channel: MaybeRefOrGetter<string | undefined>) {
  const document = useDocument()
  const reasons = ref<string[]>([])

  watch(
    () => [toValue(channel), document.head?.id, document.head?.revision, document.act] as const,
    async ([at, id, revision, act]) => {
      reasons.value = []
      if (!at || !id) return
      const ask = { params: { path: { id }, query: { act, channel: at } } }
      const answer = await asked(api.GET('/api/documents/{id}/silence', ask)).catch(() => undefined)
      if (answer && at === toValue(channel) && revision === document.head?.revision) reasons.value = answer.reasons
    },
    { immediate: true },
  )
  return reasons
}
