<script setup lang="ts">
import { numberText } from './decibels'
import { useReference } from '@/state/reference'

/** Mix or reference, at the same loudness. */
const reference = useReference()
const valueOf = (event: Event) => (event.target as HTMLSelectElement).value
</script>

<template>
  <div v-if="reference.candidates.length" class="switch">
    <span class="label">Heard</span>
    <div class="ends" role="group" aria-label="What is heard">
      <button type="button" class="plain" :aria-pressed="!reference.hears" @click="reference.hear(false)">mix</button>
      <button
        type="button"
        class="plain"
        :aria-pressed="reference.hears"
        :disabled="reference.working"
        :title="`Hear ${reference.channel?.channel.name} as loud as the mix`"
        @click="reference.hear(true)"
      >
        reference
      </button>
    </div>
    <select
      v-if="reference.candidates.length > 1"
      aria-label="Which reference"
      :value="reference.channel?.channel.id"
      @change="reference.chosenId = valueOf($event)"
    >
      <option v-for="r in reference.candidates" :key="r.channel.id" :value="r.channel.id">{{ r.channel.name }}</option>
    </select>
    <span v-if="reference.trouble" class="trouble" role="alert">{{ reference.trouble }}</span>
    <span v-else-if="reference.match" class="label" role="status"
      >both {{ numberText(reference.match.lufs, 1) }} LUFS</span
    >
  </div>
</template>

<style scoped>
.switch {
  display: grid;
  max-width: 150px;
}

.label,
.trouble {
  font-size: 11px;
  color: var(--text-3);
  white-space: nowrap;
}

.trouble {
  color: var(--blocker);
  white-space: normal;
}

.ends {
  display: flex;
}

.ends button {
  padding: 1px 8px;
  font-size: 12px;
  border-radius: 0;
}

.ends button:first-child {
  border-radius: 6px 0 0 6px;
}

.ends button:last-child {
  border-radius: 0 6px 6px 0;
  border-left: 0;
}

.ends [aria-pressed='true'] {
  background: var(--raised);
  color: var(--text);
  font-weight: 600;
}

select {
  font-size: 12px;
}
</style>
