import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { api, asked } from '@/api/client'
import type { Capabilities, Catalogue, ChannelKind, ChannelRow, Insert } from '@/api/types'

/** Letters of a device's name that have room in a row. */
const longestWord = 8

/** What templates can hold. Asked for once. */
export const useCatalogue = defineStore('catalogue', () => {
  const known = ref<Catalogue>({ processors: [], instruments: [], keys: [], kinds: [], hues: [], noteValues: [] })
  const roles = ref<string[]>([])
  let loading: Promise<unknown> | undefined

  const processors = computed(() => new Map(known.value.processors.map((p) => [p.id, p])))
  const instruments = computed(() => new Map(known.value.instruments.map((i) => [i.id, i])))

  const kinds = computed(() => new Map(known.value.kinds.map((k) => [k.kind, k])))

  /** Where it could not be had, whoever needs it next asks again. */
  function load() {
    loading ??= Promise.all([
      asked(api.GET('/api/catalogue')).then((catalogue) => (known.value = catalogue)),
      asked(api.GET('/api/roles')).then((all) => (roles.value = all)),
    ]).catch(() => (loading = undefined))
    return loading
  }

  /** What a channel of a kind may do; nothing, while that is not known yet. */
  function can(kind: ChannelKind): Partial<Capabilities> {
    return kinds.value.get(kind)?.can ?? {}
  }

  /** A few letters for a row. */
  function shortName(insert: Insert) {
    if (insert.device) return insert.device.name.split(' ')[0]!.slice(0, longestWord)
    const kind = processors.value.get(insert.processor)
    return (insert.key?.on ? kind?.keyedShortName : null) ?? kind?.shortName ?? insert.processor
  }

  function keyedInserts(rows: ChannelRow[]) {
    return rows.flatMap((row) =>
      row.channel.inserts
        .filter((insert) =>
          insert.device ? insert.device.key !== 'none' : processors.value.get(insert.processor)?.hasKey,
        )
        .map((insert) => ({ row, insert })),
    )
  }

  return { known, kinds, can, roles, processors, instruments, load, shortName, keyedInserts }
})
