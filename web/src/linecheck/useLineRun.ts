import { ref } from 'vue'
import { sentenceOf } from '@/api/client'
import type { LineSource } from '@/api/types'

/** Fires sources one after the other; a run that was stopped, or begun anew, fires and counts nothing more. */
export function useLineRun() {
  const running = ref(false)
  const trouble = ref<string>()
  let turn = 0

  function stop() {
    turn++
    running.value = false
  }

  /**
   * Begins a run, or stops the one that goes on.
   * @param measure fires one; gives what is done with the answer while the run still counts
   */
  async function run(sources: readonly LineSource[], measure: (source: LineSource) => Promise<() => void>) {
    if (running.value) return stop()
    const mine = ++turn
    running.value = true
    trouble.value = undefined
    try {
      for (const source of sources) {
        const take = await measure(source)
        if (mine !== turn) return
        take()
      }
    } catch (error) {
      if (mine === turn) trouble.value = sentenceOf(error)
    } finally {
      if (mine === turn) running.value = false
    }
  }

  return { running, trouble, run, stop }
}
