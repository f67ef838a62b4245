<script setup lang="ts">
import Picker from './Picker.vue'

/** A heading with a short list of what can be added under it. The list is a menu: it shows no choice of its own. */
defineProps<{ title: string; label: string; choices: readonly { value: string; text: string }[] }>()
defineEmits<{ add: [value: string] }>()
</script>

<template>
  <h3>
    {{ title }}
    <Picker class="add" :label="label" :choices="choices" :value="null" empty="Add…" @choose="$emit('add', $event)" />
  </h3>
</template>

<style scoped>
.add {
  max-width: 90px;
  font: 400 12px var(--sans);
}
</style>
