<script setup lang="ts">
import { useInfiniteScroll } from '@vueuse/core'
import { computed, nextTick, onMounted, ref, useTemplateRef, watch } from 'vue'
import BroughtInNote from './BroughtInNote.vue'
import RemovedDialog from './RemovedDialog.vue'
import RemovedNotice from './RemovedNotice.vue'
import SoundsDialog from './SoundsDialog.vue'
import TemplateBill from './TemplateBill.vue'
import { useLibrary } from './useLibrary'
import type { Summary } from '@/api/types'
import PlaceHeader from '@/parts/PlaceHeader.vue'
import StartSongDialog from '@/parts/start/StartSongDialog.vue'

const library = useLibrary()
const { templates, songs, search, category, categories, found, opensByDefault, trouble, removed, broughtIn } = library
const starting = ref(false)
const from = ref<Summary>()
const showsRemoved = ref(false)
const showsSounds = ref(false)
const file = useTemplateRef('file')
const loud = useTemplateRef<HTMLButtonElement>('loud')
const scrolled = useTemplateRef<HTMLElement>('scrolled')

/** Bills are drawn as far as somebody has scrolled: a thousand at once take seconds. */
const step = 48
const drawn = ref(step)
const shown = computed(() => found.value?.slice(0, drawn.value))
watch([search, category], () => (drawn.value = step))
useInfiniteScroll(scrolled, () => void (drawn.value += step), {
  distance: 1200,
  canLoadMore: () => drawn.value < (found.value?.length ?? 0),
})

async function take(files: FileList | null) {
  if (files?.[0]) await library.take(files[0])
  if (file.value) file.value.value = ''
}

function start(template: Summary) {
  from.value = template
  starting.value = true
}

// Enter, a title, Enter: whoever comes in by the keyboard begins where most do.
onMounted(async () => {
  await library.load()
  await nextTick()
  const at = window.document.activeElement
  if (!at || at === window.document.body || at.closest('nav')) loud.value?.focus({ preventScroll: true })
})
</script>

<template>
  <PlaceHeader>
    <h1>Library</h1>
    <span v-if="templates" class="quiet">
      {{ templates.length }} {{ templates.length === 1 ? 'template' : 'templates' }} · {{ songs.length }}
      {{ songs.length === 1 ? 'song' : 'songs' }}
    </span>
    <span class="gap" />
    <button v-if="opensByDefault" ref="loud" type="button" class="loud" @click="start(opensByDefault)">
      Start a song from {{ opensByDefault.name }}
    </button>
  </PlaceHeader>
  <main ref="scrolled" class="library">
    <div class="tools">
      <input
        v-model="search"
        class="field find"
        type="search"
        placeholder="Find by name, channel, instrument, device, note"
        aria-label="Find a template"
      />
      <button
        type="button"
        class="plain"
        :class="{ on: category === '' }"
        :aria-pressed="category === ''"
        @click="category = ''"
      >
        All
      </button>
      <button
        v-for="name in categories"
        :key="name"
        type="button"
        class="plain"
        :class="{ on: category === name }"
        :aria-pressed="category === name"
        @click="category = name"
      >
        {{ name }}
      </button>
      <span class="gap" />
      <button type="button" class="plain bare" @click="showsSounds = true">Sounds</button>
      <button type="button" class="plain bare" @click="showsRemoved = true">Removed</button>
      <button type="button" class="plain" @click="file?.click()">From a file</button>
      <input
        ref="file"
        type="file"
        accept=".json,.dawproject,.zip,application/json"
        hidden
        aria-label="A template document or a DAWproject"
        @change="take(($event.target as HTMLInputElement).files)"
      />
    </div>
    <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
    <RemovedNotice v-if="removed" :thing="removed" @back="library.cameBack" @close="removed = undefined" />
    <BroughtInNote v-if="broughtIn" :brought="broughtIn" />
    <div v-if="shown" class="bills">
      <TemplateBill
        v-for="template in shown"
        :key="template.id"
        :template="template"
        :within="category"
        @start="start(template)"
        @make-default="library.makeDefault(template)"
        @lead="library.lead(template)"
        @base="library.base(template)"
        @copy="library.copy(template)"
        @rename="(name) => library.rename(template, name)"
        @remove="library.takeAway(template)"
        @recover="library.rescue(template)"
      />
      <div v-if="!search.trim()" class="beginnings">
        <button type="button" class="empty" @click="library.begin('/cast')">
          <span class="serif">From a cast list</span>
          <span class="quiet">A page of names becomes a template</span>
        </button>
        <RouterLink v-if="songs.length" class="empty" to="/songs">
          <span class="serif">From a finished song</span>
          <span class="quiet">Strike its takes, notes and mix; keep the rest</span>
        </RouterLink>
        <button type="button" class="empty" @click="library.begin('')">
          <span class="serif">An empty stage</span>
          <span class="quiet">Begin with a main and a mix bus</span>
        </button>
      </div>
    </div>
    <p v-if="found?.length === 0" class="quiet">
      No template is called that. Try fewer words, or begin with an empty stage.
    </p>
    <p v-if="songs.length" class="lately">
      <span class="serif">Lately</span>
      <span v-for="song in songs.slice(0, 3)" :key="song.id" class="quiet">
        <RouterLink :to="`/songs/${song.id}`">{{ song.title }}</RouterLink> from
        {{ song.templateName ?? 'a template that is gone' }}
      </span>
    </p>
  </main>
  <StartSongDialog v-model:open="starting" :template="from" />
  <RemovedDialog v-model:open="showsRemoved" @back="library.cameBack" />
  <SoundsDialog v-model:open="showsSounds" />
</template>

<style scoped>
.gap {
  flex: 1;
}

.library {
  padding: 20px 26px;
  overflow: auto;
}

.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  margin-bottom: 18px;
}

.find {
  width: 330px;
}

.bills {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(330px, 1fr));
  gap: 16px;
}

.beginnings {
  display: grid;
  gap: 12px;
  min-height: 180px;
}

.empty {
  text-align: center;
  text-decoration: none;
  display: grid;
  place-content: center;
  gap: 4px;
  background: none;
  border: 1px dashed var(--line);
  border-radius: 12px;
  cursor: pointer;
}

.empty:hover {
  background: var(--panel);
}

.empty .serif {
  font-size: 17px;
}

.trouble {
  color: var(--blocker);
}

.lately {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 26px;
  align-items: baseline;
  margin: 22px 0 0;
}

.lately .serif {
  font-size: 16px;
}
</style>
