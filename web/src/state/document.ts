import { defineStore } from 'pinia'
import { computed, reactive, ref, shallowRef } from 'vue'
import { changesSince, editsOf, returnTo, stepOf, whole, type Change } from './documentCalls'
import { Refusal, sentenceOf } from '@/api/client'
import type { ChannelRow, DocumentKind, Edit, Head } from '@/api/types'

/** How often an edit is made again on a newer revision before a person is asked. */
const mostTries = 4

/** The template or song that is open: its rows as the server computes them, and the edits on their way. */
export const useDocument = defineStore('document', () => {
  const kind = ref<DocumentKind>('template')
  const head = shallowRef<Head>()
  const rows = shallowRef(new Map<string, ChannelRow>())
  const order = shallowRef<string[]>([])
  const selectedId = ref<string>()
  /** All chosen channels, the selected one among them. */
  const chosen = reactive(new Set<string>())
  const folded = reactive(new Set<string>())
  const act = ref('write')
  const refusal = ref<{ channel?: string; sentence: string; path: string[] }>()
  const loading = ref(false)
  const missing = ref(false)
  /** Says that another tab has changed something, until this one does. */
  const elsewhere = ref(false)
  let sending: Promise<unknown> = Promise.resolve()

  const ordered = computed(() => order.value.flatMap((id) => rows.value.get(id) ?? []))
  const selected = computed(() => (selectedId.value ? rows.value.get(selectedId.value) : undefined))
  const many = computed(() => (chosen.size > 1 ? ordered.value.filter((r) => chosen.has(r.channel.id)) : []))
  const returns = computed(() => ordered.value.filter((row) => row.channel.kind === 'return'))
  const sums = computed(() => ordered.value.filter((row) => row.channel.kind === 'bus' || row.channel.kind === 'main'))
  const instruments = computed(() => ordered.value.filter((row) => row.channel.kind === 'instrument'))

  async function open(newKind: DocumentKind, id: string) {
    if (head.value?.id === id && kind.value === newKind) return
    loading.value = true
    missing.value = elsewhere.value = false
    try {
      await fetchWhole(newKind, id)
      choose(undefined)
      refusal.value = undefined
      look()
    } catch (error) {
      missing.value = error instanceof Refusal && error.code === 'not-found'
      if (!missing.value) refusal.value = { sentence: sentenceOf(error), path: [] }
    } finally {
      loading.value = false
    }
  }

  /** Shows it as it was left to be opened. */
  function look() {
    const opening = head.value?.opening
    folded.clear()
    for (const id of (opening?.folded ?? []) as string[]) if (rows.value.has(id)) folded.add(id)
    const known = (id: string | null | undefined) => head.value?.acts.some((a) => a.id === id)
    if (known(opening?.act)) act.value = opening!.act!
    else if (!known(act.value)) act.value = head.value?.acts[0]?.id ?? 'write'
  }

  async function fetchWhole(newKind: DocumentKind, id: string) {
    const view = await whole(newKind, id)
    kind.value = newKind
    head.value = view.head
    const channels = view.channels as ChannelRow[]
    rows.value = new Map(channels.map((row) => [row.channel.id, row]))
    order.value = channels.map((row) => row.channel.id)
  }

  /** Chooses one channel, or none. */
  function choose(id: string | undefined) {
    chosen.clear()
    if (id) chosen.add(id)
    selectedId.value = id
  }

  /**
   * Sends a batch after those before it. A refusal is kept beside the channel that it is about.
   * @returns whether it was stored
   */
  function edit(edits: Edit[], about?: string): Promise<boolean> {
    if (edits.length === 0) return Promise.resolve(true)
    return step(about, mostTries, (id, revision) => editsOf(kind.value, id, revision, edits))
  }

  const undo = () => step(undefined, 1, (id, revision) => stepOf(kind.value, id, revision, 'undo'))
  const redo = () => step(undefined, 1, (id, revision) => stepOf(kind.value, id, revision, 'redo'))
  const goBack = (to: number) => step(undefined, 1, (id, revision) => returnTo(kind.value, id, revision, to))

  function step(about: string | undefined, tries: number, call: (id: string, revision: number) => Promise<Change>) {
    return queue(async () => {
      if (!head.value) return false
      for (let left = tries; ; left--) {
        try {
          take(await call(head.value.id, head.value.revision))
          refusal.value = undefined
          elsewhere.value = false
          return true
        } catch (error) {
          const stale = error instanceof Refusal && error.code === 'stale-revision'
          if (stale) await catchUp()
          if (stale && left > 1) continue
          explain(error, stale, about)
          return false
        }
      }
    })
  }

  /** One after the other, so that each is made on the revision that the one before it gave. */
  function queue<T>(work: () => Promise<T>): Promise<T> {
    const done = sending.then(work)
    sending = done.catch(() => undefined)
    return done
  }

  function explain(error: unknown, stale: boolean, about?: string) {
    refusal.value = {
      channel: about,
      sentence: stale
        ? 'This was changed in another tab meanwhile. The newest state is shown; please do it again.'
        : sentenceOf(error),
      path: error instanceof Refusal ? error.path : [],
    }
  }

  /** Takes over what was changed elsewhere. */
  async function catchUp() {
    const now = head.value
    if (!now) return
    try {
      const change = await changesSince(kind.value, now.id, now.revision)
      if (change.head.revision === now.revision) return
      take(change)
      elsewhere.value = true
    } catch (error) {
      if (error instanceof Refusal && error.code === 'too-old') await fetchWhole(kind.value, now.id)
    }
  }

  /** @param revision the newest that the server has told of */
  function hear(revision: number) {
    return queue(async () => {
      if (head.value && revision > head.value.revision) await catchUp()
    })
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
    for (const id of chosen) if (!next.has(id)) chosen.delete(id)
    if (selectedId.value && !next.has(selectedId.value)) selectedId.value = undefined
  }

  return {
    kind, head, rows, order, ordered, selectedId, selected, chosen, many, folded, returns, sums, instruments, act, refusal, loading,
    missing, elsewhere, open, choose, edit, undo, redo, goBack, hear,
  } // prettier-ignore
})
