import type { RouteLocationRaw } from 'vue-router'
import { api, asked } from '@/api/client'
import { returnTo } from '@/state/asLeft'

const beenHere = 'home-stage-been-here'

/** The template that opens by default does so once, as it was left, when the application is entered; after that the library is the library. */
export async function openDefault(): Promise<RouteLocationRaw | undefined> {
  if (sessionStorage.getItem(beenHere)) return undefined
  sessionStorage.setItem(beenHere, 'yes')
  const templates = await asked(api.GET('/api/templates')).catch(() => [])
  const first = templates.find((t) => t.opensByDefault && !t.damage)
  return first && (returnTo(first.id) ?? { name: 'template', params: { id: first.id } })
}
