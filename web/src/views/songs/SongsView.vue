<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, asked, sentenceOf } from '@/api/client'
import type { Song } from '@/api/types'
import DamageNote from '@/parts/DamageNote.vue'
import PlaceHeader from '@/parts/PlaceHeader.vue'
import { secondsText } from '@/parts/decibels'
import RemovedNotice from '@/views/library/RemovedNotice.vue'
import { dayOf, recover, remove } from '@/views/library/keepingCalls'

const songs = ref<Song[]>()
const trouble = ref<string>()
const router = useRouter()
const removed = ref<{ kind: 'song'; id: string; name: string }>()

/** Does something and reads the list anew. */
async function attempt(work: () => Promise<unknown>) {
  trouble.value = undefined
  try {
    await work()
    songs.value = await asked(api.GET('/api/songs'))
  } catch (error) {
    trouble.value = sentenceOf(error)
  }
}

function takeAway(song: Song) {
  return attempt(async () => {
    await remove(song.id)
    removed.value = { kind: 'song', id: song.id, name: song.title }
  })
}

function rescue(song: Song) {
  return attempt(async () => router.push(`/songs/${(await recover(song.id)).id}`))
}

onMounted(() => attempt(async () => undefined))
</script>

<template>
  <PlaceHeader><h1>Songs</h1></PlaceHeader>
  <main class="songs">
    <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
    <RemovedNotice
      v-if="removed"
      :thing="removed"
      @back="attempt(async () => (removed = undefined))"
      @close="removed = undefined"
    />
    <table v-if="songs?.length">
      <thead>
        <tr>
          <th>Title</th>
          <th class="roomy">From</th>
          <th class="right">Tempo</th>
          <th class="roomy">Meter</th>
          <th class="roomy">Key</th>
          <th class="right roomy">Length</th>
          <th class="right roomy">Channels</th>
          <th class="right roomy">Started</th>
          <th><span class="unseen">Remove</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="song in songs" :key="song.id">
          <td class="serif">
            <RouterLink :to="`/songs/${song.id}`">{{ song.title }}</RouterLink>
            <DamageNote v-if="song.damage" :damage="song.damage" @recover="rescue(song)" />
          </td>
          <td class="quiet roomy">
            {{ song.templateName ?? 'a template that is gone' }}, revision {{ song.templateRevision }}
          </td>
          <td class="right">{{ song.tempoBpm }} BPM</td>
          <td class="roomy">{{ song.meter }}</td>
          <td class="roomy">{{ song.keyName ?? '—' }}</td>
          <td class="right roomy">{{ secondsText(song.seconds) }}</td>
          <td class="right roomy">{{ song.channels }}</td>
          <td class="right quiet roomy">{{ dayOf(song.startedUtc) }}</td>
          <td class="right">
            <button type="button" class="plain bare" :aria-label="`Remove ${song.title}`" @click="takeAway(song)">
              Remove
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <p v-else-if="songs" class="quiet">
      No song yet. <RouterLink to="/">Choose a template</RouterLink> and press “Start a song”: it takes a title, a tempo
      and a key.
    </p>
  </main>
</template>

<style scoped>
.songs {
  padding: 20px 26px;
  overflow: auto;
}
</style>

<style scoped src="../../look/table.css"></style>
