<script setup lang="ts">
import { computed } from 'vue'
import { numberText } from '@/parts/decibels'
import { useListening } from '@/state/listening'

/** What the channel gave in the last render. */
const props = defineProps<{ channel: string }>()
const listening = useListening()
const read = computed(() => listening.meters?.channels.find((c) => c.channel === props.channel))
const said = computed(() => {
  const r = read.value
  if (!r) return undefined
  if (r.peakDbfs == null || r.rmsDbfs == null) return 'It was silent in the last render.'
  const alike = r.correlation == null ? '' : ` · sides alike ${numberText(r.correlation, 2)}`
  return `Peak ${numberText(r.peakDbfs, 1)} dBFS · RMS ${numberText(r.rmsDbfs, 1)} dBFS · crest ${numberText(r.crestDb ?? 0, 1)} dB${alike}`
})
</script>

<template>
  <p v-if="said" class="quiet" :class="{ old: !listening.isCurrent }">{{ said }}</p>
</template>

<style scoped>
p {
  margin: 4px 0 0;
  font-size: 12px;
}

.old {
  opacity: 0.7;
}
</style>
