<script setup lang="ts">
import { computed } from 'vue'
import type { Insert, ListeningPoint } from '@/api/types'
import { useCatalogue } from '@/state/catalogue'
import { useListening } from '@/state/listening'

/** Listens before an insert, after it, to what it takes off alone, or to what its detector goes by. */
const props = defineProps<{ channel: string; insert: Insert }>()
const listening = useListening()
const catalogue = useCatalogue()
const plain: { point: ListeningPoint; text: string }[] = [
  { point: 'before-insert', text: 'Before it' },
  { point: 'after-insert', text: 'After it' },
  { point: 'taken-off', text: 'Only what it takes off' },
]
const points = computed(() =>
  catalogue.processors.get(props.insert.processor)?.hasKey
    ? [...plain, { point: 'detector' as const, text: 'What its detector hears' }]
    : plain,
)
const heard = computed(() =>
  listening.point === props.channel && listening.insert === props.insert.id ? listening.where : undefined,
)

async function hear(point: ListeningPoint) {
  const back = heard.value === point
  listening.listenTo(props.channel, back ? 'after-fader' : point, back ? null : props.insert.id)
  if (!listening.playing) await listening.play()
}
</script>

<template>
  <div class="hear">
    <button
      v-for="p in points"
      :key="p.point"
      type="button"
      class="plain"
      :class="{ on: heard === p.point }"
      :aria-pressed="heard === p.point"
      @click="hear(p.point)"
    >
      {{ p.text }}
    </button>
  </div>
</template>

<style scoped>
.hear {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
</style>
