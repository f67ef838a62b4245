<script setup lang="ts">
import { computed, nextTick, ref, toRef, useTemplateRef, watch } from 'vue'
import ChannelRowView from './ChannelRow.vue'
import type { Filter } from './filter'
import FarRefusal from '@/parts/FarRefusal.vue'
import { renaming } from './renaming'
import RefusalNote from './RefusalNote.vue'
import TreeHead from './TreeHead.vue'
import { useChoosing } from './useChoosing'
import { useMoves, type Side } from './useMoves'
import { useTree } from './useTree'
import { useTreeKeys } from './useTreeKeys'
import { useWindow } from './useWindow'
import type { ChannelRow } from '@/api/types'
import { useHome } from '@/parts/home'
import { useDocument } from '@/state/document'

const rowPixels = 29
const headPixels = 27

const props = defineProps<{ search: string; filter: Filter; everything: boolean }>()
const document = useDocument()
const tree = useTree(toRef(props, 'search'), toRef(props, 'filter'), toRef(props, 'everything'))
const grid = useTemplateRef<HTMLElement>('grid')
const castPath = computed(() => `/${document.kind}s/${document.head?.id}/cast`)
const count = computed(() => tree.shown.value.length)
const seen = useWindow(grid, count, rowPixels, headPixels)
const choosing = useChoosing(tree, grid, seen.reveal)
const moves = useMoves(tree)
const { onKey, follow } = useTreeKeys(tree, choosing, moves)
const dragged = ref<ChannelRow>()
const over = ref<{ id: string; side: Side }>()

/** What can be seen, with its place among all that is shown. */
const drawn = computed(() =>
  tree.shown.value
    .slice(seen.first.value, seen.last.value)
    .map((row, i) => ({ row, index: seen.first.value + i, place: tree.places.value.get(row.channel.id) })),
)

// A row that is scrolled away takes its focus along; the list keeps it then, so that the keys go on working.
watch(drawn, (now) => {
  const focused = window.document.activeElement as HTMLElement | null
  const id = focused?.dataset.id
  if (id && grid.value?.contains(focused) && !now.some(({ row }) => row.channel.id === id))
    grid.value.focus({ preventScroll: true })
})

// What is chosen elsewhere, by a finding or by being made, comes into sight, and the keys are for it.
watch(
  () => document.selectedId,
  async (id) => {
    await nextTick()
    await seen.reveal(tree.shown.value.findIndex((r) => r.channel.id === id))
    const focused = window.document.activeElement as HTMLElement | null
    if (focused?.dataset.id && focused.dataset.id !== id && grid.value?.contains(focused)) await choosing.takeFocus()
  },
)
useHome(() => void choosing.takeFocus())

async function rename(row: ChannelRow, name?: string) {
  renaming.value = undefined
  if (name !== undefined && name !== row.channel.name)
    await document.edit([{ type: 'rename-channel', channel: row.channel.id, name }], row.channel.id)
  await choosing.select(row, true)
}

/** The row that an event is about. One listener for all rows: theirs would be made anew, and they drawn again, at each scroll. */
function rowOf(event: Event) {
  const element = (event.target as HTMLElement).closest?.<HTMLElement>('[data-id]')
  return element ? document.rows.get(element.dataset.id!) : undefined
}

function about(act: (event: never, row: ChannelRow) => void) {
  return (event: Event) => {
    const row = rowOf(event)
    if (row) act(event as never, row)
  }
}

function onOver(event: DragEvent, row: ChannelRow) {
  if (!dragged.value) return
  event.preventDefault()
  const box = (event.target as HTMLElement).closest('[data-id]')!.getBoundingClientRect()
  const share = (event.clientY - box.top) / box.height
  const side =
    document.can(row).sums && share > 0.28 && (share < 0.72 || row.feeders > 0)
      ? 'under'
      : share < 0.5
        ? 'before'
        : 'after'
  over.value = { id: row.channel.id, side: document.can(row).standsOnce ? 'under' : side }
}

function onDrop(event: DragEvent, row: ChannelRow) {
  event.preventDefault()
  const [moved, target] = [dragged.value, over.value]
  stopDrag()
  if (moved && target) void follow(moved, moves.place(moved, target.side, row))
}

function stopDrag() {
  dragged.value = over.value = undefined
}

const listeners = {
  mousedown: about(() => choosing.onDown()),
  click: about((event: MouseEvent, row) => choosing.onClick(event, row)),
  focusin: about((event: FocusEvent, row) => event.target instanceof HTMLElement && event.target.dataset.id && choosing.onFocus(row)),
  dblclick: about((event: MouseEvent, row) => (event.target as HTMLElement).closest('.name') && (renaming.value = row.channel.id)),
  dragstart: about((_: DragEvent, row) => (dragged.value = row)),
  dragend: stopDrag,
  dragover: about(onOver),
  drop: about(onDrop),
} // prettier-ignore

const fold = (row: ChannelRow, on: boolean) => tree.fold(row.channel.id, on)
</script>

<template>
  <div
    ref="grid"
    class="tree"
    role="treegrid"
    tabindex="-1"
    aria-label="Running order"
    aria-multiselectable="true"
    :aria-rowcount="count + 1"
    @keydown="onKey"
    v-on="listeners"
  >
    <TreeHead />
    <div v-if="seen.above.value" role="presentation" :style="{ height: `${seen.above.value}px` }" />
    <template v-for="{ row, index, place } in drawn" :key="row.channel.id">
      <ChannelRowView
        :row="row"
        :focusable="choosing.focusable.value === row.channel.id"
        :folded="document.folded.has(row.channel.id)"
        :renaming="renaming === row.channel.id"
        :drop="over?.id === row.channel.id ? over.side : undefined"
        :aria-rowindex="index + 2"
        :aria-posinset="place?.at"
        :aria-setsize="place?.of"
        @fold="fold"
        @renamed="rename"
      />
      <RefusalNote
        v-if="document.refusal?.channel === row.channel.id"
        :depth="row.depth"
        :refusal="document.refusal"
        @close="document.refusal = undefined"
      />
    </template>
    <div v-if="seen.below.value" role="presentation" :style="{ height: `${seen.below.value}px` }" />
    <FarRefusal :in-sight="(id) => drawn.some(({ row }) => row.channel.id === id)" />
    <p v-if="count === 0" class="nothing quiet">
      {{
        search || filter
          ? 'No channel is like that.'
          : 'Nothing is on stage in this act. “Show all” also looks behind the curtain and in the wings.'
      }}
    </p>
    <p v-else-if="document.order.length <= 2" class="nothing quiet" role="row">
      <span role="gridcell"
        >An empty stage. <RouterLink :to="castPath">Write a cast list</RouterLink>, or press <b>n</b> to add a bus or an
        instrument; where a channel stands is where it goes.</span
      >
    </p>
  </div>
</template>

<style scoped>
.tree {
  overflow: auto;
  /* Opaque and on a layer of its own, what is drawn once is only shifted by scrolling. */
  background: var(--ground);
  will-change: transform;
  overflow-anchor: none;
  flex: 1;
  min-height: 0;
  --columns: minmax(180px, 2.2fr) minmax(140px, 1fr) minmax(130px, 1fr) minmax(124px, 1fr) 80px 42px 42px 48px;
}

.nothing {
  padding: 14px 18px;
}

@media (max-width: 900px) {
  .tree {
    --columns: minmax(150px, 1fr) 44px;
  }
}
</style>
