<script setup lang="ts">
import { computed } from 'vue'
import type { ChannelRow, Source } from '@/api/types'
import Picker from '@/parts/Picker.vue'
import ValueField from '@/parts/ValueField.vue'
import { useDocument } from '@/state/document'
import { useStudio } from '@/state/studio'

/** Where an audio or direct channel takes its sound from; what it is for the other kinds. */
const props = defineProps<{ row: ChannelRow }>()
const document = useDocument()
const studio = useStudio()
const channel = computed(() => props.row.channel)
const source = computed(() => channel.value.source)
const can = computed(() => document.can(props.row))
const mayRecord = computed(() => can.value.records)
const isOpen = computed(() => can.value.takesInputs && source.value?.type !== 'instrument')
const way = computed(() => {
  if (source.value?.type === 'input') return source.value.second == null ? 'one' : 'two'
  return source.value?.type === 'internal' ? 'internal' : 'none'
})
const recordable = computed(() =>
  document.ordered.filter((r) => r.channel.id !== channel.value.id && document.can(r).sounds),
)

function take(next: Source | null) {
  void document.edit([{ type: 'set-source', channel: channel.value.id, source: next }], channel.value.id)
}

function change(part: Record<string, unknown>) {
  const { id } = channel.value
  void document.edit(() => {
    const now = document.rows.get(id)?.channel.source
    return now ? [{ type: 'set-source', channel: id, source: { ...now, ...part } as Source }] : []
  }, id)
}

function choose(event: Event) {
  const value = (event.target as HTMLSelectElement).value
  const first = source.value?.type === 'input' ? source.value.first : 1
  const kept = source.value?.type === 'input' ? source.value : { monitored: false, armed: false }
  if (value === 'internal') {
    // Whatever sums could be what it feeds; a player or another input never is.
    const other = recordable.value.find((r) => document.can(r).feedsASum && !document.can(r).takesSends)
    if (other) take({ type: 'internal', from: other.channel.id, tap: 'post', armed: kept.armed })
  } else if (value === 'none') take(null)
  else takeInput(first, value === 'two' ? first + 1 : null, kept)
}

/** The channel is as wide as what it takes; inputs are known by their names where the studio names them. */
function takeInput(first: number, second: number | null, kept: { monitored?: boolean; armed?: boolean }) {
  const nameOf = (number: number | null) => (number && inputs.value[number - 1]) || null
  const { monitored = false, armed = false } = kept
  const input = { first, second, monitored, armed, firstName: nameOf(first), secondName: nameOf(second) }
  void document.edit([{ type: 'take-input', channel: channel.value.id, input }], channel.value.id)
}

const inputs = computed(() => studio.on?.studio.interface.inputs ?? [])
/** Those of the studio, and the one that is there where the studio has none of that number. */
const numbers = computed(() => {
  const there = source.value?.type === 'input' ? [source.value.first, source.value.second ?? 0] : []
  return Array.from({ length: Math.max(inputs.value.length, ...there) }, (_, i) => i + 1).filter(
    (n) => n <= inputs.value.length || there.includes(n),
  )
})
const wordsOf = (number: number) =>
  number > inputs.value.length ? `${number}, not here` : [number, inputs.value[number - 1]].filter(Boolean).join(' · ')
</script>

<template>
  <dt v-if="can.sounds">Comes from</dt>
  <dd v-if="isOpen">
    <div class="value">
      <select class="field" :value="way" :aria-label="`${channel.name} comes from`" @change="choose">
        <option value="none">{{ channel.starters.length ? 'its own sounds' : 'nothing yet' }}</option>
        <option value="one">an input</option>
        <option value="two">two inputs</option>
        <option v-if="mayRecord" value="internal">another channel</option>
      </select>
      <template v-if="source?.type === 'input' && inputs.length">
        <select
          class="field"
          aria-label="Hardware input"
          :value="source.first"
          @change="takeInput(Number(($event.target as HTMLSelectElement).value), source.second ?? null, source)"
        >
          <option v-for="n in numbers" :key="n" :value="n">{{ wordsOf(n) }}</option>
        </select>
        <select
          v-if="source.second != null"
          class="field"
          aria-label="Second hardware input"
          :value="source.second"
          @change="takeInput(source.first, Number(($event.target as HTMLSelectElement).value), source)"
        >
          <option v-for="n in numbers" :key="n" :value="n">{{ wordsOf(n) }}</option>
        </select>
      </template>
      <template v-else-if="source?.type === 'input'">
        <ValueField
          label="Hardware input"
          :value="source.first"
          :min="1"
          :max="128"
          :step="1"
          @change="change({ first: $event ?? 1 })"
        />
        <ValueField
          v-if="source.second != null"
          label="Second hardware input"
          :value="source.second"
          :min="1"
          :max="128"
          :step="1"
          @change="change({ second: $event ?? 2 })"
        />
      </template>
    </div>
    <div v-if="source?.type === 'internal'" class="value more">
      <Picker
        label="The channel that is recorded"
        :choices="recordable.map((r) => ({ value: r.channel.id, text: r.channel.name }))"
        :value="source.from"
        @choose="change({ from: $event })"
      />
      <select
        class="field"
        :value="source.tap"
        aria-label="Recorded before or after its fader"
        @change="change({ tap: ($event.target as HTMLSelectElement).value })"
      >
        <option value="pre">before its fader</option>
        <option value="post">after its fader</option>
      </select>
    </div>
    <div v-if="source?.type === 'input' || source?.type === 'internal'" class="value more">
      <label v-if="source.type === 'input'" class="switch"
        ><input
          type="checkbox"
          :checked="source.monitored"
          @change="change({ monitored: ($event.target as HTMLInputElement).checked })"
        />
        monitored</label
      >
      <label class="switch"
        ><input
          type="checkbox"
          :checked="source.armed"
          @change="change({ armed: ($event.target as HTMLInputElement).checked })"
        />
        armed</label
      >
    </div>
  </dd>
  <dd v-else-if="can.sounds">{{ row.comesFrom }}</dd>
</template>

<style scoped src="./facts.css"></style>
<style scoped>
.more {
  margin-top: 4px;
}
</style>
