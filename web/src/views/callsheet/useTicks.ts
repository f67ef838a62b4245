import { useLocalStorage } from '@vueuse/core'
import { computed, type Ref } from 'vue'

const mostDocuments = 60

/** Which lines of a call sheet are done, kept in this browser; a line that is said otherwise later has to be done anew. */
export function useTicks(document: Readonly<Ref<string>>) {
  const all = useLocalStorage<Record<string, string[]>>('home-stage-ticks', {})
  const ticked = computed(() => new Set(all.value[document.value]))

  function tick(lines: string[], on: boolean) {
    const next = new Set(ticked.value)
    for (const line of lines) if (on) next.add(line)
      else next.delete(line) // prettier-ignore
    const others = Object.entries(all.value).filter(([id]) => id !== document.value)
    all.value = Object.fromEntries([...others.slice(-mostDocuments + 1), [document.value, [...next]]])
  }

  return { ticked, tick }
}
