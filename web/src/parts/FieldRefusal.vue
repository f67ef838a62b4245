<script setup lang="ts">
import { useElementVisibility, useRafFn } from '@vueuse/core'
import { ref } from 'vue'

/** What was wrong with what was typed, just under its field; not within it, where a list would cut it off. */
const props = defineProps<{ field: HTMLElement | null; sentence: string }>()
const place = ref({ top: '0px', right: '0px' })
const inSight = useElementVisibility(() => props.field, { initialValue: true })
const gapPx = 3

/** The field may move while this is read: it is scrolled, or something above it comes or goes. */
function follow() {
  const box = props.field?.getBoundingClientRect()
  if (box) place.value = { top: `${box.bottom + gapPx}px`, right: `${window.innerWidth - box.right}px` }
}

follow()
useRafFn(follow)
</script>

<template>
  <Teleport to="body">
    <span v-show="inSight" class="wrong" role="alert" :style="place">{{ sentence }}</span>
  </Teleport>
</template>

<style scoped>
.wrong {
  position: fixed;
  z-index: 2000;
  width: max-content;
  max-width: 220px;
  padding: 4px 8px;
  background: var(--hover);
  border: 1px solid var(--blocker);
  border-radius: 6px;
  color: var(--text);
  font: 400 12px/1.35 var(--sans);
  text-align: left;
  white-space: normal;
}
</style>
