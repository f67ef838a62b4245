<script setup lang="ts">
/** A heading with a short list of what can be added under it. */
defineProps<{ title: string; label: string; choices: readonly { value: string; text: string }[] }>()
const emit = defineEmits<{ add: [value: string] }>()

function choose(event: Event) {
  const list = event.target as HTMLSelectElement
  if (list.value) emit('add', list.value)
  // The list is a menu: it shows no choice of its own.
  list.value = ''
}
</script>

<template>
  <h3>
    {{ title }}
    <select class="field add" :aria-label="label" @change="choose">
      <option value="">Add…</option>
      <option v-for="choice in choices" :key="choice.value" :value="choice.value">{{ choice.text }}</option>
    </select>
  </h3>
</template>

<style scoped>
.add {
  padding: 2px 22px 2px 8px;
  font: 400 12px var(--sans);
  max-width: 90px;
}
</style>
