import { computed, toValue, type MaybeRefOrGetter } from 'vue'
import { useDocument } from './document'
import { useReading } from './useReading'
import { api, asked } from '@/api/client'

/** Why nothing is heard at a channel, in sentences; nothing while none is asked about. */
export function useSilence(channel: MaybeRefOrGetter<string | undefined>) {
  const document = useDocument()
  const { answer } = useReading({
    channel: () => toValue(channel),
    also: () => [document.act],
    ask: (id, at) => {
      const ask = { params: { path: { id }, query: { act: document.act, channel: at } } }
      return asked(api.GET('/api/documents/{id}/silence', ask))
    },
  })
  return computed(() => answer.value?.reasons ?? [])
}
