<script setup lang="ts">
import { ref } from 'vue'

/** A word that is taken when the field is left. What is being typed stays, whatever changes around it meanwhile. */
defineProps<{ value: string }>()
const emit = defineEmits<{ change: [value: string] }>()
const typed = ref<string>()

function take() {
  const value = typed.value?.trim()
  typed.value = undefined
  if (value !== undefined) emit('change', value)
}
</script>

<template>
  <input
    class="field"
    :value="typed ?? value"
    @input="typed = ($event.target as HTMLInputElement).value"
    @change="take"
  />
</template>
