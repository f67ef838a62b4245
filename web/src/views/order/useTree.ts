import { computed, reactive, type Ref } from 'vue'
import type { ChannelRow } from '@/api/types'
import { useDocument } from '@/state/document'

/** Which rows of the running order are shown, and who stands beside whom. */
export function useTree(search: Ref<string>, everything: Ref<boolean>) {
  const document = useDocument()
  const folded = reactive(new Set<string>())

  const shown = computed(() => {
    const words = search.value.toLowerCase().split(/\s+/).filter(Boolean)
    const rows: ChannelRow[] = []
    let hiddenBelow = Infinity
    for (const row of document.ordered) {
      if (row.depth > hiddenBelow) continue
      hiddenBelow = Infinity
      if (words.length > 0) {
        const text = `${row.channel.name} ${row.comesFrom} ${row.channel.kind}`.toLowerCase()
        if (words.every((word) => text.includes(word))) rows.push(row)
        continue
      }
      const onStage = (row.channel.stages[document.act] ?? 'on-stage') === 'on-stage'
      if (everything.value || onStage) rows.push(row)
      if (folded.has(row.channel.id)) hiddenBelow = row.depth
    }
    return rows
  })

  function siblings(row: ChannelRow) {
    return document.ordered.filter((r) => r.depth === row.depth && r.channel.destination === row.channel.destination)
  }

  function parentOf(row: ChannelRow) {
    return row.channel.destination ? document.rows.get(row.channel.destination) : undefined
  }

  function fold(id: string, on: boolean) {
    if (on) folded.add(id)
    else folded.delete(id)
  }

  return { shown, folded, fold, siblings, parentOf }
}

export type Tree = ReturnType<typeof useTree>
