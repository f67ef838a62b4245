<script setup lang="ts">
import type { NoteInput } from '@/api/types'
import Icon from '@/parts/Icon.vue'
import ValueField from '@/parts/ValueField.vue'

/** Controllers that are shown on the channel and open to automation. */
defineProps<{ input: NoteInput }>()
const emit = defineEmits<{ change: [part: (now: NoteInput) => Partial<NoteInput>] }>()

function addController() {
  emit('change', ({ controllers }) => {
    const taken = new Set(controllers.map((c) => c.number))
    let number = 20
    while (taken.has(number)) number++
    return { controllers: [...controllers, { number, name: `Controller ${number}` }] }
  })
}

type Shown = NoteInput['controllers'][number]
function set(of: Shown, part: Partial<Shown>) {
  emit('change', (now) => ({
    controllers: now.controllers.map((c) => (c.number === of.number ? { ...c, ...part } : c)),
  }))
}

const text = (event: Event) => (event.target as HTMLInputElement).value.trim()
</script>

<template>
  <div class="list">
    <span v-for="(controller, i) in input.controllers" :key="i" class="line"
      ><ValueField
        label="Controller number"
        :value="controller.number"
        :min="0"
        :max="127"
        :step="1"
        @change="set(controller, { number: $event ?? 0 })" />
      <input
        class="field"
        maxlength="40"
        :aria-label="`Name of controller ${controller.number}`"
        :value="controller.name"
        @keydown.stop
        @change="set(controller, { name: text($event) })" /><button
        type="button"
        class="plain bare"
        :aria-label="`Forget controller ${controller.number}`"
        @click="
          emit('change', (now) => ({ controllers: now.controllers.filter((c) => c.number !== controller.number) }))
        "
      >
        <Icon name="close" :size="12" /></button
    ></span>
    <button type="button" class="plain bare start" @click="addController">show a controller</button>
  </div>
</template>

<style scoped src="./facts.css"></style>
<style scoped src="./played.css"></style>
