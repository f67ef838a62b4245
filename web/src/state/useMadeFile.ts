import { onScopeDispose, ref } from 'vue'
import { api, asked, sentenceOf } from '@/api/client'
import type { Job } from '@/api/types'

const pollMs = 150

/**
 * Has the server make a file as a job, and takes it when it is done; who leaves meanwhile cancels it.
 * @param kind where its jobs are asked for
 */
export function useMadeFile(kind: 'packages' | 'stems') {
  const busy = ref(false)
  const progress = ref(0)
  const message = ref<string>()
  const failed = ref(false)
  // Both are asked for alike.
  const address = `/api/${kind}/{id}` as '/api/packages/{id}'
  let job: Job | undefined

  /** @param begin starts the job */
  async function make(begin: () => Promise<Job>) {
    busy.value = true
    failed.value = false
    message.value = undefined
    progress.value = 0
    try {
      job = await begin()
      while (job.state === 'waiting' || job.state === 'running') {
        await new Promise((resolve) => setTimeout(resolve, pollMs))
        job = await asked(api.GET(address, { params: { path: { id: job.id } } }))
        progress.value = job.progress
      }
      if (job.state === 'done') save(`/api/${kind}/${job.id}/file`)
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
    if (job) await api.DELETE(address, { params: { path: { id: job.id } } })
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
