<script setup lang="ts">
import { onMounted, ref, useTemplateRef } from 'vue'
import { useRouter } from 'vue-router'
import CameBackDialog from './CameBackDialog.vue'
import { bringFolder, type BroughtFolder } from './bringFolder'
import { keptWords } from './keptWords'
import { api, asked, sentenceOf, upload } from '@/api/client'
import type { BroughtIn, CameBack, Song } from '@/api/types'
import DamageNote from '@/parts/DamageNote.vue'
import PlaceHeader from '@/parts/PlaceHeader.vue'
import { secondsText } from '@/parts/decibels'
import { chosenFiles } from '@/files/droppedFiles'
import { bpmText } from '@/parts/tempoText'
import RemovedNotice from '@/views/library/RemovedNotice.vue'
import { useDocument } from '@/state/document'
import { useListening } from '@/state/listening'
import { dayOf, recover, remove } from '@/views/library/keepingCalls'

const songs = ref<Song[]>()
const document = useDocument()
const listening = useListening()
const trouble = ref<string>()
const file = useTemplateRef('file')
const folder = useTemplateRef('folder')
const taking = ref<string>()
const lacking = ref<BroughtFolder>()
const back = ref<CameBack & { file: File }>()
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

const isPlaying = (song: Song) => listening.playing && document.head?.id === song.id

/** Heard from the list: the listening bar below plays it, as it plays what is open. */
async function hear(song: Song) {
  const stops = isPlaying(song)
  if (listening.playing) await listening.play()
  if (stops) return
  await document.open('song', song.id)
  if (document.head?.id === song.id) await listening.play()
}

/** A project of a workstation becomes a song, whose page says what was left out; one of ours that comes back is known. */
function bring(chosen: File | undefined, anew = false) {
  if (!chosen) return
  return attempt(async () => {
    const name = encodeURIComponent(chosen.name.replace(/\.[^.]*$/, ''))
    const path = `/api/songs/from-project?name=${name}&anew=${anew}`
    const made = await upload<BroughtIn | CameBack>(path, chosen, 'application/zip')
    back.value = 'changes' in made ? { ...made, file: chosen } : undefined
    if ('id' in made) await router.push(`/songs/${made.id}`)
  }).finally(() => {
    if (file.value) file.value.value = ''
  })
}

/** A folder of a MIDI file and sounds becomes a song; what of it could not be taken is said on this page first. */
function bringAll(chosen: FileList | null) {
  if (!chosen?.length) return
  return attempt(async () => {
    const made = await bringFolder(chosenFiles(chosen), (words) => (taking.value = words))
    if (made.refused.length) lacking.value = made
    else await router.push(`/songs/${made.id}`)
  }).finally(() => {
    taking.value = undefined
    if (folder.value) folder.value.value = ''
  })
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
  <PlaceHeader>
    <h1>Songs</h1>
    <span class="gap" />
    <span v-if="taking" class="quiet" role="status">{{ taking }}</span>
    <button type="button" class="plain" :disabled="taking !== undefined" @click="folder?.click()">
      Bring a folder in
    </button>
    <button type="button" class="plain" @click="file?.click()">Bring a song in</button>
    <input
      ref="folder"
      type="file"
      webkitdirectory
      multiple
      hidden
      aria-label="A folder with a MIDI file and sounds"
      @change="bringAll(($event.target as HTMLInputElement).files)"
    />
    <input
      ref="file"
      type="file"
      accept=".dawproject,.zip"
      hidden
      aria-label="A DAWproject"
      @change="bring(($event.target as HTMLInputElement).files?.[0])"
    />
  </PlaceHeader>
  <main class="songs">
    <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
    <p v-if="lacking" class="lacking" role="status">
      It is here, without some of its files. {{ lacking.refused.join(' ') }}
      <RouterLink :to="`/songs/${lacking.id}`">Open it</RouterLink>
    </p>
    <RemovedNotice
      v-if="removed"
      :thing="removed"
      @back="attempt(async () => (removed = undefined))"
      @close="removed = undefined"
    />
    <table v-if="songs?.length">
      <thead>
        <tr>
          <th><span class="unseen">Hear it</span></th>
          <th>Title</th>
          <th class="roomy">From</th>
          <th class="roomy">Changed since</th>
          <th class="roomy">Kept in it</th>
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
          <td class="hear">
            <button
              v-if="!song.damage"
              type="button"
              class="plain bare"
              :aria-label="isPlaying(song) ? `Stop ${song.title}` : `Play ${song.title}`"
              @click="hear(song)"
            >
              {{ isPlaying(song) ? 'stop' : 'play' }}
            </button>
          </td>
          <td class="serif">
            <RouterLink :to="`/songs/${song.id}`">{{ song.title }}</RouterLink>
            <DamageNote v-if="song.damage" :damage="song.damage" @recover="rescue(song)" />
          </td>
          <td class="quiet roomy">
            <template v-if="song.templateId"
              >{{ song.templateName ?? 'a template that is gone' }}, revision {{ song.templateRevision }}</template
            ><template v-else>elsewhere</template>
          </td>
          <td class="roomy" :title="song.changeWords.join('\n')">
            <template v-if="song.changes === null">—</template>
            <template v-else-if="song.changes === 0">nothing</template>
            <template v-else
              >{{ song.changes }} {{ song.changes === 1 ? 'thing' : 'things' }}
              <small class="faint">{{ song.changeWords[0] }}</small></template
            >
          </td>
          <td class="roomy" :title="song.kept.map((k) => `${k.channel}: ${k.name}`).join('\n')">
            {{ keptWords(song.kept) || '—' }}
          </td>
          <td class="right">{{ bpmText(song.tempoBpm) }} BPM</td>
          <td class="roomy">{{ song.meter }}</td>
          <td class="roomy key">{{ song.keyName ?? '—' }}</td>
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
  <CameBackDialog
    v-if="back"
    :back="back"
    @done="(song) => router.push(`/songs/${song}`)"
    @anew="bring(back.file, true)"
    @leave="back = undefined"
  />
</template>

<style scoped>
.gap {
  flex: 1;
}

.songs {
  padding: 20px 26px;
  overflow: auto;
}

.hear {
  width: 1%;
}

small {
  display: block;
  max-width: 240px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  font-size: 11px;
}

.key {
  white-space: nowrap;
}
</style>

<style scoped src="../../look/table.css"></style>
