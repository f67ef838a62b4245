import { defineStore } from 'pinia'
import { shallowRef, watch } from 'vue'
import { useDocument } from './document'
import { defaultsOf } from '@/strips/stripCalls'

/** Which channels of the open document have their default strip with something changed, as far as somebody has asked. */
export const useAltered = defineStore('altered', () => {
  const document = useDocument()
  const channels = shallowRef<ReadonlySet<string>>(new Set())

  watch(
    () => document.head?.id,
    () => (channels.value = new Set()),
  )

  async function look() {
    const head = document.head
    if (!head) return
    const views = await defaultsOf(head.id).catch(() => undefined)
    // An answer of an earlier revision, or of a document that was left, is of no use.
    if (views && document.head?.id === head.id && document.head.revision === head.revision)
      channels.value = new Set(views.flatMap((view) => view.altered as string[]))
  }

  return { channels, look }
})
