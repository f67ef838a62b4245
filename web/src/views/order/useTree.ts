import { computed, watch, type Ref } from 'vue'
import { altered, matches, type Filter } from './filter'
import type { ChannelRow } from '@/api/types'
import { useDocument } from '@/state/document'
import { useAltered } from '@/state/altered'
import { useFindings } from '@/state/findings'

/** Which rows of the running order are shown, and who stands beside whom. */
export function useTree(search: Ref<string>, filter: Ref<Filter>, everything: Ref<boolean>) {
  const document = useDocument()
  const findings = useFindings()

  const changed = useAltered()
  watch(
    () => document.head?.id,
    () => filter.value === altered && void changed.look(),
  )

  const shown = computed(() => {
    const standing = { findings: findings.byChannel, altered: changed.channels }
    const words = search.value.toLowerCase().split(/\s+/).filter(Boolean)
    const flat = words.length > 0 || filter.value !== ''
    const rows: ChannelRow[] = []
    let hiddenBelow = Infinity
    for (const row of document.ordered) {
      if (flat) {
        const text = `${row.channel.name} ${row.comesFrom} ${row.channel.kind}`.toLowerCase()
        if (words.every((word) => text.includes(word)) && matches(filter.value, row, document.act, standing))
          rows.push(row)
        continue
      }
      if (row.depth > hiddenBelow) continue
      hiddenBelow = Infinity
      const onStage = (row.channel.stages[document.act] ?? 'on-stage') === 'on-stage'
      // What is chosen is in sight wherever it stands: a trigger that was just made, what a finding leads to.
      if (everything.value || onStage || document.chosen.has(row.channel.id)) rows.push(row)
      if (document.folded.has(row.channel.id)) hiddenBelow = row.depth
    }
    return rows
  })

  /** By channel: its place among its neighbours and how many they are, from 1. */
  const places = computed(() => {
    const families = new Map<string, ChannelRow[]>()
    for (const row of document.ordered) {
      const key = row.channel.destination ?? ''
      const family = families.get(key)
      if (family) family.push(row)
      else families.set(key, [row])
    }
    const map = new Map<string, { at: number; of: number }>()
    for (const family of families.values())
      family.forEach((row, i) => map.set(row.channel.id, { at: i + 1, of: family.length }))
    return map
  })

  function siblings(row: ChannelRow) {
    return document.ordered.filter((r) => r.depth === row.depth && r.channel.destination === row.channel.destination)
  }

  function parentOf(row: ChannelRow) {
    return row.channel.destination ? document.rows.get(row.channel.destination) : undefined
  }

  function fold(id: string, on: boolean) {
    if (on) document.folded.add(id)
    else document.folded.delete(id)
  }

  return { shown, places, fold, siblings, parentOf }
}

export type Tree = ReturnType<typeof useTree>
