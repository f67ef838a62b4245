<script setup lang="ts">
import type { NoteInput } from '@/api/types'
import Icon from '@/parts/Icon.vue'
import ValueField from '@/parts/ValueField.vue'

/** Which note a pad plays, where it is not the one that it sends. */
defineProps<{ input: NoteInput }>()
const emit = defineEmits<{ change: [part: (now: NoteInput) => Partial<NoteInput>] }>()

function addPad() {
  emit('change', ({ padMap }) => {
    const taken = new Set(padMap.map((p) => p.pad))
    let pad = 36
    while (taken.has(pad)) pad++
    return { padMap: [...padMap, { pad, note: pad }] }
  })
}

type PadNote = NoteInput['padMap'][number]
function set(of: PadNote, part: Partial<PadNote>) {
  emit('change', ({ padMap }) => ({ padMap: padMap.map((p) => (p.pad === of.pad ? { ...p, ...part } : p)) }))
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
        @change="set(pad, { pad: $event ?? 0 })" />
      plays note
      <ValueField
        label="Note that it plays"
        :value="pad.note"
        :min="0"
        :max="127"
        :step="1"
        @change="set(pad, { note: $event ?? 0 })" /><button
        type="button"
        class="plain bare"
        :aria-label="`Forget pad ${pad.pad}`"
        @click="emit('change', ({ padMap }) => ({ padMap: padMap.filter((p) => p.pad !== pad.pad) }))"
      >
        <Icon name="close" :size="12" /></button
    ></span>
    <button type="button" class="plain bare start" @click="addPad">map a pad</button>
  </div>
</template>

<style scoped src="./facts.css"></style>
<style scoped src="./played.css"></style>
