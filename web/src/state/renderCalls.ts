import { api, asked, Refusal } from '@/api/client'
import type { Job, Media, NewRender } from '@/api/types'
import { readSound, type Arriving } from './soundStream'

const pollMs = 100

/** Renders once, beside what is listened to, and waits for it. */
export async function renderWhole(body: NewRender): Promise<{ job: Job; sound: Arriving }> {
  const { id } = await startRender(body)
  const [job, sound] = await Promise.all([watchRender(id), readSound(id, () => {})])
  if (job?.state !== 'done' || !sound) throw new Refusal('failed', 'The render came to no end.')
  return { job, sound }
}

/** Puts a finished render on the shelf of sounds. */
export function keepRender(id: string, title: string): Promise<Media> {
  return asked(api.POST('/api/renders/{id}/keep', { params: { path: { id }, query: { title } } }))
}

export function startRender(body: NewRender): Promise<Job> {
  return asked(api.POST('/api/renders', { body: { countedIn: false, ...body } }))
}

/** Ends a render that nobody waits for any more. */
export async function dropRender(id: string) {
  await api.DELETE('/api/renders/{id}', { params: { path: { id } } })
}

/**
 * Waits for a render.
 * @param seen told how it stands; gives false where nobody waits any more
 * @returns undefined where nobody does
 */
export async function watchRender(id: string, seen: (job: Job) => boolean = () => true): Promise<Job | undefined> {
  for (;;) {
    const job = await asked(api.GET('/api/renders/{id}', { params: { path: { id } } }))
    if (!seen(job)) return undefined
    if (job.state === 'failed') throw new Refusal('failed', 'The render failed. The server’s log says why.')
    if (job.state !== 'waiting' && job.state !== 'running') return job
    await new Promise((resolve) => setTimeout(resolve, pollMs))
  }
}
