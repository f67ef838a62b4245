<script setup lang="ts">
import { computed } from 'vue'
import SpectrumLine from '@/parts/SpectrumLine.vue'
import { numberText } from '@/parts/decibels'
import { useListening } from '@/state/listening'
import { useSilence } from '@/state/useSilence'

/** What the channel gave in the last render. */
const props = defineProps<{ channel: string }>()
const listening = useListening()
const read = computed(() => listening.meters?.channels.find((c) => c.channel === props.channel))
const isSilent = computed(() => read.value !== undefined && read.value.peakDbfs == null)
const reasons = useSilence(() => (isSilent.value ? props.channel : undefined))
const said = computed(() => {
  const r = read.value
  if (!r) return undefined
  if (isSilent.value || r.peakDbfs == null || r.rmsDbfs == null)
    return ['It was silent in the last render.', ...reasons.value].join(' ')
  const alike = r.correlation == null ? '' : ` · sides alike ${numberText(r.correlation, 2)}`
  return `Peak ${numberText(r.peakDbfs, 1)} dBFS · RMS ${numberText(r.rmsDbfs, 1)} dBFS · crest ${numberText(r.crestDb ?? 0, 1)} dB${alike}`
})

const full = computed(() => {
  const f = read.value?.full
  if (!f) return undefined
  const text = (value: number | null | undefined, unit: string) =>
    value == null ? '—' : `${numberText(value, 1)} ${unit}`
  return `${text(f.loudnessLufs, 'LUFS')} · range ${text(f.rangeLu, 'LU')} · momentary up to ${text(f.loudestMomentaryLufs, 'LUFS')} · short-term up to ${text(f.loudestShortTermLufs, 'LUFS')} · true peak ${text(f.truePeakDbtp, 'dBTP')}`
})
</script>

<template>
  <div v-if="said" class="quiet" :class="{ old: !listening.isCurrent }">
    <p>{{ said }}</p>
    <template v-if="full">
      <p>{{ full }}</p>
      <SpectrumLine :levels="read?.full?.thirdOctavesDb" />
    </template>
    <label class="ask"><input v-model="listening.inFull" type="checkbox" /> all meters on every channel</label>
  </div>
</template>

<style scoped>
p {
  margin: 4px 0 0;
  font-size: 12px;
}

.ask {
  display: flex;
  align-items: center;
  gap: 5px;
  font-size: 12px;
}

.old {
  opacity: 0.7;
}
</style>
