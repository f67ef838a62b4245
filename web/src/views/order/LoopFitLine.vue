<script setup lang="ts">
import type { AudioStarter, LoopFit } from '@/api/types'
import ValueField from '@/parts/ValueField.vue'

/** How a loop follows the tempo. */
const props = defineProps<{ starter: AudioStarter }>()
const emit = defineEmits<{ change: [starter: AudioStarter] }>()
const fits: { value: LoopFit; text: string }[] = [
  { value: 'as-recorded', text: 'at its own tempo' },
  { value: 'resampled', text: 'to the tempo, pitch with it' },
  { value: 'cut-at-beats', text: 'cut at its beats' },
]
const follows = () => (props.starter.fit ?? 'as-recorded') !== 'as-recorded'
</script>

<template>
  <div class="line">
    <select
      class="field"
      :aria-label="`How ${starter.name} follows the tempo`"
      :value="starter.fit ?? 'as-recorded'"
      @change="emit('change', { ...starter, fit: ($event.target as HTMLSelectElement).value as LoopFit })"
    >
      <option v-for="f in fits" :key="f.value" :value="f.value">{{ f.text }}</option>
    </select>
    <template v-if="follows()">
      <span class="faint">is</span>
      <ValueField
        :label="`Length of ${starter.name}`"
        unit="quarters"
        :value="starter.quarters ?? 4"
        :min="1"
        :max="256"
        :step="1"
        @change="emit('change', { ...starter, quarters: $event ?? 4 })"
      />
    </template>
  </div>
</template>

<style scoped>
.line {
  display: flex;
  align-items: center;
  gap: 6px;
  padding-left: 10px;
}

.field {
  padding-block: 2px;
  flex: 1;
  min-width: 0;
}
</style>
