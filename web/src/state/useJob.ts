import { onScopeDispose, ref } from 'vue'
import { api, asked, sentenceOf } from '@/api/client'
import type { Job } from '@/api/types'

const pollMs = 150

/**
 * Has the server do long work as a job; who leaves meanwhile cancels it.
 * @param kind where its jobs are asked for
 */
export function useJob(kind: 'packages' | 'stems' | 'prints') {
  const busy = ref(false)
  const progress = ref(0)
  const message = ref<string>()
  const failed = ref(false)
  // All are asked for alike.
  const address = `/api/${kind}/{id}` as '/api/packages/{id}'
  let job: Job | undefined

  /**
   * @param begin starts the job
   * @param finish takes what it has made; gives what is said then
   */
  async function run(begin: () => Promise<Job>, finish: (job: Job) => string | Promise<string>) {
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
      failed.value = job.state === 'failed'
      message.value = job.state === 'done' ? await finish(job) : failed.value ? 'The render failed.' : 'Cancelled.'
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
  return { busy, progress, message, failed, run, cancel }
}
