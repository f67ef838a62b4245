<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import HandworkLists from './HandworkLists.vue'
import PatchingDialog from './PatchingDialog.vue'
import SheetTables from './SheetTables.vue'
import StemsDialog from './StemsDialog.vue'
import './print.css'
import { api, asked, sentenceOf } from '@/api/client'
import type { DocumentKind, Schemas } from '@/api/types'
import PlaceHeader from '@/parts/PlaceHeader.vue'
import { secondsText } from '@/parts/decibels'
import { bpmText } from '@/parts/tempoText'
import { useDocument } from '@/state/document'
import { useShown } from '@/state/useShown'

/** The way out: the files that go over into a workstation, and the page that says what they do not. */
const props = defineProps<{ kind: DocumentKind; id: string }>()
const document = useDocument()
const sheet = ref<Schemas['CallSheet']>()
const trouble = ref<string>()
const stemming = ref(false)
const patching = ref(false)
useShown(props)

const file = (what: string) => `/api/documents/${props.id}/${what}`
const sections = computed(() => sheet.value?.sections.map((s) => `${s.name} ${s.bars}`).join(' · '))
const length = computed(() => secondsText(sheet.value?.sections.reduce((sum, s) => sum + s.seconds, 0) ?? 0))

watch(
  () => [props.id, document.head?.id === props.id ? document.head.revision : undefined] as const,
  async ([id]) => {
    try {
      const answer = await asked(api.GET('/api/documents/{id}/call-sheet', { params: { path: { id } } }))
      if (props.id === id) sheet.value = answer
    } catch (error) {
      trouble.value = sentenceOf(error)
    }
  },
  { immediate: true },
)

const print = () => window.print()
</script>

<template>
  <PlaceHeader>
    <h1>{{ sheet?.name ?? 'Call sheet' }}</h1>
    <span v-if="sheet" class="quiet">call sheet</span>
    <span class="gap" />
    <button v-if="sheet" type="button" class="loud" @click="print">Print</button>
  </PlaceHeader>
  <main class="sheet">
    <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
    <template v-if="sheet">
      <section class="ways" aria-label="Files">
        <a class="plain" :href="file('project')" download>Project for a workstation (DAWproject)</a>
        <a class="plain" :href="file('midi')" download>Standard MIDI File</a>
        <a class="plain" :href="file('document')" download>Template document</a>
        <button type="button" class="plain" @click="stemming = true">Stems…</button>
        <RouterLink class="plain" :to="`/${kind}s/${id}/outside`">Line check from outside…</RouterLink>
        <a class="plain" :href="file('input-list.csv')" download>Input list (CSV)</a>
        <a class="plain" :href="file('output-patching.csv')" download>Output patching (CSV)</a>
        <button type="button" class="plain" @click="patching = true">Read a patching table…</button>
        <span class="quiet">
          Few workstations read the project format whole; what it cannot say is listed below. With this page alone
          everything can be set up by hand.
        </span>
      </section>
      <p class="facts">
        <b>{{ bpmText(sheet.tempoBpm) }} BPM</b> {{ sheet.meter }} · {{ sheet.keyName ?? 'no key yet' }} · {{ length
        }}<br />
        <span class="quiet">{{ sections }} <span class="faint">bars</span></span>
      </p>
      <p v-if="sheet.note" class="note">{{ sheet.note }}</p>
      <HandworkLists :document="id" :work="sheet.handwork" />
      <SheetTables :sheet="sheet" />
    </template>
  </main>
  <PatchingDialog :id="id" v-model:open="patching" />
  <StemsDialog v-model:open="stemming" :document="id" />
</template>

<style scoped>
.gap {
  flex: 1;
}

.sheet {
  padding: 18px 26px 30px;
  overflow: auto;
}

.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: center;
  margin-bottom: 14px;
}

.ways a {
  text-decoration: none;
}

.ways span {
  flex: 1 1 340px;
}

.facts b {
  margin-right: 6px;
}

.note {
  max-width: 760px;
  white-space: pre-line;
}

.sheet :deep(h2) {
  font-size: 18px;
  margin: 20px 0 6px;
}

.sheet :deep(h3) {
  font-size: 14px;
  margin: 8px 0 0;
}

.trouble {
  color: var(--blocker);
}
</style>
