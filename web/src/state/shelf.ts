import { defineStore } from 'pinia'
import { ref } from 'vue'
import { api, asked, upload } from '@/api/client'
import type { Edit, ShelfItem, ShelfKind, ShelfPart, ShelfUse } from '@/api/types'

/** What is kept by name and can be used in every template. */
export const useShelf = defineStore('shelf', () => {
  const items = ref<ShelfItem[]>()

  async function look() {
    items.value = (await asked(api.GET('/api/shelf'))) as ShelfItem[]
  }

  const ofKind = (kind: ShelfKind) => items.value?.filter((item) => item.kind === kind) ?? []

  /** Keeps a part as something new. The edits note in its template that it is a copy of that. */
  async function keep(part: ShelfPart) {
    const kept = await asked(api.POST('/api/shelf', { body: part }))
    await look()
    return kept as unknown as { item: ShelfItem; edits: Edit[] }
  }

  /** Puts a part in the place of an item. */
  async function replace(item: string, part: ShelfPart) {
    const kept = await asked(api.PUT('/api/shelf/{item}', { params: { path: { item } }, body: part }))
    await look()
    return kept as ShelfItem
  }

  async function rename(item: string, name: string) {
    await asked(api.PUT('/api/shelf/{item}/name', { params: { path: { item } }, body: { name } }))
    await look()
  }

  /** What calls a set piece in the running order; null for nothing. */
  async function call(item: string, key: string | null) {
    await asked(api.PUT('/api/shelf/{item}/key', { params: { path: { item } }, body: { key } }))
    await look()
  }

  async function remove(item: string) {
    await asked(api.DELETE('/api/shelf/{item}', { params: { path: { item } } }))
    await look()
  }

  async function bring(file: File) {
    await upload('/api/shelf/from-document', file)
    await look()
  }

  const usesOf = (item: string) =>
    asked(api.GET('/api/shelf/{item}/uses', { params: { path: { item } } })) as unknown as Promise<ShelfUse[]>

  /** What putting an item into a template takes. */
  async function taking(document: string, item: string, onto: string | null = null) {
    const ask = { params: { path: { id: document, item } }, body: { onto, inPlaceOf: null } }
    return (await asked(api.POST('/api/documents/{id}/shelf/{item}', ask))) as unknown as {
      edits: Edit[]
      place: string
      left: string[]
    }
  }

  return { items, look, ofKind, keep, replace, rename, call, remove, bring, usesOf, taking }
})

export const kindWords: Record<ShelfKind, string> = {
  kit: 'Kit',
  machine: 'Machine',
  groove: 'Groove',
  patch: 'Patch',
  device: 'Device',
  studio: 'Studio',
  strip: 'Strip',
  chain: 'Chain',
  rhythm: 'Rhythm',
  'set-piece': 'Set piece',
}
