<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import Select from 'primevue/select'
import { nextTick, ref, watch } from 'vue'
import { goHome } from './home'

/** One of a list; a long one has a field to find it by. */
const props = defineProps<{
  label: string
  choices: readonly { value: string; text: string }[]
  /** What is chosen, or null for nothing yet. */
  value: string | null
  /** What stands there while nothing is chosen. */
  empty?: string
}>()
const emit = defineEmits<{ choose: [value: string] }>()
const many = 8
const picker = ref<(InstanceType<typeof Select> & Overlay) | null>(null)
const isOpen = ref(false)

/** Of the list that the package's types leave out. */
interface Overlay {
  $el: HTMLElement
  alignOverlay(): void
  unbindScrollListener(): void
}

let chose = false

/** What stands there is what is stored: a choice that is refused, or that only adds something, goes back at once. */
const shown = ref(props.value)
watch(
  () => props.value,
  (value) => (shown.value = value),
)

async function choose(value: string) {
  chose = true
  shown.value = value
  emit('choose', value)
  await nextTick()
  shown.value = props.value
}

/** An answer that comes meanwhile can move the field: its list stays open and goes along. */
function opened() {
  isOpen.value = true
  picker.value?.unbindScrollListener()
}
useEventListener(document, 'scroll', () => isOpen.value && picker.value?.alignOverlay(), {
  capture: true,
  passive: true,
})

/** Whoever chose is done with the list; in a dialog the next field comes by Tab. The list takes the focus once more as it goes. */
function done() {
  isOpen.value = false
  if (chose && !picker.value?.$el.closest('[role=dialog]')) setTimeout(goHome)
  chose = false
}
</script>

<template>
  <Select
    ref="picker"
    class="field picker"
    :model-value="shown"
    :options="[...choices]"
    option-label="text"
    option-value="value"
    :filter="choices.length > many"
    auto-filter-focus
    reset-filter-on-hide
    filter-placeholder="Find by name"
    empty-filter-message="None is called that."
    empty-message="There is none."
    :aria-label="label"
    :placeholder="empty"
    @update:model-value="choose"
    @show="opened"
    @hide="done"
  />
</template>
