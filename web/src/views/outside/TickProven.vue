<script setup lang="ts">
import { computed, ref, toRef, watch } from 'vue'
import { useTicks } from '../callsheet/useTicks'
import { workLines } from '../callsheet/workLines'
import { api, asked, sentenceOf } from '@/api/client'

/** Lines of the call sheet that the test has shown to be done, and those that it has shown not to be any more. */
const props = defineProps<{
  document: string
  /** By their place in the call sheet's handwork. */
  done: number[]
  /** How many lines of handwork there are. */
  work: number
}>()
const { ticked, tick } = useTicks(toRef(props, 'document'))
const lines = ref<ReturnType<typeof workLines>>([])
const trouble = ref<string>()
const proven = computed(() => props.done.map((n) => lines.value[n]).filter((line) => line !== undefined))
const left = computed(() => proven.value.filter((line) => !ticked.value.has(line.id)))

watch(
  () => [props.document, props.work] as const,
  async ([id]) => {
    try {
      lines.value = workLines(
        (await asked(api.GET('/api/documents/{id}/call-sheet', { params: { path: { id } } }))).handwork,
      )
    } catch (error) {
      trouble.value = sentenceOf(error)
    }
  },
  { immediate: true },
)
</script>

<template>
  <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
  <p class="quiet">
    {{ proven.length }} of {{ work }} lines by hand {{ proven.length === 1 ? 'is' : 'are' }} shown to be done<template
      v-if="proven.length && left.length === 0"
      >, all ticked on the call sheet</template
    >.
  </p>
  <button
    v-if="left.length"
    type="button"
    class="plain"
    @click="
      tick(
        left.map((line) => line.id),
        true,
      )
    "
  >
    Tick {{ left.length }} {{ left.length === 1 ? 'line' : 'lines' }} on the call sheet
  </button>
  <ul v-if="proven.length">
    <li v-for="line in proven" :key="line.id" :class="{ done: ticked.has(line.id) }">{{ line.words }}</li>
  </ul>
</template>

<style scoped>
p {
  margin: 0 0 8px;
}

ul {
  margin: 8px 0 0;
  padding-left: 18px;
}

.done {
  color: var(--text-3);
}

.trouble {
  color: var(--blocker);
}
</style>
