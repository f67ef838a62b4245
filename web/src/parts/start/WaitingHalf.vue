<script setup lang="ts">
import { computed } from 'vue'
import type { InputToSay, StartAsks } from './startCalls'
import type { WaitingInsert } from '@/api/types'

/** Everything that waits for the song, a line each: the key, somebody's word, an input, a print that stays or goes. */
const props = defineProps<{ asks: StartAsks; hasKey: boolean }>()
const ready = defineModel<Set<string>>('ready', { required: true })
const inputs = defineModel<Map<string, number>>('inputs', { required: true })
const gone = defineModel<Set<string>>('gone', { required: true })

const forKey = computed(() => props.asks.waiting.filter((w) => w.what === 'song-key'))
const forPeople = computed(() => props.asks.waiting.filter((w) => w.what !== 'song-key'))
const nameOf = (w: WaitingInsert) => `${w.channel}/${w.insert}`
const isNothing = computed(() => props.asks.waiting.length + props.asks.inputs.length + props.asks.prints.length === 0)

function turned(all: Set<string>, name: string, on: boolean) {
  return new Set(on ? [...all, name] : [...all].filter((n) => n !== name))
}

function take(line: InputToSay, value: string) {
  const next = new Map(inputs.value)
  if (value) next.set(line.channel, Number(value))
  else next.delete(line.channel)
  inputs.value = next
}

/** A channel that is stereo takes the next one as well. */
const choices = (line: InputToSay) =>
  props.asks.studioInputs
    .map((name, i) => ({ value: String(i + 1), name }))
    .slice(0, line.isWide ? props.asks.studioInputs.length - 1 : undefined)
    .map((c, i) => (line.isWide ? { ...c, name: `${c.name} and ${props.asks.studioInputs[i + 1]}` } : c))
const usual = (line: InputToSay) => (line.here ? `takes ${line.here}` : line.was ? `stays ${line.was}` : 'none yet')
</script>

<template>
  <fieldset>
    <legend>What waits</legend>
    <p v-if="isNothing" class="faint">Nothing: everything is there.</p>
    <p v-for="w in forKey" :key="nameOf(w)" class="line">
      <span>{{ w.title }} on {{ w.name }}</span
      ><span :class="hasKey ? 'ready' : 'plum'">{{ hasKey ? 'takes the key' : 'waits for the key' }}</span>
    </p>
    <label v-for="w in forPeople" :key="nameOf(w)" class="line"
      ><span>{{ w.title }} on {{ w.name }}{{ w.note ? `: ${w.note}` : '' }}</span
      ><span
        ><input
          type="checkbox"
          :checked="ready.has(nameOf(w))"
          @change="ready = turned(ready, nameOf(w), ($event.target as HTMLInputElement).checked)"
        />
        is ready</span
      ></label
    >
    <label v-for="line in asks.inputs" :key="line.channel" class="line"
      ><span
        >{{ line.name }}<small class="quiet">{{ line.note }}</small></span
      ><select
        class="field"
        :aria-label="`Input of ${line.name}`"
        :value="String(inputs.get(line.channel) ?? '')"
        @change="take(line, ($event.target as HTMLSelectElement).value)"
      >
        <option value="">{{ usual(line) }}</option>
        <option v-for="c in choices(line)" :key="c.value" :value="c.value">{{ c.name }}</option>
      </select></label
    >
    <label v-for="p in asks.prints" :key="p.channel" class="line"
      ><span
        >{{ p.name }}<small class="quiet">{{ p.prints.join(', ') }}</small></span
      ><span
        ><input
          type="checkbox"
          :checked="!gone.has(p.channel)"
          @change="gone = turned(gone, p.channel, !($event.target as HTMLInputElement).checked)"
        />
        the print stays</span
      ></label
    >
  </fieldset>
</template>

<style scoped>
fieldset {
  border: 1px solid var(--line);
  border-radius: 7px;
  max-height: 46vh;
  overflow: auto;
}

legend {
  color: var(--text-2);
  padding: 0 4px;
}

.line {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 10px;
  margin: 0;
  padding: 5px 0;
}

.line + .line {
  border-top: 1px solid var(--line-soft);
}

.line > :first-child {
  flex: 1;
  min-width: 0;
  overflow-wrap: anywhere;
}

.field {
  flex: 0 1 170px;
  min-width: 120px;
}

small {
  display: block;
}

.ready {
  color: var(--proven);
}
</style>
