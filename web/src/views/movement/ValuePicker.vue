<script setup lang="ts">
import { computed, ref } from 'vue'
import { movableOn } from '@/state/movementCalls'
import type { MovableValue } from '@/api/types'
import Picker from '@/parts/Picker.vue'
import { useDocument } from '@/state/document'
import { useReading } from '@/state/useReading'

/** A channel, and then something on it that can be moved. */
const props = defineProps<{ channel?: string }>()
const emit = defineEmits<{ choose: [value: MovableValue] }>()
const document = useDocument()
const channel = ref<string | null>(props.channel ?? document.selectedId ?? null)
const { answer: values } = useReading({ channel: () => channel.value, ask: movableOn })
const channels = computed(() => document.ordered.map((r) => ({ value: r.channel.id, text: r.channel.name })))
const choices = computed(() => (values.value ?? []).map((v, i) => ({ value: String(i), text: v.name })))
</script>

<template>
  <div class="pick">
    <Picker
      label="Channel to move something on"
      :choices="channels"
      :value="channel"
      empty="a channel…"
      @choose="channel = $event"
    />
    <Picker
      v-if="channel"
      label="What to move"
      :choices="choices"
      :value="null"
      empty="what moves…"
      @choose="emit('choose', values![Number($event)]!)"
    />
  </div>
</template>

<style scoped>
.pick {
  display: flex;
  gap: 8px;
}

.pick > * {
  min-width: 150px;
}
</style>
