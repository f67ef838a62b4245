<script setup lang="ts">
import type { Send } from '@/api/types'
import { levelText } from '@/parts/decibels'

/** One send in the table: its level, where it is taken, whether it is closed. */
defineProps<{ send?: Send; may: boolean }>()
</script>

<template>
  <template v-if="send">
    <small v-if="send.tap === 'pre'">pre</small>
    <span :class="{ closed: !send.open }">{{ levelText(send.level) }}</span>
  </template>
  <span v-else-if="may" class="none" aria-hidden="true">·</span>
</template>

<style scoped>
small {
  color: var(--text-3);
  margin-right: 6px;
}

.closed {
  color: var(--text-3);
  text-decoration: line-through;
  text-decoration-color: var(--plum);
}

.none {
  color: var(--guide);
}
</style>
