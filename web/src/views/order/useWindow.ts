import { useElementSize, useEventListener } from '@vueuse/core'
import { computed, nextTick, ref, type Ref } from 'vue'

/** Rows beyond the edges that are drawn all the same, so that a quick scroll finds them. */
const overscan = 3

/**
 * Draws only the rows of a long list that can be seen.
 * @param box what scrolls
 * @param count how many rows there are
 * @param rowPixels the height of each
 * @param headPixels the height of what sticks above them
 */
export function useWindow(box: Ref<HTMLElement | null>, count: Ref<number>, rowPixels: number, headPixels: number) {
  const y = ref(0)
  // Nothing but the place is read: asking for styles at each step would lay the page out each time.
  useEventListener(box, 'scroll', () => (y.value = box.value?.scrollTop ?? 0), { passive: true })
  const { height } = useElementSize(box)

  const first = computed(() =>
    Math.max(0, Math.min(Math.floor((y.value - headPixels) / rowPixels) - overscan, count.value - 1)),
  )
  const last = computed(() =>
    Math.min(count.value, Math.ceil((y.value + (height.value || 800)) / rowPixels) + overscan),
  )
  const above = computed(() => first.value * rowPixels)
  const below = computed(() => Math.max(0, count.value - last.value) * rowPixels)

  /** Scrolls as little as will do to have a row in sight, and waits until it is drawn. */
  async function reveal(index: number) {
    const element = box.value
    if (!element || index < 0) return
    const top = index * rowPixels
    const room = element.clientHeight - headPixels
    if (top < element.scrollTop) element.scrollTop = top
    else if (top + rowPixels > element.scrollTop + room) element.scrollTop = top + rowPixels - room
    y.value = element.scrollTop
    await nextTick()
  }

  return { first, last, above, below, reveal }
}
