<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import { computed, nextTick, onMounted, ref, useTemplateRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import RemovedDialog from './RemovedDialog.vue'
import RemovedNotice from './RemovedNotice.vue'
import SoundsDialog from './SoundsDialog.vue'
import TemplateBill from './TemplateBill.vue'
import { recover, remove } from './keepingCalls'
import { api, asked, sentenceOf, upload } from '@/api/client'
import type { BroughtIn, RemovedThing, Song, Summary } from '@/api/types'
import PlaceHeader from '@/parts/PlaceHeader.vue'
import StartSongDialog from '@/parts/start/StartSongDialog.vue'

const router = useRouter()
const templates = ref<Summary[]>()
const songs = ref<Song[]>([])
const search = ref('')
/** What the search has found; none while nothing is searched for. */
const hits = ref<Summary[]>()
const category = ref('')
const trouble = ref<string>()
const starting = ref(false)
const from = ref<Summary>()
const removed = ref<Pick<RemovedThing, 'kind' | 'id' | 'name'>>()
const broughtIn = ref<BroughtIn & { name: string }>()
const showsRemoved = ref(false)
const showsSounds = ref(false)
const file = useTemplateRef('file')
const loud = useTemplateRef<HTMLButtonElement>('loud')

const categories = computed(() => [...new Set(templates.value?.map((t) => t.category).filter(Boolean))].sort())
/** Of a category the one that leads it; of all the one that opens by default. */
const opensByDefault = computed(() => {
  const of = templates.value?.filter((t) => !category.value || t.category === category.value)
  return of?.find((t) => (category.value ? t.leadsCategory : t.opensByDefault)) ?? of?.[0]
})
const shown = computed(() => {
  const found = search.value.trim() ? hits.value : templates.value
  return found?.filter((t) => !category.value || t.category === category.value)
})

const findSoon = useDebounceFn(find, 80)
watch(search, findSoon)

/** The server looks through channels, instruments, devices and notes as well. */
async function find() {
  const words = search.value.trim()
  if (!words) return void (hits.value = undefined)
  try {
    const found = await asked(api.GET('/api/templates', { params: { query: { find: words } } }))
    if (search.value.trim() === words) hits.value = found
  } catch (error) {
    trouble.value = sentenceOf(error)
  }
}

async function load() {
  try {
    templates.value = await asked(api.GET('/api/templates'))
    songs.value = await asked(api.GET('/api/songs'))
    await find()
  } catch (error) {
    trouble.value = sentenceOf(error)
  }
}

async function attempt(work: () => Promise<void>) {
  trouble.value = undefined
  try {
    await work()
  } catch (error) {
    trouble.value = sentenceOf(error)
  }
}

function begin(place: '' | '/cast') {
  return attempt(async () => {
    const made = await asked(api.POST('/api/templates', { body: { name: 'New template' } }))
    await router.push(`/templates/${made.id}${place}`)
  })
}

function base(template: Summary) {
  return attempt(async () => {
    const params = { path: { id: template.id } }
    const made = await asked(api.POST('/api/templates/{id}/based', { params, body: { name: template.name } }))
    await router.push(`/templates/${made.id}`)
  })
}

function copy(template: Summary) {
  return attempt(async () => {
    const params = { path: { id: template.id } }
    await asked(api.POST('/api/documents/{id}/copy', { params, body: { name: template.name } }))
    await load()
  })
}

function rename(template: Summary, name: string) {
  return attempt(async () => {
    const { category, tags, note } = template
    const edits = [{ type: 'describe' as const, name, category, tags, note }]
    await asked(api.POST('/api/documents/{id}/edits', { params: { path: { id: template.id } }, body: { revision: template.revision, edits } })) // prettier-ignore
    await load()
  })
}

function take(files: FileList | null) {
  const chosen = files?.[0]
  if (!chosen) return
  return attempt(async () => {
    const made = await upload<BroughtIn>('/api/templates/from-document', chosen, 'application/json')
    if (made.missingSounds.length === 0) return void (await router.push(`/templates/${made.id}`))
    broughtIn.value = { ...made, name: chosen.name }
    file.value!.value = ''
    await load()
  })
}

function makeDefault(template: Summary) {
  return attempt(async () => {
    await asked(api.PUT('/api/templates/{id}/default', { params: { path: { id: template.id } } }))
    await load()
  })
}

function lead(template: Summary) {
  return attempt(async () => {
    await asked(api.PUT('/api/templates/{id}/leads', { params: { path: { id: template.id } } }))
    await load()
  })
}

function takeAway(template: Summary) {
  return attempt(async () => {
    await remove(template.id)
    removed.value = { kind: 'template', id: template.id, name: template.name }
    await load()
  })
}

function rescue(template: Summary) {
  return attempt(async () => {
    const made = await recover(template.id)
    await router.push(`/templates/${made.id}`)
  })
}

async function cameBack() {
  removed.value = undefined
  await load()
}

function start(template: Summary) {
  from.value = template
  starting.value = true
}

// Enter, a title, Enter: whoever comes in by the keyboard begins where most do.
onMounted(async () => {
  await load()
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
  <main class="library">
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
        accept=".json,application/json"
        hidden
        aria-label="A template document"
        @change="take(($event.target as HTMLInputElement).files)"
      />
    </div>
    <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
    <RemovedNotice v-if="removed" :thing="removed" @back="cameBack" @close="removed = undefined" />
    <p v-if="broughtIn" class="brought" role="status">
      {{ broughtIn.name }} is here, without
      {{ broughtIn.missingSounds.length === 1 ? 'one sound' : `${broughtIn.missingSounds.length} sounds` }} that it
      uses:
      {{
        broughtIn.missingSounds
          .slice(0, 4)
          .map((m) => m.title)
          .join(', ')
      }}{{ broughtIn.missingSounds.length > 4 ? ' and more' : '' }}. They play silence until their files are brought.
      <RouterLink :to="`/templates/${broughtIn.id}`">Open it</RouterLink>
    </p>
    <div v-if="shown" class="bills">
      <TemplateBill
        v-for="template in shown"
        :key="template.id"
        :template="template"
        :within="category"
        @start="start(template)"
        @make-default="makeDefault(template)"
        @lead="lead(template)"
        @base="base(template)"
        @copy="copy(template)"
        @rename="(name) => rename(template, name)"
        @remove="takeAway(template)"
        @recover="rescue(template)"
      />
      <div v-if="!search.trim()" class="beginnings">
        <button type="button" class="empty" @click="begin('/cast')">
          <span class="serif">From a cast list</span>
          <span class="quiet">A page of names becomes a template</span>
        </button>
        <button type="button" class="empty" @click="begin('')">
          <span class="serif">An empty stage</span>
          <span class="quiet">Begin with a main and a mix bus</span>
        </button>
      </div>
    </div>
    <p v-if="shown?.length === 0" class="quiet">
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
  <RemovedDialog v-model:open="showsRemoved" @back="cameBack" />
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

.brought {
  margin: 0 0 16px;
  padding: 8px 14px;
  background: var(--raised);
  border-radius: 8px;
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
