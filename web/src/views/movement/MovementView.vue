<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue'
import CurveCell from './CurveCell.vue'
import CurvePanel from './CurvePanel.vue'
import LeverPanel from './LeverPanel.vue'
import ValuePicker from './ValuePicker.vue'
import { movementOf } from '@/state/movementCalls'
import { keyOf, rowOf, rowsOf, type MovedRow } from './rows'
import type { DocumentKind, MovableValue } from '@/api/types'
import { documentShortcuts, useKeymap } from '@/parts/keymap'
import ShortcutsDialog from '@/parts/ShortcutsDialog.vue'
import { useDocument } from '@/state/document'
import { useListening } from '@/state/listening'
import { newLever } from '@/state/newLever'
import { useReading } from '@/state/useReading'
import { useShown } from '@/state/useShown'
import DocumentTitle from '@/views/order/DocumentTitle.vue'

/** Everything that moves, over the sections: prepared curves and levers. */
const props = defineProps<{ kind: DocumentKind; id: string }>()
const document = useDocument()
const listening = useListening()
const { answer: movement, trouble } = useReading({ ask: movementOf })
/** Values that somebody wants to move, and that have no curve yet. */
const wanted = shallowRef<MovedRow[]>([])
const ticked = ref<Set<string>>(new Set())
const chosen = ref<{ key: string; section: string }>()
const withReturns = ref(false)
const explaining = ref(false)
useShown(props)
useKeymap([...documentShortcuts], {
  undo: document.undo,
  redo: document.redo,
  play: listening.play,
  explain: () => (explaining.value = true),
})

const sections = computed(() => document.head?.timeline.sections ?? [])
const moved = computed(() => (movement.value ? rowsOf(movement.value) : []))
/** The level of every return, whether it moves or not: sections are told apart by their spaces. */
const returns = computed(() =>
  withReturns.value
    ? document.ordered
        .filter((r) => r.channel.kind === 'return')
        .map(({ channel }) => {
          const target = { type: 'level' as const }
          const value = {
            channel: channel.id,
            target,
            name: 'Level',
            min: -60,
            max: 6,
            symbol: 'dB',
            stored: channel.level ?? -200,
            scale: 'level' as const,
            movesTheLevel: true,
          }
          return rowOf(channel.name, value, channel.id, target, [])
        })
    : [],
)
const rows = computed(() => {
  const known = new Set(moved.value.map((r) => r.key))
  const more = [...wanted.value, ...returns.value].filter((r) => !known.has(r.key) && known.add(r.key))
  return [...moved.value, ...more]
})
const row = computed(() => rows.value.find((r) => r.key === chosen.value?.key))
const section = computed(() => sections.value.find((s) => s.id === chosen.value?.section))
const lever = computed(() => movement.value?.levers.find((l) => l.lever.id === row.value?.lever?.id))
const ready = computed(() => rows.value.filter((r) => ticked.value.has(r.key) && r.value))

function want(value: MovableValue) {
  const name = document.rows.get(value.channel as string)?.channel.name ?? ''
  const made = rowOf(name, value, value.channel as string, value.target, [])
  if (!rows.value.some((r) => r.key === made.key)) wanted.value = [...wanted.value, made]
  const first = listening.section ?? sections.value[0]?.id
  if (first) chosen.value = { key: keyOf(value.channel as string, value.target), section: first }
}

function choose(key: string, section: string) {
  chosen.value = { key, section }
}

function tick(key: string, on: boolean) {
  ticked.value = new Set(on ? [...ticked.value, key] : [...ticked.value].filter((k) => k !== key))
}

/** A lever over what is ticked: each from where it stands to the far end of its range. */
async function makeLever() {
  const ranges = ready.value.map(({ value }) => ({
    channel: value!.channel,
    target: value!.target,
    from: value!.stored ?? value!.min,
    to: value!.max,
  }))
  const lever = newLever(document.head?.levers ?? [], ranges, 0)
  if (await document.edit([{ type: 'put-lever', lever }])) {
    ticked.value = new Set()
    chosen.value = { key: `lever ${lever.id}`, section: sections.value[0]?.id ?? '' }
  }
}

function step(event: KeyboardEvent, rowAt: number, sectionAt: number) {
  const by = { ArrowLeft: [0, -1], ArrowRight: [0, 1], ArrowUp: [-1, 0], ArrowDown: [1, 0] }[event.key]
  if (!by) return
  const next = rows.value[rowAt + by[0]!]
  const over = sections.value[sectionAt + by[1]!]
  if (!next || !over) return
  event.preventDefault()
  const cell = (event.currentTarget as HTMLElement)
    .closest('table')
    ?.querySelector<HTMLElement>(`[data-at="${rowAt + by[0]!}/${sectionAt + by[1]!}"]`)
  cell?.focus()
}
</script>

<template>
  <DocumentTitle />
  <main v-if="document.head?.id === id" class="sided">
    <section class="plan" aria-label="What moves over the sections">
      <div class="tools">
        <span class="quiet">Move</span>
        <ValuePicker @choose="want" />
        <button type="button" class="plain" :disabled="ready.length === 0" @click="makeLever">
          A lever of {{ ready.length < 2 ? 'what is ticked' : `the ${ready.length} that are ticked` }}
        </button>
        <span class="gap" />
        <label class="quiet"><input v-model="withReturns" type="checkbox" /> every return</label>
        <button type="button" class="plain bare" title="Shortcuts" aria-label="Shortcuts" @click="explaining = true">
          ?
        </button>
      </div>
      <p v-if="trouble ?? document.refusal?.sentence" class="trouble" role="alert">
        {{ trouble ?? document.refusal?.sentence }}
      </p>
      <div class="scroll">
        <table v-if="rows.length" :style="{ minWidth: `${150 + 72 * sections.length}px` }">
          <thead>
            <tr>
              <th scope="col">Value</th>
              <th v-for="s in sections" :key="s.id" scope="col">
                {{ s.name }} <span class="faint">{{ s.bars }}</span>
              </th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(r, i) in rows" :key="r.key" :class="{ on: r.key === chosen?.key }">
              <th scope="row">
                <input
                  v-if="r.value"
                  type="checkbox"
                  :aria-label="`Tick ${r.title}, ${r.about}`"
                  :checked="ticked.has(r.key)"
                  @change="tick(r.key, ($event.target as HTMLInputElement).checked)"
                />
                <span v-else class="mark" aria-hidden="true">↕</span>
                <span class="what"
                  ><b>{{ r.title }}</b
                  ><small class="quiet">{{ r.about }}</small></span
                >
              </th>
              <td v-for="(s, n) in sections" :key="s.id">
                <button
                  type="button"
                  class="cell"
                  :class="{ chosen: r.key === chosen?.key && s.id === chosen?.section }"
                  :data-at="`${i}/${n}`"
                  :aria-label="`${r.title}, ${r.about}, over ${s.name}: ${r.curves.has(s.id) ? 'a curve' : 'none'}`"
                  :aria-pressed="r.key === chosen?.key && s.id === chosen?.section"
                  @click="choose(r.key, s.id)"
                  @keydown="step($event, i, n)"
                >
                  <CurveCell :points="r.curves.get(s.id)" :range="r.range" />
                </button>
              </td>
            </tr>
          </tbody>
        </table>
        <p v-else class="empty quiet">
          Nothing moves yet. Choose a channel and what shall move on it; then say how it goes over each section. What is
          ticked can be put on one lever.
        </p>
      </div>
    </section>
    <aside class="side" aria-label="The chosen curve">
      <LeverPanel v-if="lever" :key="lever.lever.id" :lever="lever.lever" :values="lever.values" />
      <CurvePanel
        v-if="row && section && movement"
        :key="row.key + section.id"
        :row="row"
        :section="section"
        :sections="sections"
        :kinds="movement.kinds"
      />
      <p v-if="!row" class="faint">Choose a section of a value to draw its curve.</p>
    </aside>
  </main>
  <p v-else-if="document.missing" class="nothing">
    There is no such {{ kind }}. <RouterLink to="/">Back to the library</RouterLink>
  </p>
  <p v-else class="nothing faint">Opening…</p>
  <ShortcutsDialog v-model:open="explaining" place="what moves" :shortcuts="documentShortcuts" />
</template>

<style scoped src="@/parts/sidedPage.css"></style>
<style scoped>
.plan {
  display: flex;
  flex-direction: column;
  min-height: 0;
}

.tools {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 10px;
  padding: 10px 18px;
}

.scroll {
  overflow: auto;
  padding: 0 18px 18px;
}

table {
  width: 100%;
  border-collapse: collapse;
  table-layout: fixed;
}

th {
  text-align: left;
  font-weight: 400;
}

thead th {
  color: var(--text-2);
  padding: 4px 6px;
}

thead th:first-child,
tbody th {
  width: 230px;
  position: sticky;
  left: 0;
  background: var(--ground);
}

tbody th {
  display: flex;
  gap: 8px;
  align-items: center;
  padding: 4px 8px 4px 0;
}

tr {
  border-top: 1px solid var(--line-soft);
}

.what {
  display: grid;
  min-width: 0;
}

.what b {
  font-weight: 500;
}

.what small {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.mark {
  width: 13px;
  color: var(--plum);
  text-align: center;
}

.cell {
  width: 100%;
  border: 1px solid transparent;
  border-left-color: var(--line-soft);
  background: none;
  padding: 2px 3px;
  cursor: pointer;
}

.cell:hover {
  background: var(--hover);
}

.cell.chosen {
  border-color: var(--lamp);
  border-radius: 6px;
}

.side {
  padding-top: 12px;
  display: grid;
  align-content: start;
  gap: 18px;
}

.trouble {
  margin: 0 18px;
  color: var(--blocker);
}

.empty {
  max-width: 56ch;
  padding: 20px 0;
}

@media (max-width: 900px) {
  .scroll {
    overflow-x: auto;
    padding: 0 12px 12px;
  }

  thead th:first-child,
  tbody th {
    width: 150px;
  }
}
</style>
