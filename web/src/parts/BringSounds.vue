<script setup lang="ts">
import { computed, ref, useTemplateRef } from 'vue'
import { sentenceOf } from '@/api/client'
import type { Media } from '@/api/types'
import { sendSound, soundsAccepted } from '@/files/soundFiles'
import { useFindings } from '@/state/findings'
import { useSounds } from '@/state/sounds'

/** Brings sounds again that are missing or damaged: the same files make them whole, others are said to be others. */
const props = defineProps<{ sounds: Media[] }>()
const findings = useFindings()
const shelf = useSounds()
const file = useTemplateRef('file')
const said = ref<string>()
const one = computed(() => (props.sounds.length === 1 ? props.sounds[0] : undefined))
const titleOf = (name: string) => one.value?.title ?? name.replace(/\.[^.]*$/, '')

async function bring(files: FileList | null) {
  const others: string[] = []
  said.value = undefined
  try {
    for (const chosen of files ?? []) {
      const kept = await sendSound<Media>(`/api/media?title=${encodeURIComponent(titleOf(chosen.name))}`, chosen)
      shelf.add(kept)
      if (!props.sounds.some((s) => s.content === kept.content)) others.push(chosen.name)
    }
    if (others.length)
      said.value = `${others.join(', ')}: on the shelf now, but ${others.length === 1 ? 'another sound' : 'other sounds'} than what is missing.`
  } catch (error) {
    said.value = sentenceOf(error)
  }
  findings.lookAgain()
  if (file.value) file.value.value = ''
}
</script>

<template>
  <button type="button" class="plain bring" @click="file?.click()">
    {{ one ? `Bring ${one.title} again` : 'Bring the files again' }}
  </button>
  <input
    ref="file"
    type="file"
    multiple
    :accept="soundsAccepted"
    hidden
    :aria-label="one ? `The file of ${one.title}` : 'The files of the missing sounds'"
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
