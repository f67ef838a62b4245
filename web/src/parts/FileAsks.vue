<script setup lang="ts">
import type { Schemas } from '@/api/types'
import { waveDepths } from './waveDepths'

/** How what is rendered shall be written: its depth and its tail, and what else is asked beside them. */
const depth = defineModel<Schemas['WaveDepth']>('depth', { required: true })
const tail = defineModel<number>('tail', { required: true })
</script>

<template>
  <div class="asks">
    <slot name="first" />
    <label
      >As
      <select v-model="depth" class="field">
        <option v-for="([words], value) in waveDepths" :key="value" :value="value">{{ words }}</option>
      </select>
    </label>
    <label
      >Tail, s
      <input v-model.number="tail" class="field tail" type="number" min="0" max="30" step="0.5" required />
    </label>
    <slot />
  </div>
</template>

<style scoped src="./dialogForm.css"></style>
<style scoped>
.asks {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: end;
}

.asks :slotted(label) {
  display: grid;
  gap: 3px;
}

.asks :slotted(.tick) {
  display: flex;
  gap: 7px;
  align-items: center;
  padding-bottom: 8px;
}

.tail {
  width: 80px;
}
</style>
