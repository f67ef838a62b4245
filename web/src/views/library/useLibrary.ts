import { useDebounceFn } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { recover, remove } from './keepingCalls'
import { api, asked, sentenceOf, upload } from '@/api/client'
import type { BroughtIn, RemovedThing, Song, Summary } from '@/api/types'

const unnamed = 'New template'
/** A main and a mix bus. */
const bareChannels = 2

/** The templates there are, what is searched among them, and what can be done to one. */
export function useLibrary() {
  const router = useRouter()
  const templates = ref<Summary[]>()
  const songs = ref<Song[]>([])
  const search = ref('')
  /** What the search has found; none while nothing is searched for. */
  const hits = ref<Summary[]>()
  const category = ref('')
  const trouble = ref<string>()
  const removed = ref<Pick<RemovedThing, 'kind' | 'id' | 'name'>>()
  const broughtIn = ref<BroughtIn & { name: string }>()

  const categories = computed(() => [...new Set(templates.value?.map((t) => t.category).filter(Boolean))].sort())
  /** Of a category the one that leads it; of all the one that opens by default. */
  const opensByDefault = computed(() => {
    const of = templates.value?.filter((t) => !category.value || t.category === category.value)
    return of?.find((t) => (category.value ? t.leadsCategory : t.opensByDefault)) ?? of?.[0]
  })
  const found = computed(() => {
    const among = search.value.trim() ? hits.value : templates.value
    return among?.filter((t) => !category.value || t.category === category.value)
  })

  const findSoon = useDebounceFn(find, 80)
  watch(search, findSoon)

  /** The server looks through channels, instruments, devices and notes as well. */
  async function find() {
    const words = search.value.trim()
    if (!words) return void (hits.value = undefined)
    try {
      const answer = await asked(api.GET('/api/templates', { params: { query: { find: words } } }))
      if (search.value.trim() === words) hits.value = answer
    } catch (error) {
      trouble.value = sentenceOf(error)
    }
  }

  async function load() {
    try {
      templates.value = await asked(api.GET('/api/templates'))
      songs.value = await asked(api.GET('/api/songs'))
      await find()
    } catch (error) {
      trouble.value = sentenceOf(error)
    }
  }

  async function attempt(work: () => Promise<unknown>) {
    trouble.value = undefined
    try {
      await work()
    } catch (error) {
      trouble.value = sentenceOf(error)
    }
  }

  /** Does something and reads the list anew. */
  const change = (work: () => Promise<unknown>) =>
    attempt(async () => {
      await work()
      await load()
    })

  /** A stage that somebody began and left as it was is taken up again. */
  function begin(place: '' | '/cast') {
    return attempt(async () => {
      await load()
      const left = templates.value?.find(
        (t) => t.name.startsWith(unnamed) && t.revision === 0 && t.channels === bareChannels && !t.basedOn,
      )
      const { id } = left ?? (await asked(api.POST('/api/templates', { body: { name: unnamed } })))
      await router.push(`/templates/${id}${place}`)
    })
  }

  function base(template: Summary) {
    return attempt(async () => {
      const params = { path: { id: template.id } }
      const made = await asked(api.POST('/api/templates/{id}/based', { params, body: { name: template.name } }))
      await router.push(`/templates/${made.id}`)
    })
  }

  function copy({ id, name }: Summary) {
    return change(() => asked(api.POST('/api/documents/{id}/copy', { params: { path: { id } }, body: { name } })))
  }

  function rename({ id, revision, category, tags, note }: Summary, name: string) {
    const edits = [{ type: 'describe' as const, name, category, tags, note }]
    const ask = { params: { path: { id } }, body: { revision, edits } }
    return change(() => asked(api.POST('/api/documents/{id}/edits', ask)))
  }

  /** @returns when the file has been taken in, or its trouble said */
  function take(chosen: File) {
    return attempt(async () => {
      const name = encodeURIComponent(chosen.name.replace(/\.[^.]*$/, ''))
      const made = /\.json$/i.test(chosen.name)
        ? await upload<BroughtIn>('/api/templates/from-document', chosen, 'application/json')
        : await upload<BroughtIn>(`/api/templates/from-project?name=${name}`, chosen, 'application/zip')
      if (made.missingSounds.length === 0 && made.leftOut.length === 0)
        return void (await router.push(`/templates/${made.id}`))
      broughtIn.value = { ...made, name: chosen.name }
      await load()
    })
  }

  const makeDefault = ({ id }: Summary) =>
    change(() => asked(api.PUT('/api/templates/{id}/default', { params: { path: { id } } })))

  const lead = ({ id }: Summary) =>
    change(() => asked(api.PUT('/api/templates/{id}/leads', { params: { path: { id } } })))

  function takeAway({ id, name }: Summary) {
    return change(async () => {
      await remove(id)
      removed.value = { kind: 'template', id, name }
    })
  }

  function rescue(template: Summary) {
    return attempt(async () => router.push(`/templates/${(await recover(template.id)).id}`))
  }

  async function cameBack() {
    removed.value = undefined
    await load()
  }

  const asks = { begin, base, copy, rename, take, makeDefault, lead, takeAway, rescue, cameBack, load }
  return { templates, songs, search, category, categories, found, opensByDefault, trouble, removed, broughtIn, ...asks }
}
