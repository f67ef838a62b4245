<script setup lang="ts">
import { ref } from 'vue'
import type { Finding } from '@/api/types'
import { useFindings } from '@/state/findings'

/** Asks why findings are as they are meant to be, and accepts them. */
const props = defineProps<{ findings: Finding[] }>()
const emit = defineEmits<{ done: [] }>()
const all = useFindings()
const note = ref('')

async function accept() {
  if (note.value.trim() && (await all.accept(props.findings, note.value.trim()))) emit('done')
}
</script>

<template>
  <form class="why" @submit.prevent="accept">
    <input
      v-model="note"
      class="field"
      maxlength="4000"
      placeholder="Why it is meant so"
      aria-label="Why it is meant so"
      autofocus
      @keydown.stop
    />
    <button type="submit" class="plain" :disabled="note.trim() === ''">Accept</button>
  </form>
</template>

<style scoped>
.why {
  display: flex;
  gap: 6px;
}

.why .field {
  flex: 1;
}
</style>
