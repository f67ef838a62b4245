<script setup lang="ts">
import { computed, nextTick, ref, useTemplateRef } from 'vue'
import AboutDialog from './AboutDialog.vue'
import ActsDialog from './ActsDialog.vue'
import FindingsDialog from './FindingsDialog.vue'
import HistoryDialog from './HistoryDialog.vue'
import TimelineDialog from './TimelineDialog.vue'
import ParentMark from './inherit/ParentMark.vue'
import ReviewsMark from './inherit/ReviewsMark.vue'
import FindingMark from '@/parts/FindingMark.vue'
import Icon from '@/parts/Icon.vue'
import { numberText } from '@/parts/decibels'
import PlaceHeader from '@/parts/PlaceHeader.vue'
import StartSongDialog from '@/parts/start/StartSongDialog.vue'
import { bpmText } from '@/parts/tempoText'
import WaitingDialog from '@/strips/WaitingDialog.vue'
import { useDocument } from '@/state/document'
import { useFindings } from '@/state/findings'

const document = useDocument()
const starting = ref(false)
const timing = ref(false)
const describing = ref(false)
const checking = ref(false)
const staging = ref(false)
const waiting = ref(false)
const remembering = ref(false)
const findings = useFindings()
const acts = useTemplateRef('acts')

/** One stop for Tab; the arrows go from act to act, around the ends. */
async function step(by: number) {
  const all = document.head?.acts ?? []
  const at = all.findIndex((act) => act.id === document.act)
  document.act = all.at((at + by) % all.length)?.id ?? document.act
  await nextTick()
  acts.value?.querySelector<HTMLElement>('[aria-checked=true]')?.focus()
}

const actName = computed(() => document.head?.acts.find((act) => act.id === document.act)?.name)

const timeline = computed(() => document.head?.timeline)
const template = computed(() =>
  document.head
    ? {
        id: document.head.id,
        name: document.head.name,
        tempoBpm: document.head.timeline.tempoBpm,
        key: document.head.key,
      }
    : undefined,
)
const feltBeat = computed(() =>
  timeline.value && timeline.value.feltBeat !== 'quarter'
    ? `${numberText(timeline.value.feltBeatsPerMinute, 1)} felt beats a minute (${timeline.value.feltBeat})`
    : 'Tempo, meter and sections',
)
</script>

<template>
  <PlaceHeader>
    <template v-if="document.head">
      <h1>
        <button
          type="button"
          class="name serif"
          title="Name, category, tags and prompt note"
          @click="describing = true"
        >
          {{ document.head.name }}
        </button>
      </h1>
      <button type="button" class="plain bare meta" :title="feltBeat" @click="timing = true">
        <span
          ><b>{{ bpmText(timeline?.tempoBpm) }}</b> BPM</span
        >
        <span
          ><b>{{ timeline?.meter.beats }}/{{ timeline?.meter.unit }}</b></span
        >
        <span v-if="document.head.keyName"
          ><b>{{ document.head.keyName }}</b></span
        >
        <span v-else class="waits" title="The key waits for the song">no key yet</span>
      </button>
      <button v-if="document.head.waiting" type="button" class="plain bare waits" @click="waiting = true">
        {{ document.head.waiting }} {{ document.head.waiting === 1 ? 'waits' : 'wait' }}
      </button>
      <ParentMark />
      <ReviewsMark />
      <div
        ref="acts"
        class="acts"
        role="radiogroup"
        aria-label="Act"
        @keydown.left.prevent.stop="step(-1)"
        @keydown.right.prevent.stop="step(1)"
      >
        <button
          v-for="act in document.head.acts"
          :key="act.id"
          type="button"
          role="radio"
          class="serif"
          :aria-checked="document.act === act.id"
          :tabindex="document.act === act.id ? 0 : -1"
          @click="document.act = act.id"
        >
          {{ act.name }}
        </button>
      </div>
      <button type="button" class="more" aria-label="The list of acts" title="The list of acts" @click="staging = true">
        …
      </button>
      <span class="gap" />
      <button type="button" class="plain bare ready" :class="{ proven: findings.isProven }" @click="checking = true">
        <template v-if="!findings.found">checking…</template>
        <template v-else-if="findings.isProven">proven</template>
        <template v-else-if="findings.open.length === 0">proven in {{ actName }}</template>
        <template v-else
          ><FindingMark :severity="findings.open[0]!.severity" /> {{ findings.open.length }}
          {{ findings.open.length === 1 ? 'finding' : 'findings' }}</template
        >
      </button>
      <button
        type="button"
        class="plain bare"
        :disabled="!document.head.canUndo"
        title="Undo (Ctrl+Z)"
        aria-label="Undo"
        @click="document.undo()"
      >
        <Icon name="undo" />
      </button>
      <button
        type="button"
        class="plain bare"
        :disabled="!document.head.canRedo"
        title="Redo (Ctrl+Shift+Z)"
        aria-label="Redo"
        @click="document.redo()"
      >
        <Icon name="redo" />
      </button>
      <button
        type="button"
        class="plain bare"
        :class="{ elsewhere: document.elsewhere }"
        :aria-label="document.elsewhere ? 'History, changed in another tab' : 'History'"
        :title="document.elsewhere ? 'Changed in another tab' : 'What was done, compared, gone back to'"
        @click="remembering = true"
      >
        History
      </button>
      <RouterLink
        class="plain bare sheet"
        :to="`/${document.kind}s/${document.head.id}/call-sheet`"
        title="The way out: a project for a workstation, and the page that says the rest"
        >Call sheet</RouterLink
      >
      <button v-if="document.kind === 'template'" type="button" class="loud" @click="starting = true">
        Start a song
      </button>
      <RouterLink v-else class="loud" :to="`/songs/${document.head.id}`">The song’s page</RouterLink>
    </template>
    <h1 v-else>Running order</h1>
  </PlaceHeader>
  <StartSongDialog v-model:open="starting" :template="template" />
  <TimelineDialog v-model:open="timing" />
  <AboutDialog v-model:open="describing" />
  <ActsDialog v-model:open="staging" />
  <FindingsDialog v-model:open="checking" />
  <HistoryDialog v-model:open="remembering" />
  <WaitingDialog v-model:open="waiting" />
</template>

<style scoped>
h1 {
  min-width: 130px;
}

.name {
  background: none;
  border: 0;
  padding: 0;
  font-size: 23px;
  line-height: 1.2;
  cursor: pointer;
  max-width: 100%;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.loud {
  white-space: nowrap;
}

.name:hover {
  color: var(--lamp);
}

.meta {
  display: flex;
  gap: 14px;
  white-space: nowrap;
}

.meta b {
  color: var(--text);
  font-weight: 600;
}

.sheet {
  text-decoration: none;
  white-space: nowrap;
}

.waits {
  color: var(--plum);
  white-space: nowrap;
}

.acts {
  display: flex;
  gap: 18px;
}

.acts button {
  background: none;
  border: 0;
  border-bottom: 2px solid transparent;
  padding: 6px 1px;
  font-size: 15px;
  color: var(--text-3);
  cursor: pointer;
}

.more {
  background: none;
  border: 0;
  margin-left: -12px;
  color: var(--text-3);
  cursor: pointer;
}

.acts button[aria-checked='true'] {
  color: var(--lamp);
  border-color: var(--lamp);
}

.ready {
  display: inline-flex;
  align-items: center;
  gap: 7px;
  white-space: nowrap;
}

.proven {
  color: var(--proven);
}

.elsewhere {
  color: var(--plum);
}

.gap {
  flex: 1;
}

a.loud {
  text-decoration: none;
  white-space: nowrap;
}

/* What is to be done next stays in sight beside everything that waits and is found. */
@media (max-width: 1440px) {
  .acts {
    gap: 13px;
  }

  .meta {
    gap: 10px;
  }
}
</style>
