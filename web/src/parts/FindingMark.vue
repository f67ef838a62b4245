<script setup lang="ts">
import type { Severity } from '@/api/types'

/** Findings are told apart by shape: a blocker filled, a warning open, a hint a dot. */
defineProps<{ severity: Severity }>()
</script>

<template>
  <svg class="sign" :class="severity" width="13" height="13" viewBox="0 0 15 15" aria-hidden="true">
    <circle v-if="severity === 'hint'" cx="7.5" cy="8" r="2.6" fill="currentColor" />
    <path
      v-else
      d="M7.5 2l6 11h-12z"
      :fill="severity === 'blocker' ? 'currentColor' : 'none'"
      stroke="currentColor"
      stroke-width="1.5"
      stroke-linejoin="round"
    />
  </svg>
</template>

<style scoped>
.sign {
  flex: none;
  color: var(--blocker);
}

.hint {
  color: var(--text-2);
}
</style>
