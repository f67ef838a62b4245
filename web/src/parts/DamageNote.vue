<script setup lang="ts">
import FindingMark from './FindingMark.vue'
import type { Damage } from '@/api/types'

/** Says that a document is damaged on the disk, and offers what can be recovered. */
defineProps<{ damage: Damage }>()
defineEmits<{ recover: [] }>()
</script>

<template>
  <div class="damage">
    <p><FindingMark severity="blocker" />{{ damage.sentence }}</p>
    <button v-if="damage.lastWhole !== null" type="button" class="plain" @click="$emit('recover')">
      Recover revision {{ damage.lastWhole }} as a new one
    </button>
  </div>
</template>

<style scoped>
.damage {
  margin: 6px 0 12px;
  padding: 8px 12px;
  background: var(--raised);
  border-radius: 8px;
  font: 400 13px/1.4 var(--sans);
}

p {
  display: flex;
  gap: 7px;
  align-items: baseline;
  margin: 0 0 6px;
}
</style>
