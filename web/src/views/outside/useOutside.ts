import { onScopeDispose, ref, watch, type Ref } from 'vue'
import { api, asked, sentenceOf } from '@/api/client'
import type { Schemas } from '@/api/types'
import { sendSound } from '@/files/soundFiles'

const pollMs = 200

/** A line check from outside: the test as it is heard here is rendered once, then what was recorded of it is brought and asked about. */
export function useOutside(document: Readonly<Ref<string>>) {
  const plan = ref<Schemas['TestPlanView']>()
  const answer = ref<Schemas['AnswerView']>()
  const said = ref(new Map<number, string | null>())
  const doing = ref<string>()
  const progress = ref(0)
  const trouble = ref<string>()
  let bench: string | undefined
  let asking = 0

  watch(document, begin, { immediate: true })

  /** Leaves what there is, and begins with the document as it is now. */
  async function begin() {
    const id = document.value
    letGo()
    trouble.value = undefined
    try {
      const found = await asked(api.GET('/api/documents/{id}/outside-test', { params: { path: { id } } }))
      if (id === document.value) plan.value = found
    } catch (error) {
      trouble.value = sentenceOf(error)
    }
  }

  async function ready(): Promise<string> {
    if (bench) return bench
    doing.value = 'Rendering the test as it is heard here'
    let job = await asked(api.POST('/api/outside-checks', { body: { document: document.value } }))
    bench = job.id
    while (job.state === 'waiting' || job.state === 'running') {
      progress.value = job.progress
      await new Promise((resolve) => setTimeout(resolve, pollMs))
      job = await asked(api.GET('/api/outside-checks/{id}', { params: { path: { id: job.id } } }))
    }
    if (job.state === 'done') return job.id
    // Another document may have its own by now.
    if (bench === job.id) bench = undefined
    throw new Error('The test could not be rendered here.')
  }

  async function bring(files: readonly File[]) {
    if (doing.value || files.length === 0) return
    trouble.value = undefined
    const refused: string[] = []
    try {
      const id = await ready()
      for (const [n, file] of files.entries()) {
        doing.value = `Reading ${file.name}`
        progress.value = n / files.length
        await sendSound(`/api/outside-checks/${id}/recordings?name=${encodeURIComponent(file.name)}`, file).catch(
          (error: unknown) => refused.push(`${file.name}: ${sentenceOf(error)}`),
        )
      }
      if (refused.length < files.length) await look()
    } catch (error) {
      trouble.value = sentenceOf(error)
    } finally {
      doing.value = undefined
    }
    if (refused.length) trouble.value = refused.join(' ')
  }

  async function look() {
    if (!bench) return
    const mine = ++asking
    doing.value = 'Holding them against the test'
    progress.value = 1
    try {
      const body = { said: [...said.value].map(([recording, channel]) => ({ recording, channel })) }
      const found = await asked(api.POST('/api/outside-checks/{id}/answer', { params: { path: { id: bench } }, body }))
      if (mine === asking) answer.value = found
    } finally {
      if (mine === asking) doing.value = undefined
    }
  }

  /** @param channel null for none of them */
  async function say(recording: number, channel: string | null) {
    const other = [...said.value].find(([place, c]) => place !== recording && c !== null && c === channel)
    if (other) said.value.delete(other[0])
    said.value.set(recording, channel)
    trouble.value = undefined
    await look().catch((error: unknown) => (trouble.value = sentenceOf(error)))
  }

  function letGo() {
    if (bench) void api.DELETE('/api/outside-checks/{id}', { params: { path: { id: bench } } })
    bench = undefined
    plan.value = undefined
    answer.value = undefined
    said.value = new Map()
    asking++
  }

  onScopeDispose(letGo)
  return { plan, answer, doing, progress, trouble, begin, bring, say }
}
