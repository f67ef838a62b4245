<script setup lang="ts">
import { computed } from 'vue'
import type { NoteInput } from '@/api/types'
import Icon from '@/parts/Icon.vue'
import Picker from '@/parts/Picker.vue'
import { useDocument } from '@/state/document'

/** The instruments that are played along with this one. */
const props = defineProps<{ channel: string; input: NoteInput }>()
const emit = defineEmits<{ change: [part: (now: NoteInput) => Partial<NoteInput>] }>()
const document = useDocument()
const others = computed(() =>
  document.instruments
    .filter((r) => r.channel.id !== props.channel && !props.input.layers.includes(r.channel.id))
    .map((r) => ({ value: r.channel.id, text: r.channel.name })),
)
</script>

<template>
  <div class="list">
    <span v-for="id in input.layers" :key="id" class="line"
      >{{ document.rows.get(id)?.channel.name
      }}<button
        type="button"
        class="plain bare"
        :aria-label="`Take ${document.rows.get(id)?.channel.name} off`"
        @click="emit('change', ({ layers }) => ({ layers: layers.filter((l) => l !== id) }))"
      >
        <Icon name="close" :size="12" /></button
    ></span>
    <Picker
      label="Add a layer"
      :choices="others"
      :value="null"
      empty="add an instrument…"
      @choose="emit('change', ({ layers }) => ({ layers: [...layers, $event] }))"
    />
  </div>
</template>

<style scoped src="./facts.css"></style>
<style scoped src="./played.css"></style>
