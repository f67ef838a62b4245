<script setup lang="ts">
import { computed, nextTick, ref, toRef, useTemplateRef } from 'vue'
import ChannelRowView from './ChannelRow.vue'
import RefusalNote from './RefusalNote.vue'
import { takesChannels, useMoves, type Side } from './useMoves'
import { useTree } from './useTree'
import type { ChannelRow } from '@/api/types'
import { useDocument } from '@/state/document'
import { useListening } from '@/state/listening'

const props = defineProps<{ search: string; everything: boolean }>()
const document = useDocument()
const listening = useListening()
const tree = useTree(toRef(props, 'search'), toRef(props, 'everything'))
const moves = useMoves(tree)
const grid = useTemplateRef('grid')
const renaming = ref<string>()
const dragged = ref<ChannelRow>()
const over = ref<{ id: string; side: Side }>()

const focusable = computed(() => {
  const shown = tree.shown.value
  return shown.some((r) => r.channel.id === document.selectedId) ? document.selectedId : shown[0]?.channel.id
})
const returnNames = computed(() =>
  document.returns
    .slice(0, 4)
    .map((r, i) => `${i + 1} ${r.channel.name}`)
    .join(', '),
)

async function select(row: ChannelRow | undefined, focus = false) {
  if (!row) return
  document.selectedId = row.channel.id
  if (!focus) return
  await nextTick()
  grid.value?.querySelector<HTMLElement>(`[data-id="${row.channel.id}"]`)?.focus()
}

async function follow(row: ChannelRow, move: Promise<boolean> | undefined) {
  await move
  await select(document.rows.get(row.channel.id), true)
}

function onKey(event: KeyboardEvent) {
  const shown = tree.shown.value
  const at = shown.findIndex((r) => r.channel.id === focusable.value)
  const row = shown[at]
  if (!row || event.ctrlKey || event.metaKey || (event.target as HTMLElement).tagName === 'INPUT') return
  const { id } = row.channel
  const act: Record<string, (() => unknown) | undefined> = {
    ArrowUp: () => (event.altKey ? follow(row, moves.up(row)) : select(shown[at - 1], true)),
    ArrowDown: () => (event.altKey ? follow(row, moves.down(row)) : select(shown[at + 1], true)),
    ArrowLeft: () => (event.altKey ? follow(row, moves.out(row)) : row.feeders && !tree.folded.has(id) ? tree.fold(id, true) : select(tree.parentOf(row), true)),
    ArrowRight: () => (event.altKey ? follow(row, moves.into(row)) : tree.folded.has(id) ? tree.fold(id, false) : select(row.feeders ? shown[at + 1] : undefined, true)),
    Home: () => select(shown[0], true),
    End: () => select(shown.at(-1), true),
    Enter: () => (renaming.value = id),
    F2: () => (renaming.value = id),
    m: () => document.edit([{ type: 'set-mute', channel: id, muted: !row.channel.muted }], id),
    l: () => (listening.point = listening.point === id || row.channel.kind === 'main' ? null : id),
    Delete: () => remove(row, shown[at + 1] ?? shown[at - 1]),
  } // prettier-ignore
  const does = act[event.key]
  if (!does || (event.target as HTMLElement).tagName === 'BUTTON') return
  event.preventDefault()
  void does()
}

async function remove(row: ChannelRow, next?: ChannelRow) {
  const about = row.channel.kind === 'main' ? row.channel.id : undefined
  if (await document.edit([{ type: 'remove-channel', channel: row.channel.id }], about))
    await select(next && document.rows.get(next.channel.id), true)
}

async function rename(row: ChannelRow, name?: string) {
  renaming.value = undefined
  if (name !== undefined && name !== row.channel.name)
    await document.edit([{ type: 'rename-channel', channel: row.channel.id, name }], row.channel.id)
  await select(row, true)
}

function onOver(event: DragEvent, row: ChannelRow) {
  if (!dragged.value) return
  event.preventDefault()
  const box = (event.currentTarget as HTMLElement).getBoundingClientRect()
  const share = (event.clientY - box.top) / box.height
  const side =
    takesChannels(row) && share > 0.28 && (share < 0.72 || row.feeders > 0) ? 'under' : share < 0.5 ? 'before' : 'after'
  over.value = { id: row.channel.id, side: row.channel.kind === 'main' ? 'under' : side }
}

function onDrop(row: ChannelRow) {
  const [moved, target] = [dragged.value, over.value]
  dragged.value = over.value = undefined
  if (moved && target) void follow(moved, moves.place(moved, target.side, row))
}
</script>

<template>
  <div ref="grid" class="tree" role="treegrid" aria-label="Running order" @keydown="onKey">
    <div class="row columns" role="row">
      <span role="columnheader">Channel, under what it feeds</span>
      <span role="columnheader">Comes from</span>
      <span role="columnheader">Strip</span>
      <span role="columnheader">Sidechain</span>
      <span role="columnheader" :title="returnNames"
        >Sends
        {{
          document.returns
            .slice(0, 4)
            .map((_, i) => i + 1)
            .join(' ')
        }}</span
      >
      <span role="columnheader" class="right">dB</span>
      <span role="columnheader" class="right">Pan</span>
      <span role="columnheader"><span class="unseen">Mute</span></span>
    </div>
    <template v-for="row in tree.shown.value" :key="row.channel.id">
      <ChannelRowView
        :row="row"
        :focusable="focusable === row.channel.id"
        :folded="tree.folded.has(row.channel.id)"
        :renaming="renaming === row.channel.id"
        :drop="over?.id === row.channel.id ? over.side : undefined"
        @select="select(row)"
        @fold="tree.fold(row.channel.id, $event)"
        @rename="renaming = row.channel.id"
        @renamed="rename(row, $event)"
        @dragstart="dragged = row"
        @dragend="dragged = over = undefined"
        @dragover="onOver($event, row)"
        @drop.prevent="onDrop(row)"
      />
      <RefusalNote
        v-if="document.refusal?.channel === row.channel.id"
        :depth="row.depth"
        :refusal="document.refusal"
        @close="document.refusal = undefined"
      />
    </template>
    <p v-if="tree.shown.value.length === 0" class="nothing quiet">
      No channel on stage is called that. “Show all” also looks behind the curtain and in the wings.
    </p>
    <p v-else-if="document.order.length <= 2" class="nothing quiet">
      An empty stage. Press <b>n</b> to add a bus or an instrument; where a channel stands is where it goes.
    </p>
  </div>
</template>

<style scoped>
.tree {
  overflow: auto;
  flex: 1;
  min-height: 0;
  --columns: minmax(180px, 2.2fr) minmax(140px, 1fr) minmax(130px, 1fr) minmax(124px, 1fr) 80px 42px 42px 48px;
}

.columns {
  position: sticky;
  top: 0;
  z-index: 1;
  display: grid;
  grid-template-columns: var(--columns);
  column-gap: 6px;
  padding: 4px 18px 6px;
  background: var(--ground);
  color: var(--text-3);
  font-size: 11px;
  border-bottom: 1px solid var(--line-soft);
}

.right {
  text-align: right;
}

.nothing {
  padding: 14px 18px;
}

@media (max-width: 900px) {
  .tree {
    --columns: minmax(150px, 1fr) 44px;
  }

  .columns > :not(:first-child, :nth-child(6)) {
    display: none;
  }
}
</style>
