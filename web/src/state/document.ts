import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { api, asked, Refusal, sentenceOf } from '@/api/client'
import type { ChannelRow, DocumentKind, Edit, Head } from '@/api/types'
import type { components } from '@/api/schema'

type Change = components['schemas']['ChangeView']

/** The template or song that is open: its rows as the server computes them, and the edits on their way. */
export const useDocument = defineStore('document', () => {
  const kind = ref<DocumentKind>('template')
  const head = shallowRef<Head>()
  const rows = shallowRef(new Map<string, ChannelRow>())
  const order = shallowRef<string[]>([])
  const selectedId = ref<string>()
  const act = ref('write')
  const refusal = ref<{ channel?: string; sentence: string; path: string[] }>()
  const loading = ref(false)
  const missing = ref(false)
  let sending: Promise<unknown> = Promise.resolve()

  const ordered = computed(() => order.value.flatMap((id) => rows.value.get(id) ?? []))
  const selected = computed(() => (selectedId.value ? rows.value.get(selectedId.value) : undefined))
  const returns = computed(() => ordered.value.filter((row) => row.channel.kind === 'return'))
  const sums = computed(() => ordered.value.filter((row) => row.channel.kind === 'bus' || row.channel.kind === 'main'))

  async function open(newKind: DocumentKind, id: string) {
    if (head.value?.id === id && kind.value === newKind) return
    loading.value = true
    missing.value = false
    try {
      await fetchWhole(newKind, id)
      selectedId.value = undefined
      refusal.value = undefined
      if (!head.value?.acts.some((a) => a.id === act.value)) act.value = head.value?.acts[0]?.id ?? 'write'
    } catch (error) {
      missing.value = error instanceof Refusal && error.code === 'not-found'
      if (!missing.value) refusal.value = { sentence: sentenceOf(error), path: [] }
    } finally {
      loading.value = false
    }
  }

  async function fetchWhole(newKind: DocumentKind, id: string) {
    const params = { params: { path: { id } } }
    const view = await asked(
      newKind === 'song' ? api.GET('/api/songs/{id}', params) : api.GET('/api/templates/{id}', params),
    )
    kind.value = newKind
    head.value = view.head
    const channels = view.channels as ChannelRow[]
    rows.value = new Map(channels.map((row) => [row.channel.id, row]))
    order.value = channels.map((row) => row.channel.id)
  }

  /**
   * Sends a batch after those before it. A refusal is kept beside the channel that it is about.
   * @returns whether it was stored
   */
  function edit(edits: Edit[], about?: string): Promise<boolean> {
    return step(about, (id, revision) => {
      const ask = { params: { path: { id } }, body: { revision, edits } }
      return asked(
        kind.value === 'song' ? api.POST('/api/songs/{id}/edits', ask) : api.POST('/api/templates/{id}/edits', ask),
      )
    })
  }

  function undo() {
    return step(undefined, (id, revision) => {
      const ask = { params: { path: { id } }, body: { revision } }
      return asked(
        kind.value === 'song' ? api.POST('/api/songs/{id}/undo', ask) : api.POST('/api/templates/{id}/undo', ask),
      )
    })
  }

  function redo() {
    return step(undefined, (id, revision) => {
      const ask = { params: { path: { id } }, body: { revision } }
      return asked(
        kind.value === 'song' ? api.POST('/api/songs/{id}/redo', ask) : api.POST('/api/templates/{id}/redo', ask),
      )
    })
  }

  function step(about: string | undefined, call: (id: string, revision: number) => Promise<Change>): Promise<boolean> {
    const done = sending.then(async () => {
      if (!head.value) return false
      try {
        take(await call(head.value.id, head.value.revision))
        refusal.value = undefined
        return true
      } catch (error) {
        await explain(error, about)
        return false
      }
    })
    sending = done
    return done
  }

  async function explain(error: unknown, about?: string) {
    const stale = error instanceof Refusal && error.code === 'stale-revision'
    if (stale && head.value) await fetchWhole(kind.value, head.value.id).catch(() => undefined)
    refusal.value = {
      channel: about,
      sentence: stale
        ? 'This was changed in another tab meanwhile. The newest state is shown; please do it again.'
        : sentenceOf(error),
      path: error instanceof Refusal ? error.path : [],
    }
  }

  function take(change: Change) {
    head.value = change.head
    const next = new Map(rows.value)
    for (const row of change.changed as ChannelRow[]) next.set(row.channel.id, row)
    if (change.order) {
      order.value = change.order
      const kept = new Set(change.order)
      for (const id of next.keys()) if (!kept.has(id)) next.delete(id)
    }
    rows.value = next
    if (selectedId.value && !next.has(selectedId.value)) selectedId.value = undefined
  }

  return {
    kind, head, rows, order, ordered, selectedId, selected, returns, sums, act, refusal, loading, missing,
    open, edit, undo, redo,
  } // prettier-ignore
})
