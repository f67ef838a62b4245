<script setup lang="ts">
import Dialog from 'primevue/dialog'
import { ref, watch } from 'vue'
import { removeSound } from './keepingCalls'
import { api, asked, sentenceOf } from '@/api/client'
import type { Media } from '@/api/types'
import { lengthOf } from '@/state/sounds'

/** Every uploaded sound with who uses it; what nobody uses can be removed. */
const open = defineModel<boolean>('open', { required: true })
const sounds = ref<Media[]>()
const uses = ref<Record<string, number>>({})
const trouble = ref<string>()

async function attempt(work: () => Promise<unknown>) {
  trouble.value = undefined
  try {
    await work()
    uses.value = await asked(api.GET('/api/media/uses'))
    sounds.value = await asked(api.GET('/api/media'))
  } catch (error) {
    trouble.value = sentenceOf(error)
  }
}

function usedBy(sound: Media) {
  const count = uses.value[sound.content] ?? 0
  return count === 0 ? 'nothing' : count === 1 ? '1 document' : `${count} documents`
}

watch(open, (now) => now && attempt(async () => undefined))
</script>

<template>
  <Dialog v-model:visible="open" modal header="Sounds" :style="{ width: '640px' }" :draggable="false">
    <p class="quiet">
      What was uploaded or kept, each sound once. It stays as long as a template or song can go back to it.
    </p>
    <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
    <p v-if="sounds?.length === 0" class="quiet">No sound yet. Lay one on an audio channel, and it is kept here.</p>
    <table v-else-if="sounds">
      <thead>
        <tr>
          <th>Name</th>
          <th class="right">Length</th>
          <th class="right">Rate</th>
          <th>Sides</th>
          <th>Used by</th>
          <th><span class="unseen">Remove</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="sound in sounds" :key="sound.content">
          <td class="serif">{{ sound.title }}</td>
          <td class="right">{{ lengthOf(sound) }}</td>
          <td class="right">{{ sound.sampleRateHz / 1000 }} kHz</td>
          <td class="quiet">{{ sound.lanes === 1 ? 'mono' : 'stereo' }}</td>
          <td class="quiet">{{ usedBy(sound) }}</td>
          <td class="right">
            <button
              v-if="!uses[sound.content]"
              type="button"
              class="plain"
              :aria-label="`Remove ${sound.title}`"
              @click="attempt(() => removeSound(sound.content))"
            >
              Remove
            </button>
          </td>
        </tr>
      </tbody>
    </table>
  </Dialog>
</template>

<style scoped src="../../look/table.css"></style>
