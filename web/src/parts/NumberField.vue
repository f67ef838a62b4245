<script setup lang="ts">
import { ref } from 'vue'

/** A number that may be unknown: an empty field says so. What is no number is said and changes nothing. */
const props = defineProps<{ label: string; unit: string; value: number | null; empty: string }>()
const emit = defineEmits<{ change: [value: number | null] }>()
const wrong = ref(false)

function take(field: HTMLInputElement) {
  const text = field.value.trim().replace(',', '.')
  const value = text === '' ? null : Number(text)
  wrong.value = value !== null && !Number.isFinite(value)
  if (!wrong.value) emit('change', value)
}
</script>

<template>
  <label
    ><span
      >{{ props.label }} <span class="faint">{{ unit }}</span></span
    ><input
      class="field"
      inputmode="decimal"
      :value="value ?? ''"
      :placeholder="empty"
      :aria-invalid="wrong"
      @change="take($event.target as HTMLInputElement)"
    /><span v-if="wrong" class="wrong" role="alert">That is no number.</span></label
  >
</template>

<style scoped>
label {
  display: grid;
  gap: 4px;
  color: var(--text-2);
}

.field {
  color: var(--text);
  min-width: 0;
}

.wrong {
  color: var(--blocker);
  font-size: 12px;
}
</style>
