import { nextTick, ref } from 'vue'
import { highestDb, lowestDb } from './sendEdits'
import { levelFromText } from '@/parts/decibels'

/** A level as it is being typed for a block of sends, until it is taken or left. */
export function useTypedLevel(does: {
  /** Takes what was typed; null for −∞. */
  put: (level: number | null) => void
  /** Brings the keys into the field, and back out of it. */
  enter: () => void
  back: () => void
}) {
  const text = ref<string>()
  const unread = ref(false)

  async function begin(from: string) {
    text.value = from
    unread.value = false
    await nextTick()
    does.enter()
  }

  function take() {
    if (text.value === undefined) return
    const level = levelFromText(text.value)
    if (level === undefined || (level !== null && (level < lowestDb || level > highestDb))) {
      unread.value = true
      return
    }
    does.put(level)
    leave()
  }

  function leave() {
    text.value = undefined
    unread.value = false
    does.back()
  }

  /** Whatever is typed is for the block as it was; what could not be read is left behind. */
  function end() {
    take()
    if (unread.value) leave()
  }

  return { text, unread, begin, take, leave, end }
}
