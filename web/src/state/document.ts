import { defineStore } from 'pinia'
import { computed, reactive, ref, shallowRef } from 'vue'
import { changesSince, editsOf, returnTo, stepOf, whole, type Change } from './documentCalls'
import { useCatalogue } from './catalogue'
import { Refusal, sentenceOf } from '@/api/client'
import { queue } from '@/api/order'
import type { ChannelRow, DocumentKind, Edit, Head, Mended } from '@/api/types'

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
  const refusal = ref<{ channel?: string; sentence: string; path: string[]; mended?: Mended }>()
  const loading = ref(false)
  const missing = ref(false)
  /** Says that another tab has changed something, until this one does. */
  const elsewhere = ref(false)
  let opening = 0
  /** The newest revision that is known of each document, those that were left among them. */
  const revisions = new Map<string, number>()

  const ordered = computed(() => order.value.flatMap((id) => rows.value.get(id) ?? []))
  const selected = computed(() => (selectedId.value ? rows.value.get(selectedId.value) : undefined))
  const many = computed(() => (chosen.size > 1 ? ordered.value.filter((r) => chosen.has(r.channel.id)) : []))
  const catalogue = useCatalogue()
  const can = (row: ChannelRow) => catalogue.can(row.channel.kind)
  const sectionName = (id: string) => head.value?.timeline.sections.find((s) => s.id === id)?.name ?? id
  /** Who holds a value instead of its own number, in a sentence. */
  const heldBy = (channel: string, place: string) => rows.value.get(channel)?.held.find((h) => h.place === place)?.by
  const returns = computed(() => ordered.value.filter((row) => row.channel.kind === 'return'))
  const sums = computed(() => ordered.value.filter((row) => can(row).sums))
  const instruments = computed(() => ordered.value.filter((row) => row.channel.kind === 'instrument'))

  async function open(newKind: DocumentKind, id: string) {
    if (head.value?.id === id && kind.value === newKind) return
    const mine = ++opening
    loading.value = true
    missing.value = elsewhere.value = false
    void catalogue.load()
    try {
      const view = await whole(id)
      // Another one was asked for meanwhile: an answer that comes late is not taken over.
      if (mine !== opening) return
      if (view.head.kind !== newKind) return void (missing.value = true)
      showWhole(view)
      choose(undefined)
      refusal.value = undefined
      look()
    } catch (error) {
      if (mine !== opening) return
      missing.value = error instanceof Refusal && error.code === 'not-found'
      if (!missing.value) refusal.value = { sentence: sentenceOf(error), path: [] }
    } finally {
      if (mine === opening) loading.value = false
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

  function showWhole(view: Awaited<ReturnType<typeof whole>>) {
    kind.value = view.head.kind
    head.value = view.head
    revisions.set(view.head.id, view.head.revision)
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
   * @param edits what replaces more than it changes is given as a way to make it, asked for when its turn comes: from what is there
   * then, and not from what was on the screen when somebody pressed
   * @returns whether it was stored
   */
  async function edit(edits: Edit[] | (() => Edit[]), about?: string): Promise<boolean> {
    const nothing = Array.isArray(edits) && edits.length === 0
    return nothing || (await make(edits, about)) !== undefined
  }

  /**
   * The same for edits that make channels; the server names them.
   * @returns ids of the channels that are new, or undefined where nothing was stored
   */
  function make(edits: Edit[] | (() => Edit[]), about?: string): Promise<string[] | undefined> {
    if (!Array.isArray(edits)) {
      return step(about, mostTries, (id, revision) => {
        const now = edits()
        // What it was about may be gone by then: nothing is stored, and what is newer is taken over.
        return now.length > 0 ? editsOf(id, revision, now) : changesSince(id, revision)
      })
    }
    // A whole kit that was built on an older one must not be put over what another tab did to it.
    const tries = edits.some((e) => e.type === 'set-source' || e.type === 'set-outputs') ? 1 : mostTries
    return step(about, tries, (id, revision) => editsOf(id, revision, edits))
  }

  const undo = () => step(undefined, 1, (id, revision) => stepOf(id, revision, 'undo'))
  const redo = () => step(undefined, 1, (id, revision) => stepOf(id, revision, 'redo'))
  const goBack = async (to: number) =>
    (await step(undefined, 1, (id, revision) => returnTo(id, revision, to))) !== undefined

  /** What is asked for goes to the document that was open then, whichever is open when its turn comes. */
  function step(about: string | undefined, tries: number, call: (id: string, revision: number) => Promise<Change>) {
    const id = head.value?.id
    return queue(async () => {
      if (!id) return undefined
      for (let left = tries; ; left--) {
        try {
          const change = await call(id, revisions.get(id)!)
          take(id, change)
          if (head.value?.id === id) {
            refusal.value = undefined
            elsewhere.value = false
          }
          return change.made
        } catch (error) {
          const stale = error instanceof Refusal && error.code === 'stale-revision'
          if (stale) await catchUp(id)
          if (stale && left > 1) continue
          if (head.value?.id === id) explain(error, stale, about)
          return undefined
        }
      }
    })
  }

  function explain(error: unknown, stale: boolean, about?: string) {
    refusal.value = {
      channel: about,
      sentence: stale
        ? 'This was changed in another tab meanwhile. The newest state is shown; please do it again.'
        : sentenceOf(error),
      path: error instanceof Refusal ? error.path : [],
      mended: error instanceof Refusal ? error.mended : undefined,
    }
  }

  /** Takes over what was changed elsewhere. */
  async function catchUp(id: string) {
    const known = revisions.get(id)!
    try {
      const change = await changesSince(id, known)
      if (change.head.revision === known) return
      take(id, change)
    } catch (error) {
      if (!(error instanceof Refusal && error.code === 'too-old')) return
      const view = await whole(id)
      if (head.value?.id === id) showWhole(view)
      else revisions.set(id, view.head.revision)
    }
    if (head.value?.id === id) elsewhere.value = true
  }

  /** @param revision the newest that the server has told of */
  function hear(revision: number) {
    return queue(async () => {
      if (head.value && revision > head.value.revision) await catchUp(head.value.id)
    })
  }

  function take(id: string, change: Change) {
    revisions.set(id, change.head.revision)
    if (head.value?.id !== id) return
    head.value = change.head
    // An act that is gone is nobody's any more.
    if (!change.head.acts.some((a) => a.id === act.value)) act.value = change.head.acts[0]?.id ?? 'write'
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
    missing, elsewhere, can, sectionName, heldBy, open, choose, edit, make, undo, redo, goBack, hear,
  } // prettier-ignore
})
