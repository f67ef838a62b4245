<script setup lang="ts">
import { ref } from 'vue'
import MovedField from './MovedField.vue'
import ValuePicker from './ValuePicker.vue'
import { keyOf, rangeOf } from './rows'
import type { Lever, LeverRange, MovableValue, MovedValue } from '@/api/types'
import TextField from '@/parts/TextField.vue'
import ValueField from '@/parts/ValueField.vue'
import { changeLever } from '@/state/changeLever'
import { useDocument } from '@/state/document'

/** One lever: where it stands, and what it moves from where to where. */
const props = defineProps<{ lever: Lever; values: readonly MovedValue[] }>()
const document = useDocument()
const adding = ref(false)
const silenceDb = -200

function put(change: (now: Lever) => Partial<Lever>) {
  void changeLever(props.lever.id, change)
}

const keyOfRange = (range: LeverRange) => keyOf(range.channel as string, range.target)
const isLevel = (value: MovedValue) => value.value?.scale === 'level'
const shown = (value: MovedValue, number: number) => (isLevel(value) && number <= silenceDb ? null : number)

function range(index: number, change: Partial<LeverRange>) {
  const key = keyOfRange(props.lever.ranges[index]!)
  put(({ ranges }) => ({ ranges: ranges.map((r) => (keyOfRange(r) === key ? { ...r, ...change } : r)) }))
}

function takeOff(index: number) {
  const key = keyOfRange(props.lever.ranges[index]!)
  put(({ ranges }) => ({ ranges: ranges.filter((r) => keyOfRange(r) !== key) }))
}

/** It begins where the value stands, and ends at the far end of its range. */
function add(value: MovableValue) {
  adding.value = false
  const from = value.stored ?? value.min
  put(({ ranges }) => ({ ranges: [...ranges, { channel: value.channel, target: value.target, from, to: value.max }] }))
}
</script>

<template>
  <section>
    <h3>Lever</h3>
    <label class="name"
      ><span class="quiet">Name</span
      ><TextField
        aria-label="Name of the lever"
        maxlength="40"
        :value="lever.name"
        @keydown.stop
        @change="(name) => name && put(() => ({ name }))"
    /></label>
    <div class="line">
      <span class="quiet">Stands at</span>
      <ValueField
        label="Where the lever stands"
        unit="%"
        :value="Math.round(lever.position * 100)"
        :min="0"
        :max="100"
        :step="1"
        @change="put(() => ({ position: ($event ?? 0) / 100 }))"
      />
      <input
        class="slide"
        type="range"
        min="0"
        max="100"
        :value="lever.position * 100"
        :aria-label="`${lever.name} by sliding`"
        @change="put(() => ({ position: Number(($event.target as HTMLInputElement).value) / 100 }))"
      />
    </div>
    <div v-for="(v, i) in values" :key="i" class="range">
      <b>{{ v.channelName }}</b> <span class="quiet">{{ v.value?.name ?? 'gone' }}</span>
      <div v-if="v.value" class="line">
        <MovedField
          :label="`At 0 %: ${v.channelName}`"
          :range="rangeOf(v.value)"
          :value="shown(v, lever.ranges[i]!.from)"
          :step="0.1"
          @change="range(i, { from: $event ?? silenceDb })"
        />
        <span class="quiet">to</span>
        <MovedField
          :label="`At 100 %: ${v.channelName}`"
          :range="rangeOf(v.value)"
          :value="shown(v, lever.ranges[i]!.to)"
          :step="0.1"
          @change="range(i, { to: $event ?? silenceDb })"
        />
        <button type="button" class="plain bare" :aria-label="`Take off: ${v.channelName}`" @click="takeOff(i)">
          Take off
        </button>
      </div>
    </div>
    <ValuePicker v-if="adding" @choose="add" />
    <div class="line">
      <button v-if="!adding" type="button" class="plain" @click="adding = true">Let it move something more…</button>
      <button type="button" class="plain" @click="document.edit([{ type: 'remove-lever', id: lever.id }])">
        Remove the lever
      </button>
    </div>
  </section>
</template>

<style scoped>
h3 {
  font-size: 15px;
}

.name {
  display: flex;
  gap: 10px;
  align-items: center;
  margin: 6px 0;
}

.line {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
}

.slide {
  flex: 1;
  min-width: 80px;
}

.range {
  border-top: 1px solid var(--line-soft);
  padding: 6px 0;
}
</style>
