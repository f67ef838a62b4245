<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import DevicesHere from './DevicesHere.vue'
import DevicesNeeded from './DevicesNeeded.vue'
import FitTable from './FitTable.vue'
import PatchPanel from './PatchPanel.vue'
import StudioDialog from './StudioDialog.vue'
import { useFitChoices } from './useFitChoices'
import { sentenceOf } from '@/api/client'
import type { StudioItem } from '@/api/types'
import PlaceHeader from '@/parts/PlaceHeader.vue'
import { documentShortcuts, useKeymap } from '@/parts/keymap'
import { useDocument } from '@/state/document'
import { useStudio } from '@/state/studio'

/** The studio that is on: what is in it, and how the open template or song meets it. */
const studio = useStudio()
const document = useDocument()
const choices = useFitChoices()
const editing = ref(false)
const edited = ref<StudioItem>()
const trouble = ref<string>()

const on = computed(() => studio.on)
const others = computed(() => studio.items?.filter((item) => !item.isOn) ?? [])
const acts = computed(() => document.head?.acts ?? [])

async function attempt(work: () => Promise<unknown>) {
  trouble.value = undefined
  try {
    await work()
  } catch (error) {
    trouble.value = sentenceOf(error)
  }
}

function edit(item?: StudioItem) {
  edited.value = item
  editing.value = true
}

useKeymap(documentShortcuts, { undo: () => document.undo(), redo: () => document.redo() })
onMounted(() => attempt(studio.look))
</script>

<template>
  <PlaceHeader>
    <h1>{{ on?.name ?? 'No studio is on' }}</h1>
    <span v-if="on" class="quiet facts">{{ on.words }}: {{ on.bufferMs.toFixed(1) }} ms through it at 48 kHz</span>
    <span class="gap" />
    <button v-if="on" type="button" class="plain" @click="edit(on)">What is in it…</button>
    <button
      v-for="item in others"
      :key="item.id"
      type="button"
      class="plain"
      :aria-label="`Put ${item.name} on`"
      @click="attempt(() => studio.putOn(item.id))"
    >
      {{ item.name }}
    </button>
    <button type="button" class="plain" @click="edit()">Another studio…</button>
  </PlaceHeader>
  <main class="studio">
    <div class="fits" tabindex="0" role="region" aria-label="How it fits">
      <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
      <template v-if="document.head && studio.fit?.studio">
        <div class="head">
          <h2>How {{ document.head.name }} fits here</h2>
          <span class="gap" />
          <div role="group" aria-label="Act" class="acts">
            <button
              v-for="act in acts"
              :key="act.id"
              type="button"
              class="plain"
              :class="{ on: act.id === document.act }"
              :aria-pressed="act.id === document.act"
              @click="document.act = act.id"
            >
              {{ act.name }}
            </button>
          </div>
        </div>
        <FitTable :lines="studio.fit.lines" :choices="choices" />
        <h2>What it needs that is not ours</h2>
        <DevicesNeeded :devices="studio.fit.devices" :weight="studio.fit.weight" />
      </template>
      <p v-else-if="on" class="quiet">Open a template or a song, and this place says how it fits {{ on.name }}.</p>
      <p v-else class="quiet">
        Put a studio on, or tell of another: its inputs and outputs by name, the size of its buffers, the devices that
        are there. Every template then says how it fits.
      </p>
      <DevicesHere v-if="on" :item="on" />
    </div>
    <PatchPanel v-if="document.head && studio.fit?.studio" :fit="studio.fit" :choices="choices" />
  </main>
  <StudioDialog v-model:open="editing" :item="edited" />
</template>

<style scoped>
.studio {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 316px;
  min-height: 0;
  overflow: hidden;
}

.studio:not(:has(> :nth-child(2))) {
  grid-template-columns: minmax(0, 1fr);
}

.fits {
  overflow: auto;
  padding: 18px 22px;
}

.head {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 4px 12px;
}

h2 {
  font-size: 17px;
  margin: 0 0 6px;
}

.fits > h2 {
  margin-top: 24px;
}

.gap {
  flex: 1;
}

.acts {
  display: flex;
  gap: 4px;
}

.facts {
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.trouble {
  color: var(--blocker);
}

@media (max-width: 900px) {
  .studio,
  .studio:not(:has(> :nth-child(2))) {
    display: block;
    overflow: auto;
  }

  .fits {
    padding: 14px;
  }

  .facts {
    white-space: normal;
  }
}
</style>
