import { onScopeDispose, ref } from 'vue'
import { sentenceOf } from '@/api/client'
import type { Edit } from '@/api/types'
import { dropRender, startRender, watchRender } from '@/state/renderCalls'

/** Integrated loudness by channel, in LUFS; a channel that is silent has none. */
type Loudness = Map<string, number>

/** Measures how loud every channel comes out before and after a batch, by two renders of the whole. */
export function useSumLoudness() {
  const before = ref<Loudness>()
  const after = ref<Loudness>()
  const progress = ref<number>()
  const trouble = ref<string>()
  let running: string | undefined
  let asking = 0

  async function measured(mine: number, document: string, act: string, trying: Edit[], done: number) {
    const job = await startRender({ document, act, listenTo: null, section: null, metersInFull: true, trying })
    running = job.id
    const ended = await watchRender(job.id, (seen) => {
      if (mine !== asking) return false
      progress.value = done + seen.progress / 2
      return true
    })
    running = undefined
    if (ended?.state !== 'done' || !ended.meters) return undefined
    const read: Loudness = new Map()
    for (const channel of ended.meters.channels) {
      const lufs = channel.full?.loudnessLufs
      if (lufs !== null && lufs !== undefined) read.set(channel.channel as string, lufs)
    }
    return read
  }

  async function measure(document: string, act: string, edits: Edit[]) {
    forget()
    const mine = asking
    progress.value = 0
    try {
      const was = await measured(mine, document, act, [], 0)
      const now = was && (await measured(mine, document, act, edits, 0.5))
      if (mine !== asking) return
      before.value = was
      after.value = now
    } catch (error) {
      if (mine === asking) trouble.value = sentenceOf(error)
    } finally {
      if (mine === asking) progress.value = undefined
    }
  }

  /** What was measured is of another batch. */
  function forget() {
    asking++
    if (running) void dropRender(running)
    running = undefined
    before.value = after.value = progress.value = trouble.value = undefined
  }

  onScopeDispose(forget)
  return { before, after, progress, trouble, measure, forget }
}
