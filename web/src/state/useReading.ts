import { useDebounceFn } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useDocument } from './document'
import { useNewest } from './useNewest'
import { queue } from '@/api/order'

/** Edits that follow each other this fast, as steps of a key do, are read after the last. */
const pauseMs = 80

interface Question<T> {
  /** The channel that it is about, where it is about one; nothing is asked while there is none. */
  channel?: () => string | null | undefined
  /** Whether anybody looks; where nothing is said, somebody does. */
  when?: () => boolean
  /** What else changes the answer. */
  also?: () => readonly unknown[]
  /** @param channel none where the question is about the whole document */
  ask: (document: string, channel: string) => Promise<T>
}

/**
 * What the server works out of the open document, read again after each edit. The last answer stays until the next is
 * there; one about another document or channel goes at once.
 */
export function useReading<T>({ channel, when, also, ask }: Question<T>) {
  const document = useDocument()
  const newest = useNewest<{ about: string; found: T } | undefined>()
  const underWay = ref(0)
  const about = () => {
    const of = channel ? channel() : ''
    return document.head && of != null && when?.() !== false ? `${document.head.id}/${of}` : undefined
  }
  const answer = computed(() => (newest.answer.value?.about === about() ? newest.answer.value?.found : undefined))

  async function read() {
    const asked = about()
    if (asked === undefined) return newest.ask()
    const [id, of] = [document.head!.id, channel?.() ?? '']
    const found = async () => ({ about: asked, found: await ask(id, of) })
    underWay.value++
    // A channel can go with an edit that is on its way: it is asked about between edits, and only while it is there.
    const isThere = () => document.head?.id === id && document.rows.has(of)
    await newest.ask(channel ? () => queue(async () => (isThere() ? found() : undefined)) : found)
    underWay.value--
  }
  const readSoon = useDebounceFn(read, pauseMs)

  watch(
    () => [about(), JSON.stringify([document.head?.revision, also?.()])] as const,
    ([now], before) => void (now === before?.[0] ? readSoon() : read()),
    { immediate: true },
  )

  return { answer, trouble: newest.trouble, reading: computed(() => underWay.value > 0), again: read }
}
