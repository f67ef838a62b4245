<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, asked } from '@/api/client'
import ValueField from '@/parts/ValueField.vue'
import { numberText } from '@/parts/decibels'
import { useDocument } from '@/state/document'
import { useReading } from '@/state/useReading'

/** Where a sum's level will come to lie, before anything is rendered. */
const props = defineProps<{ channel: string }>()
const document = useDocument()
const target = ref(-18)
const { answer: budget } = useReading({
  also: () => [document.act, target.value],
  ask: (id) => {
    const ask = { params: { path: { id }, query: { act: document.act, target: target.value } } }
    return asked(api.GET('/api/documents/{id}/levels', ask))
  },
})

const level = computed(() => budget.value?.levels.find((l) => l.channel === props.channel))
const gain = computed(() => budget.value?.gainDb[props.channel])
const nameOf = (id: unknown) => document.rows.get(id as string)?.channel.name ?? 'a channel'
const doubled = computed(() => budget.value?.doubled.filter((d) => d.sum === props.channel) ?? [])
const signed = (db: number) => (db > 0 ? '+' : '') + numberText(db, 1)
</script>

<template>
  <section v-if="level">
    <h3>Expected level<span class="about">a prediction, without rendering</span></h3>
    <p v-if="level.expectedLufs == null" class="faint">Nothing that plays leads here.</p>
    <template v-else>
      <p>
        {{ numberText(level.expectedLufs, 1) }} LUFS; at worst {{ numberText(level.worstLufs ?? 0, 1) }}, if all that
        meets here were alike
      </p>
      <p v-if="gain !== undefined" class="line">
        {{ signed(gain) }} dB would bring it to
        <ValueField
          label="Target"
          unit="LUFS"
          :value="target"
          :min="-60"
          :max="0"
          :step="1"
          @change="target = $event ?? -18"
        />
      </p>
      <p v-for="d in doubled" :key="`${d.source}`">
        {{ nameOf(d.source) }} comes here by two ways:
        {{ d.addsDb == null ? 'they cancel each other' : `${signed(d.addsDb)} dB by the second` }}
      </p>
    </template>
  </section>
</template>

<style scoped>
p {
  margin: 2px 0 0;
  font-size: 13px;
}

.about {
  margin-left: 8px;
  font: 400 12px var(--sans);
  color: var(--text-3);
}

.line {
  display: flex;
  align-items: center;
  gap: 5px;
}
</style>
