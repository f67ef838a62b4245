<script setup lang="ts">
import { computed, ref, useTemplateRef, watch } from 'vue'
import FeedsList from './FeedsList.vue'
import GroovesDialog from './GroovesDialog.vue'
import HeardLine from './HeardLine.vue'
import LevelLine from './LevelLine.vue'
import InsertList from './InsertList.vue'
import ManyPanel from './ManyPanel.vue'
import NoteProcessors from './NoteProcessors.vue'
import NotesTargets from './NotesTargets.vue'
import PlayedSection from './PlayedSection.vue'
import PlayerPanel from './PlayerPanel.vue'
import RoutingPanel from './RoutingPanel.vue'
import SendsList from './SendsList.vue'
import PieceLine from './pieces/PieceLine.vue'
import SoundStarters from './SoundStarters.vue'
import StarterList from './StarterList.vue'
import FindingCard from '@/parts/FindingCard.vue'
import { useDocument } from '@/state/document'
import { useFindings } from '@/state/findings'
import { useListening } from '@/state/listening'

const document = useDocument()
const listening = useListening()
const findings = useFindings()
const row = computed(() => document.selected)
const channel = computed(() => row.value?.channel)
const panel = useTemplateRef('panel')
const grooving = ref(false)
const can = computed(() => (row.value ? document.can(row.value) : {}))
const isPlayer = computed(() => channel.value?.source?.type === 'instrument')
const takesNotes = computed(() => isPlayer.value || !can.value.sounds)
const holdsSounds = computed(() => can.value.laysSounds && !isPlayer.value)
const found = computed(() => findings.byChannel.get(channel.value?.id ?? '') ?? [])
const heard = computed(() => listening.point === channel.value?.id || (!listening.point && can.value.standsOnce))

/** From channel to channel what is looked at stays in sight; another sort of panel is read from its top. */
watch([() => document.many.length > 0, () => row.value?.channel.kind], () => panel.value?.scrollTo(0, 0))

function note(text: string) {
  if (channel.value && text !== channel.value.note)
    void document.edit([{ type: 'set-note', channel: channel.value.id, note: text }], channel.value.id)
}

function listen() {
  listening.listenTo(heard.value || can.value.standsOnce ? null : (channel.value?.id ?? null))
}

function remove() {
  if (channel.value) void document.edit([{ type: 'remove-channel', channel: channel.value.id }])
}
</script>

<template>
  <aside ref="panel" class="side" aria-label="The selected channel">
    <ManyPanel v-if="document.many.length" />
    <template v-else-if="row && channel">
      <div class="head">
        <h2>{{ channel.name }}</h2>
        <button
          v-if="can.sounds"
          type="button"
          class="plain bare"
          :class="{ on: heard }"
          :aria-pressed="heard"
          @click="listen"
        >
          Listen
        </button>
        <button v-if="!can.standsOnce" type="button" class="plain bare" @click="remove">Remove</button>
      </div>
      <HeardLine :channel="channel.id" />
      <section v-if="found.length" class="found">
        <FindingCard v-for="finding in found" :key="finding.key" :finding="finding" @go="document.choose($event)" />
      </section>
      <RoutingPanel :key="`r-${channel.id}`" :row="row" />
      <PieceLine v-if="!can.standsOnce" :channels="[channel.id]" />
      <LevelLine v-if="can.sums" :channel="channel.id" />
      <NotesTargets v-if="!can.sounds" :channel="channel" />
      <PlayerPanel v-if="isPlayer" :key="`p-${channel.id}`" :row="row" />
      <SoundStarters v-if="holdsSounds" :key="`w-${channel.id}`" :channel="channel" />
      <InsertList v-if="can.sounds" :key="`i-${channel.id}`" :channel="channel" />
      <SendsList v-if="can.sends" :channel="channel" />
      <FeedsList v-if="can.feedsKeys" :channel="channel" />
      <template v-if="takesNotes">
        <StarterList :key="`s-${channel.id}`" :channel="channel" />
        <NoteProcessors :channel="channel" @grooves="grooving = true" />
        <PlayedSection :key="`n-in-${channel.id}`" :channel="channel" />
      </template>
      <section>
        <h3>Prompt note</h3>
        <textarea
          :key="`n-${channel.id}-${channel.note}`"
          class="field"
          rows="3"
          maxlength="4000"
          placeholder="How it is to be used"
          :aria-label="`Note on ${channel.name}`"
          :value="channel.note"
          @keydown.stop
          @change="note(($event.target as HTMLTextAreaElement).value)"
        />
      </section>
    </template>
    <template v-else>
      <h2>{{ document.head?.name }}</h2>
      <p class="quiet note">{{ document.head?.note || 'No prompt note yet. Press the name above to write one.' }}</p>
      <p class="faint">Choose a channel to see its strip, its sends and what steers it.</p>
    </template>
    <GroovesDialog v-model:open="grooving" />
  </aside>
</template>

<style scoped>
.side {
  border-left: 1px solid var(--line-soft);
  background: var(--panel);
  padding: 14px 18px 20px;
  overflow: auto;
}

.head {
  display: flex;
  align-items: baseline;
  gap: 4px;
}

h2 {
  font-size: 20px;
  flex: 1;
  min-width: 0;
  overflow-wrap: anywhere;
}

.note {
  white-space: pre-wrap;
}

.side :deep(section) {
  border-top: 1px solid var(--line-soft);
  margin-top: 12px;
  padding-top: 10px;
}

.side :deep(h3) {
  font-size: 14px;
  margin-bottom: 6px;
  display: flex;
  align-items: baseline;
  justify-content: space-between;
  gap: 8px;
}

textarea {
  width: 100%;
  resize: vertical;
}
</style>
