<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import PackageBox from './PackageBox.vue'
import { keptWords } from './keptWords'
import { api, asked, sentenceOf } from '@/api/client'
import type { Song } from '@/api/types'
import AboutDialog from '@/views/order/AboutDialog.vue'
import PlaceHeader from '@/parts/PlaceHeader.vue'
import { secondsText } from '@/parts/decibels'
import { bpmText } from '@/parts/tempoText'
import { useDocument } from '@/state/document'

/** How many starters are named. */
const mostKept = 8
const props = defineProps<{ id: string }>()
const document = useDocument()
const router = useRouter()
const song = ref<Song>()
const trouble = ref<string>()
const describing = ref(false)
const note = computed(() => (document.head?.id === props.id ? document.head.note : ''))
const sections = computed(() => (document.head?.id === props.id ? document.head.timeline.sections : []))

/** A template that begins as the song is now; the song itself is not touched. */
async function keepAsTemplate() {
  if (!song.value) return
  try {
    const ask = { params: { path: { id: props.id } }, body: { name: song.value.title } }
    const made = await asked(api.POST('/api/documents/{id}/copy', ask))
    await router.push(`/templates/${made.id}`)
  } catch (error) {
    trouble.value = sentenceOf(error)
  }
}

onMounted(async () => {
  try {
    song.value = await asked(api.GET('/api/songs/{id}/about', { params: { path: { id: props.id } } }))
    await document.open('song', props.id)
  } catch (error) {
    trouble.value = sentenceOf(error)
  }
})
</script>

<template>
  <PlaceHeader>
    <h1>{{ song?.title ?? 'Song' }}</h1>
    <span class="gap" />
    <button v-if="song" type="button" class="plain" title="A template with all that is in it" @click="keepAsTemplate">
      Copy as a template
    </button>
    <RouterLink v-if="song" class="plain link" :to="`/songs/${id}/strike`">Strike to a template</RouterLink>
    <RouterLink v-if="song" class="plain link" :to="`/songs/${id}/refit`">Refit</RouterLink>
    <RouterLink v-if="song" class="plain link" :to="`/songs/${id}/call-sheet`">Call sheet</RouterLink>
    <RouterLink v-if="song" class="plain link" :to="`/songs/${id}/order`">Open its running order</RouterLink>
  </PlaceHeader>
  <main class="song">
    <p v-if="trouble" class="trouble" role="alert">{{ trouble }} <RouterLink to="/songs">All songs</RouterLink></p>
    <div v-if="song" class="sheet">
      <dl>
        <dt>Started from</dt>
        <dd>
          <RouterLink v-if="song.templateName" :to="`/templates/${song.templateId}`">{{
            song.templateName
          }}</RouterLink>
          <template v-else-if="song.templateId">a template that is gone</template>
          <template v-if="song.templateId">, as it was at revision {{ song.templateRevision }}</template>
          <template v-else>no template here: it was made elsewhere</template>
        </dd>
        <template v-if="song.leftOut">
          <dt>Not brought in</dt>
          <dd>
            <ul class="changes">
              <li v-for="words in song.leftOut.slice(0, mostKept)" :key="words" class="quiet">{{ words }}</li>
              <li v-if="song.leftOut.length > mostKept" class="faint">and {{ song.leftOut.length - mostKept }} more</li>
            </ul>
          </dd>
        </template>
        <dt v-if="song.templateId">Changed since</dt>
        <dd v-if="song.templateId">
          <template v-if="song.changes === null">that template cannot be read any more</template>
          <template v-else-if="song.changes === 0">nothing</template>
          <template v-else>
            {{ song.changes }} {{ song.changes === 1 ? 'thing' : 'things' }}
            <ul class="changes">
              <li v-for="words in song.changeWords" :key="words" class="quiet">{{ words }}</li>
              <li v-if="song.changes > song.changeWords.length" class="faint">
                and {{ song.changes - song.changeWords.length }} more
              </li>
            </ul>
          </template>
        </dd>
        <dt v-if="song.templateId">Kept in it</dt>
        <dd v-if="song.templateId">
          <template v-if="song.kept.length === 0">nothing yet</template>
          <template v-else>
            {{ keptWords(song.kept) }}
            <ul class="changes">
              <li v-for="k in song.kept.slice(0, mostKept)" :key="`${k.channel}/${k.kind}/${k.name}`" class="quiet">
                {{ k.channel }}: {{ k.name }}
              </li>
              <li v-if="song.kept.length > mostKept" class="faint">and {{ song.kept.length - mostKept }} more</li>
            </ul>
          </template>
        </dd>
        <dt>Tempo</dt>
        <dd>{{ bpmText(song.tempoBpm) }} quarter notes a minute, {{ song.meter }}</dd>
        <dt>Key</dt>
        <dd :class="{ waits: !song.keyName }">{{ song.keyName ?? 'waits' }}</dd>
        <dt>Length</dt>
        <dd>{{ secondsText(song.seconds) }}</dd>
        <dt>Sections</dt>
        <dd class="sections">
          <span v-for="section in sections" :key="section.id" class="section"
            >{{ section.name }} <span class="faint">{{ section.bars }}</span></span
          >
          <span class="faint">bars</span>
        </dd>
        <dt>Channels</dt>
        <dd>{{ song.channels }}</dd>
        <dt>Prompt note</dt>
        <dd class="note">
          <template v-if="note">{{ note }}</template>
          <button type="button" class="plain bare" @click="describing = true">
            {{ note ? 'Change it' : 'Write one' }}
          </button>
        </dd>
      </dl>
      <PackageBox :song="id" />
    </div>
  </main>
  <AboutDialog v-model:open="describing" />
</template>

<style scoped>
.gap {
  flex: 1;
}

.changes {
  margin: 0;
  padding-left: 16px;
}

.link {
  text-decoration: none;
}

.song {
  padding: 24px 26px;
  overflow: auto;
}

.sheet {
  display: grid;
  grid-template-columns: minmax(260px, 1fr) minmax(0, 2fr);
  gap: 32px;
  align-items: start;
}

@media (max-width: 900px) {
  .sheet {
    grid-template-columns: minmax(0, 1fr);
  }
}

dl {
  display: grid;
  grid-template-columns: 110px 1fr;
  align-items: baseline;
  gap: 7px 12px;
  margin: 0 0 22px;
  color: var(--text-2);
}

dd {
  margin: 0;
  color: var(--text);
}

.note {
  white-space: pre-line;
}

.sections {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 12px;
}

.waits {
  color: var(--plum);
}

.trouble {
  color: var(--blocker);
}
</style>
