<script setup lang="ts">
import { computed, onMounted, ref, useTemplateRef, watch } from 'vue'
import SendCell from './SendCell.vue'
import { added, highestDb, levelled, lowestDb, opened, removed, tapped, turned, type Block } from './sendEdits'
import { gridShortcuts, type GridAct } from './sendsKeymap'
import { useBlock } from './useBlock'
import { useTypedLevel } from './useTypedLevel'
import type { ChannelRow, Edit, Send } from '@/api/types'
import { levelText } from '@/parts/decibels'
import { actOf } from '@/parts/keymap'
import { useDocument } from '@/state/document'
import { useWindow } from '@/views/order/useWindow'

/** Channels and what they may send to: each send a cell, and a block of them changed as one. */
const props = defineProps<{
  channels: ChannelRow[]
  targets: ChannelRow[]
  /** Whose sends would come back to themselves, by what they would send to. */
  loops: ReadonlyMap<string, ReadonlySet<string>>
}>()
const emit = defineEmits<{ chosen: [channel: string, target: string]; alone: [channel: string, target: string] }>()
const document = useDocument()
const rowPixels = 30
const headPixels = 44

const box = useTemplateRef<HTMLElement>('box')
const field = useTemplateRef<HTMLInputElement[]>('field')
const count = computed(() => props.channels.length)
const across = computed(() => props.targets.length)
const { first, last, above, below, reveal } = useWindow(box, count, rowPixels, headPixels)
/** The cell of what is chosen elsewhere: its row, or its column. */
const at = (rows: ChannelRow[]) => rows.findIndex((r) => r.channel.id === document.selectedId)
const block = useBlock(count, across, { row: at(props.channels), column: at(props.targets) })
const { focus, sides } = block
const dragging = ref(false)
/** The level that is being typed is for the whole block. */
const {
  text: typed,
  unread,
  begin: type,
  take,
  leave,
  end,
} = useTypedLevel({
  put: (level) => change((rows, block) => levelled(rows, block, level)),
  enter: () => field.value?.[0]?.focus(),
  back: () => box.value?.focus(),
})

const focused = computed(() => {
  const [channel, target] = [props.channels[focus.value.row], props.targets[focus.value.column]]
  return channel && target ? { channel: channel.channel.id, target: target.channel.id } : undefined
})
onMounted(() => reveal(focus.value.row))
watch(focused, (now) => now && emit('chosen', now.channel, now.target), { immediate: true })

const chosen = computed<Block>(() => ({
  channels: props.channels.slice(sides.value.top, sides.value.bottom + 1).map((r) => r.channel.id),
  targets: props.targets.slice(sides.value.left, sides.value.right + 1).map((r) => r.channel.id),
  loops: comesBack,
}))
const comesBack = (channel: string, target: string) => props.loops.get(target)?.has(channel) ?? false
const isNever = (row: ChannelRow, target: ChannelRow) =>
  row.channel.id === target.channel.id || comesBack(row.channel.id, target.channel.id)
const sendOf = (row: ChannelRow, target: ChannelRow) =>
  row.channel.sends.find((s) => s.to === target.channel.id) as Send | undefined
const said = (row: ChannelRow, target: ChannelRow) => {
  const send = sendOf(row, target)
  const about = `${row.channel.name} to ${target.channel.name}`
  if (!send) return `${about}: ${isNever(row, target) ? `never, ${target.channel.name} leads back to it` : 'nothing'}`
  return `${about}: ${levelText(send.level)} dB, ${send.tap === 'pre' ? 'before' : 'after'} the fader${send.open ? '' : ', closed'}`
}
const cellId = (row: number, column: number) => `send-${row}-${column}`

/** What the block becomes is made when its turn comes, of what is there then. */
function change(make: (rows: ReadonlyMap<string, ChannelRow>, block: Block) => Edit[]) {
  const wanted = chosen.value
  void document.edit(() => make(document.rows, wanted), wanted.channels[0])
}

function go(rowsDown: number, columnsRight: number, stretch: boolean) {
  block.move(rowsDown, columnsRight, stretch)
  void reveal(focus.value.row)
}

const acts: Record<GridAct, (stretch: boolean) => void> = {
  up: (stretch) => go(-1, 0, stretch),
  down: (stretch) => go(1, 0, stretch),
  left: (stretch) => go(0, -1, stretch),
  right: (stretch) => go(0, 1, stretch),
  top: (stretch) => go(-count.value, 0, stretch),
  bottom: (stretch) => go(count.value, 0, stretch),
  louder: () => change((rows, block) => turned(rows, block, 1)),
  quieter: () => change((rows, block) => turned(rows, block, -1)),
  send: () => change(added),
  open: () => change(opened),
  tap: () => change(tapped),
  alone: () => focused.value && emit('alone', focused.value.channel, focused.value.target),
  remove: () => change(removed),
}

function press(event: KeyboardEvent) {
  if (typed.value !== undefined) return
  const plain: string = event.key
  const stretch = event.shiftKey && (plain.startsWith('Arrow') || plain === 'Home' || plain === 'End')
  const act = stretch
    ? gridShortcuts.find((s) => (s.chords as readonly string[]).includes(plain))?.act
    : actOf(gridShortcuts, event)
  if (act) {
    event.preventDefault()
    event.stopPropagation()
    acts[act](stretch)
  } else if (/^[\d.,−-]$/.test(event.key) && !event.ctrlKey && !event.metaKey && !event.altKey) {
    event.preventDefault()
    event.stopPropagation()
    void type(event.key)
  }
}

function begin(row: number, column: number, event: PointerEvent) {
  if (event.button !== 0) return
  end()
  dragging.value = true
  block.goTo({ row, column }, event.shiftKey)
}

function drag(row: number, column: number, event: PointerEvent) {
  if (!dragging.value) return
  if (event.buttons % 2 === 0) dragging.value = false
  else block.goTo({ row, column }, true)
}

/** A whole column, or a whole row. */
const wholeColumn = (column: number) => block.span({ row: count.value - 1, column }, { row: 0, column })
const wholeRow = (row: number) => block.span({ row, column: across.value - 1 }, { row, column: 0 })
</script>

<template>
  <p v-if="unread" class="trouble" role="alert">
    “{{ typed }}” is no level. A send takes {{ levelText(lowestDb) }} to {{ levelText(highestDb) }} dB, or −∞.
  </p>
  <div
    ref="box"
    class="grid"
    role="grid"
    aria-label="Sends"
    aria-multiselectable="true"
    tabindex="0"
    :aria-rowcount="count + 1"
    :aria-colcount="across + 1"
    :aria-activedescendant="cellId(focus.row, focus.column)"
    :style="{ '--targets': across }"
    @keydown="press"
    @pointerup="dragging = false"
  >
    <div class="line top" role="row" aria-rowindex="1">
      <span role="columnheader">Channel</span>
      <span
        v-for="(target, column) in targets"
        :key="target.channel.id"
        role="columnheader"
        class="to"
        :class="{ on: column === focus.column }"
        :title="`Choose all that goes to ${target.channel.name}`"
        @click="wholeColumn(column)"
        >{{ target.channel.name }}</span
      >
    </div>
    <div :style="{ height: `${above}px` }" />
    <div
      v-for="(row, i) in channels.slice(first, last)"
      :key="row.channel.id"
      class="line"
      role="row"
      :aria-rowindex="first + i + 2"
    >
      <span
        role="rowheader"
        class="from"
        :class="{ on: first + i === focus.row, sum: row.channel.kind === 'bus' || row.channel.kind === 'return' }"
        @click="wholeRow(first + i)"
        >{{ row.channel.name }}</span
      >
      <span
        v-for="(target, column) in targets"
        :id="cellId(first + i, column)"
        :key="target.channel.id"
        role="gridcell"
        class="cell"
        :class="{
          chosen: block.holds(first + i, column),
          focus: first + i === focus.row && column === focus.column,
          never: isNever(row, target),
        }"
        :aria-selected="block.holds(first + i, column)"
        :aria-label="said(row, target)"
        :title="isNever(row, target) ? said(row, target) : undefined"
        @pointerdown="begin(first + i, column, $event)"
        @pointerenter="drag(first + i, column, $event)"
        @dblclick="type('')"
      >
        <input
          v-if="typed !== undefined && first + i === focus.row && column === focus.column"
          ref="field"
          v-model="typed"
          aria-label="Level for the block, in dB"
          :aria-invalid="unread"
          @keydown.enter.stop.prevent="take"
          @keydown.escape.stop.prevent="leave"
          @keydown.tab.stop.prevent="take"
          @blur="unread || take()"
        />
        <SendCell v-else :send="sendOf(row, target)" :may="!isNever(row, target)" />
      </span>
    </div>
    <div :style="{ height: `${below}px` }" />
  </div>
</template>

<style scoped>
.grid {
  overflow: auto;
  min-height: 0;
  flex: 1;
  padding: 0 18px;
  user-select: none;
}

.grid:focus-visible {
  outline: none;
}

.line {
  display: grid;
  grid-template-columns: minmax(150px, 240px) repeat(var(--targets), minmax(92px, 150px));
  min-width: calc(150px + var(--targets) * 92px);
  height: 30px;
  border-bottom: 1px solid var(--line-soft);
}

.top {
  position: sticky;
  top: 0;
  z-index: 2;
  height: 44px;
  align-items: end;
  padding-bottom: 5px;
  background: var(--ground);
  color: var(--text-3);
  font-size: 12px;
}

.to {
  text-align: right;
  padding-right: 12px;
  cursor: pointer;
  line-height: 1.2;
  overflow-wrap: anywhere;
}

.from {
  position: sticky;
  left: 0;
  z-index: 1;
  background: var(--ground);
  padding: 5px 8px 0 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  cursor: pointer;
}

.sum {
  font-family: var(--serif);
  font-weight: 600;
}

.on {
  color: var(--lamp);
}

.cell {
  padding: 5px 12px 0 0;
  text-align: right;
  border: 1px solid transparent;
  cursor: cell;
}

.cell:hover {
  background: var(--hover);
}

.cell.chosen {
  background: var(--lamp-wash);
}

.focus {
  border-color: var(--line);
}

.grid:focus-visible .focus {
  border-color: var(--lamp);
}

.never {
  background-image: repeating-linear-gradient(135deg, transparent 0 5px, var(--line-soft) 5px 6px);
}

input {
  width: 100%;
  height: 20px;
  padding: 0 2px;
  border: 0;
  text-align: right;
  background: var(--raised);
}

.trouble {
  margin: 0 18px 6px;
  color: var(--blocker);
}
</style>
