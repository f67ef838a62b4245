<script setup lang="ts">
import type { NoteInput } from '@/api/types'
import Icon from '@/parts/Icon.vue'
import ValueField from '@/parts/ValueField.vue'

/** Controllers that are shown on the channel and open to automation. */
const props = defineProps<{ input: NoteInput }>()
const emit = defineEmits<{ change: [part: Partial<NoteInput>] }>()

function addController() {
  const taken = new Set(props.input.controllers.map((c) => c.number))
  let number = 20
  while (taken.has(number)) number++
  emit('change', { controllers: [...props.input.controllers, { number, name: `Controller ${number}` }] })
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
        @change="emit('change', { controllers: input.controllers.with(i, { ...controller, number: $event ?? 0 }) })" />
      <input
        class="field"
        maxlength="40"
        :aria-label="`Name of controller ${controller.number}`"
        :value="controller.name"
        @keydown.stop
        @change="
          emit('change', { controllers: input.controllers.with(i, { ...controller, name: text($event) }) })
        " /><button
        type="button"
        class="plain bare"
        :aria-label="`Forget controller ${controller.number}`"
        @click="emit('change', { controllers: input.controllers.filter((_, n) => n !== i) })"
      >
        <Icon name="close" :size="12" /></button
    ></span>
    <button type="button" class="plain bare start" @click="addController">show a controller</button>
  </div>
</template>

<style scoped src="./facts.css"></style>
<style scoped src="./played.css"></style>
