<script setup lang="ts">
import type { NoteInput } from '@/api/types'
import Icon from '@/parts/Icon.vue'
import ValueField from '@/parts/ValueField.vue'

/** Which note a pad plays, where it is not the one that it sends. */
const props = defineProps<{ input: NoteInput }>()
const emit = defineEmits<{ change: [part: Partial<NoteInput>] }>()

function addPad() {
  const taken = new Set(props.input.padMap.map((p) => p.pad))
  let pad = 36
  while (taken.has(pad)) pad++
  emit('change', { padMap: [...props.input.padMap, { pad, note: pad }] })
}
</script>

<template>
  <div class="list">
    <span v-for="(pad, i) in input.padMap" :key="i" class="line"
      >pad
      <ValueField
        label="Note that the pad sends"
        :value="pad.pad"
        :min="0"
        :max="127"
        :step="1"
        @change="emit('change', { padMap: input.padMap.with(i, { ...pad, pad: $event ?? 0 }) })" />
      plays note
      <ValueField
        label="Note that it plays"
        :value="pad.note"
        :min="0"
        :max="127"
        :step="1"
        @change="emit('change', { padMap: input.padMap.with(i, { ...pad, note: $event ?? 0 }) })" /><button
        type="button"
        class="plain bare"
        :aria-label="`Forget pad ${pad.pad}`"
        @click="emit('change', { padMap: input.padMap.filter((_, n) => n !== i) })"
      >
        <Icon name="close" :size="12" /></button
    ></span>
    <button type="button" class="plain bare start" @click="addPad">map a pad</button>
  </div>
</template>

<style scoped src="./facts.css"></style>
<style scoped src="./played.css"></style>
