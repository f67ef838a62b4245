<script setup lang="ts">
import type { DeviceControl } from '@/api/types'

/** The few controls of a device that somebody names, so that they can be set, curved and moved from here. */
const controls = defineModel<DeviceControl[]>({ required: true })
const units = [
  { value: 'percent', text: '%', min: 0, max: 100 },
  { value: 'decibels', text: 'dB', min: -60, max: 12 },
  { value: 'hertz', text: 'Hz', min: 20, max: 20000 },
  { value: 'milliseconds', text: 'ms', min: 0, max: 1000 },
  { value: 'number', text: 'no unit', min: 0, max: 10 },
  { value: 'switch', text: 'on or off', min: 0, max: 1 },
  { value: 'choice', text: 'a choice', min: 0, max: 1 },
] as const

function add() {
  const taken = new Set(controls.value.map((c) => c.id))
  let n = controls.value.length + 1
  while (taken.has(`control-${n}`)) n++
  controls.value = [...controls.value, { id: `control-${n}`, name: '', unit: 'percent', min: 0, max: 100, default: 0 }]
}

function change(at: number, part: Partial<DeviceControl>) {
  controls.value = controls.value.map((c, i) => (i === at ? { ...c, ...part } : c))
}

function unit(at: number, value: string) {
  const { min, max } = units.find((u) => u.value === value)!
  const options = value === 'choice' ? ['Low', 'High'] : []
  change(at, { unit: value as DeviceControl['unit'], min, max, default: min < 0 ? 0 : min, options })
}

/** "Soft, Hard": two at least, counted from 0. */
function options(at: number, text: string) {
  const options = text.split(',').map((option) => option.trim()).filter(Boolean) // prettier-ignore
  if (options.length >= 2) change(at, { options, max: options.length - 1, default: 0 })
}

const text = (event: Event) => (event.target as HTMLInputElement).value
const number = (event: Event, was: number) => {
  const value = Number(text(event).trim().replace(',', '.'))
  return Number.isFinite(value) && text(event).trim() !== '' ? value : was
}
</script>

<template>
  <div class="labelled">
    <span>Controls that are named here</span>
    <div v-for="(control, at) in controls" :key="at" class="control">
      <input
        class="field"
        maxlength="40"
        placeholder="Name"
        :aria-label="`Name of control ${at + 1}`"
        :value="control.name"
        @input="change(at, { name: text($event) })"
      />
      <select
        class="field"
        :aria-label="`Unit of control ${at + 1}`"
        :value="control.unit"
        @change="unit(at, text($event))"
      >
        <option v-for="u in units" :key="u.value" :value="u.value">{{ u.text }}</option>
      </select>
      <input
        v-if="control.unit === 'choice'"
        class="field options"
        :aria-label="`Options of control ${at + 1}, by commas`"
        :value="control.options?.join(', ')"
        @change="options(at, text($event))"
      />
      <template v-if="control.unit !== 'switch' && control.unit !== 'choice'">
        <input
          class="field short"
          :aria-label="`Lowest value of control ${at + 1}`"
          :value="control.min"
          @change="change(at, { min: number($event, control.min) })"
        />
        to
        <input
          class="field short"
          :aria-label="`Highest value of control ${at + 1}`"
          :value="control.max"
          @change="change(at, { max: number($event, control.max) })"
        />
      </template>
      <button
        type="button"
        class="plain bare"
        :aria-label="`Take away control ${at + 1}`"
        @click="controls = controls.filter((_, i) => i !== at)"
      >
        Take away
      </button>
      <input
        class="field note"
        maxlength="4000"
        placeholder="What one should know of it"
        :aria-label="`Note on control ${at + 1}`"
        :value="control.note"
        @input="change(at, { note: text($event) })"
      />
    </div>
    <div><button type="button" class="plain" @click="add">Name a control</button></div>
  </div>
</template>

<style scoped>
.labelled {
  display: grid;
  gap: 4px;
  color: var(--text-2);
}

.control {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px;
}

.control > .field:first-child {
  flex: 1;
  min-width: 80px;
}

.options {
  width: 150px;
}

.note {
  flex: 1 0 100%;
  font-size: 12px;
}

.short {
  width: 64px;
}
</style>
