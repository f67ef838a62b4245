<script setup lang="ts">
import { ref, useTemplateRef } from 'vue'
import { sentenceOf, upload } from '@/api/client'
import type { Media } from '@/api/types'
import { useFindings } from '@/state/findings'
import { useShelf } from '@/state/shelf'

/** Brings a sound again that is missing or damaged: the same file makes it whole, another one is said to be another. */
const props = defineProps<{ sound: Media }>()
const findings = useFindings()
const shelf = useShelf()
const file = useTemplateRef('file')
const said = ref<string>()

async function bring(files: FileList | null) {
  const chosen = files?.[0]
  if (!chosen) return
  said.value = undefined
  try {
    const kept = await upload<Media>(`/api/media?title=${encodeURIComponent(props.sound.title)}`, chosen)
    shelf.add(kept)
    if (kept.content === props.sound.content) findings.lookAgain()
    else
      said.value = `${chosen.name} is another sound. It is on the shelf now, and ${props.sound.title} is still missing.`
  } catch (error) {
    said.value = sentenceOf(error)
  }
  file.value!.value = ''
}
</script>

<template>
  <button type="button" class="plain bring" @click="file?.click()">Bring {{ sound.title }} again</button>
  <input
    ref="file"
    type="file"
    accept=".wav,audio/wav,audio/x-wav"
    hidden
    :aria-label="`The file of ${sound.title}`"
    @change="bring(($event.target as HTMLInputElement).files)"
  />
  <p v-if="said" class="said" role="alert">{{ said }}</p>
</template>

<style scoped>
.bring {
  color: var(--lamp);
  border-color: color-mix(in srgb, var(--lamp) 45%, transparent);
}

.said {
  flex-basis: 100%;
  margin: 0;
  color: var(--blocker);
}
</style>
