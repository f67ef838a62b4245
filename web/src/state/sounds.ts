import { defineStore } from 'pinia'
import { ref } from 'vue'
import { api, asked } from '@/api/client'
import type { Media } from '@/api/types'

/** The sounds that were uploaded or kept, the latest first. */
export const useSounds = defineStore('sounds', () => {
  const sounds = ref<Media[]>([])

  async function look() {
    sounds.value = await asked(api.GET('/api/media')).catch(() => sounds.value)
  }

  function add(sound: Media) {
    if (!sounds.value.some((m) => m.content === sound.content)) sounds.value = [sound, ...sounds.value]
  }

  return { sounds, look, add }
})

export const lengthOf = (sound: Media) => `${(Number(sound.frames) / sound.sampleRateHz).toFixed(1)} s`
