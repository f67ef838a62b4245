<script setup lang="ts">
import { useElementVisibility } from '@vueuse/core'
import { computed, ref, useTemplateRef, watch } from 'vue'
import { api, asked } from '@/api/client'
import type { Schemas } from '@/api/types'
import { useStudio } from '@/state/studio'

/** How a template meets the studio that is on: asked for once the bill is in sight. */
const props = defineProps<{ template: string; changed: string }>()
const studio = useStudio()
const mark = useTemplateRef('mark')
const inSight = useElementVisibility(mark)
const fit = ref<Schemas['ShortFitView']>()

const words = computed(() => {
  const { studio: name, notHere } = fit.value ?? {}
  if (!name || !notHere) return ''
  if (notHere.length === 0) return `fits ${name}`
  return `${notHere.length} ${notHere.length === 1 ? 'thing is' : 'things are'} not in ${name}`
})
const opens = computed(() => {
  const { loadSeconds = 0, memoryMegabytes = 0 } = fit.value ?? {}
  const parts = [
    loadSeconds > 0 ? `loads in ${loadSeconds.toFixed(loadSeconds < 10 ? 1 : 0)} s` : '',
    memoryMegabytes > 0 ? `${Math.round(memoryMegabytes)} MB` : '',
  ]
  return parts.filter(Boolean).join(', ')
})

watch(
  [inSight, () => studio.on?.id, () => props.changed],
  async ([visible, on], before) => {
    if (on !== before[1]) fit.value = undefined
    if (!visible || !on) return
    const found = await asked(
      api.GET('/api/documents/{id}/studio/short', { params: { path: { id: props.template } } }),
    ).catch(() => undefined)
    if (studio.on?.id === on) fit.value = found
  },
  { immediate: true },
)
</script>

<template>
  <span ref="mark" :class="{ lacks: fit && fit.notHere.length > 0 }" :title="fit?.notHere.join(', ')">{{ words }}</span>
  <span v-if="opens" title="Of its devices, in the act that takes the most">{{ opens }}</span>
</template>

<style scoped>
.lacks {
  color: var(--plum);
}
</style>
