import { api, asked, Refusal } from '@/api/client'
import type { Job, Media, NewRender } from '@/api/types'
import { readSound, type Arriving } from './soundStream'

const pollMs = 60

/** Renders once, beside what is listened to, and waits for it. */
export async function renderWhole(body: NewRender): Promise<{ job: Job; sound: Arriving }> {
  const { id } = await asked(api.POST('/api/renders', { body }))
  const [job, sound] = await Promise.all([ended(id), readSound(id, () => {})])
  if (job.state !== 'done' || !sound) throw new Refusal('failed', 'The render came to no end.')
  return { job, sound }
}

/** Puts a finished render on the shelf of sounds. */
export function keepRender(id: string, title: string): Promise<Media> {
  return asked(api.POST('/api/renders/{id}/keep', { params: { path: { id }, query: { title } } }))
}

async function ended(id: string): Promise<Job> {
  for (;;) {
    const job = await asked(api.GET('/api/renders/{id}', { params: { path: { id } } }))
    if (job.state !== 'waiting' && job.state !== 'running') return job
    await new Promise((resolve) => setTimeout(resolve, pollMs))
  }
}
