<script setup lang="ts">
import Dialog from 'primevue/dialog'
import { ref, watch } from 'vue'
import { bringBack, dayOf } from './keepingCalls'
import { api, asked, sentenceOf } from '@/api/client'
import type { RemovedThing } from '@/api/types'

/** What was removed, and the way back. */
const open = defineModel<boolean>('open', { required: true })
const emit = defineEmits<{ back: [] }>()
const things = ref<RemovedThing[]>()
const trouble = ref<string>()
const words = {
  template: 'Template',
  song: 'Song',
  sound: 'Sound',
  'revision-name': 'Name of a revision',
  'shelf-item': 'Shelf',
}

async function attempt(work: () => Promise<unknown>) {
  trouble.value = undefined
  try {
    await work()
    things.value = await asked(api.GET('/api/removed'))
  } catch (error) {
    trouble.value = sentenceOf(error)
  }
}

function back(thing: RemovedThing) {
  return attempt(async () => {
    await bringBack(thing)
    emit('back')
  })
}

watch(open, (now) => now && attempt(async () => undefined))
</script>

<template>
  <Dialog v-model:visible="open" modal header="Removed" :style="{ width: '640px' }" :draggable="false">
    <p class="quiet">What is removed can come back for thirty days, with its whole history.</p>
    <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
    <p v-if="things?.length === 0" class="quiet">Nothing was removed in the last thirty days.</p>
    <table v-else-if="things">
      <thead>
        <tr>
          <th>Name</th>
          <th>What</th>
          <th class="right">Removed</th>
          <th class="right">Gone for good</th>
          <th><span class="unseen">Way back</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="thing in things" :key="thing.kind + thing.id">
          <td class="serif">{{ thing.name }}</td>
          <td class="quiet">{{ words[thing.kind] }}</td>
          <td class="right quiet">{{ dayOf(thing.removedUtc) }}</td>
          <td class="right quiet">{{ dayOf(thing.endsUtc) }}</td>
          <td class="right">
            <button type="button" class="plain" :aria-label="`Bring back ${thing.name}`" @click="back(thing)">
              Bring back
            </button>
          </td>
        </tr>
      </tbody>
    </table>
  </Dialog>
</template>

<style scoped src="../../look/table.css"></style>
