import { onScopeDispose, ref } from 'vue'
import { api, asked, sentenceOf } from '@/api/client'
import type { Job } from '@/api/types'

const pollMs = 150

/** Has the server make a song's package, rendered in an act, and takes it when it is done. */
export function usePackage() {
  const busy = ref(false)
  const progress = ref(0)
  const message = ref<string>()
  const failed = ref(false)
  let job: Job | undefined

  /** @param countedIn whether what the song counts is in its files */
  async function make(song: string, countedIn: boolean) {
    busy.value = true
    failed.value = false
    message.value = undefined
    progress.value = 0
    try {
      job = await asked(api.POST('/api/packages', { body: { song, countedIn } }))
      while (job.state === 'waiting' || job.state === 'running') {
        await new Promise((resolve) => setTimeout(resolve, pollMs))
        job = await asked(api.GET('/api/packages/{id}', { params: { path: { id: job.id } } }))
        progress.value = job.progress
      }
      if (job.state === 'done') save(`/api/packages/${job.id}/file`)
      failed.value = job.state === 'failed'
      const silence = job.silentBecause ? `Downloaded, but it is silent. ${job.silentBecause.join(' ')}` : undefined
      message.value = { done: silence ?? 'Downloaded.', cancelled: 'Cancelled.', failed: 'The render failed.' }[
        job.state as string
      ]
    } catch (error) {
      failed.value = true
      message.value = sentenceOf(error)
    } finally {
      busy.value = false
    }
  }

  async function cancel() {
    if (job) await api.DELETE('/api/packages/{id}', { params: { path: { id: job.id } } })
  }

  onScopeDispose(() => void (busy.value && cancel()))
  return { busy, progress, message, failed, make, cancel }
}

function save(address: string) {
  const link = document.createElement('a')
  link.href = address
  link.download = ''
  link.click()
}
