<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import ChainsPanel from './chains/ChainsPanel.vue'
import MakeChain from './chains/MakeChain.vue'
import EqualiserPlot from './EqualiserPlot.vue'
import EqualiserSections from './EqualiserSections.vue'
import HearInsert from './HearInsert.vue'
import InsertChips from './InsertChips.vue'
import LevelsPlot from './LevelsPlot.vue'
import ReductionPlot from './ReductionPlot.vue'
import TryInsert from './TryInsert.vue'
import { stripHelp, stripShortcuts } from './stripKeymap'
import { useMeasured } from './useMeasured'
import type { DocumentKind, EqualiserSection } from '@/api/types'
import { levelText, numberText } from '@/parts/decibels'
import { useKeymap } from '@/parts/keymap'
import Picker from '@/parts/Picker.vue'
import ShortcutsDialog from '@/parts/ShortcutsDialog.vue'
import { useCatalogue } from '@/state/catalogue'
import { useDocument } from '@/state/document'
import { useListening } from '@/state/listening'
import { useShown } from '@/state/useShown'
import DefaultLine from '@/strips/DefaultLine.vue'
import DocumentTitle from '@/views/order/DocumentTitle.vue'
import InsertBody from '@/views/order/InsertBody.vue'
import RefusalNote from '@/views/order/RefusalNote.vue'

/** The strip of one channel: what each insert does, drawn, measured on the template's own sound, and heard. */
const props = defineProps<{ kind: DocumentKind; id: string; channel?: string }>()
const document = useDocument()
const listening = useListening()
const catalogue = useCatalogue()
const router = useRouter()
const chosenInsert = ref<string>()
const chosenSection = ref('bell-1')
const sections = ref<EqualiserSection[]>([])
const explaining = ref(false)
useShown(props)

const rows = computed(() => document.ordered.filter((r) => document.can(r).sounds))
const channel = computed(() => {
  const asked = props.channel ?? document.selectedId
  return (rows.value.find((r) => r.channel.id === asked) ?? rows.value[0])?.channel
})
watch(
  () => channel.value?.id,
  (id) => id && document.choose(id),
  { immediate: true },
)
const insert = computed(
  () => channel.value?.inserts.find((i) => i.id === chosenInsert.value) ?? channel.value?.inserts[0],
)
const isEqualiser = computed(() => insert.value?.processor === 'equaliser' && !insert.value.device)
/** A section that is chosen to be heard is the one that is measured. */
const section = computed(() => listening.section ?? document.head?.timeline.sections[0]?.id ?? null)
const placed = computed(() => document.head?.timeline.sections.find((s) => s.id === section.value))
const measured = useMeasured(
  computed(() => channel.value?.id),
  insert,
  section,
)
/** Measured, and found empty. */
const isSilent = computed(
  () => !measured.measuring.value && measured.before.value !== undefined && measured.before.value.loudnessLufs == null,
)
const reductions = computed(() => measured.after.value?.reductionsDb ?? [])

useKeymap(stripShortcuts, {
  undo: document.undo,
  redo: document.redo,
  play: listening.play,
  explain: () => (explaining.value = true),
  before: () => step(-1),
  next: () => step(1),
})

const replacements = computed(() =>
  catalogue.known.processors
    .filter((p) => !p.standsInOnly && p.id !== insert.value?.processor)
    .map((p) => ({ value: p.id, text: p.name })),
)

/** Its place, its feeds and the curves on what both have stay. */
function replace(processor: string) {
  if (!channel.value || !insert.value) return
  const edit = { type: 'replace-insert' as const, channel: channel.value.id, insert: insert.value.id, processor }
  void document.edit([edit], channel.value.id)
}

function step(by: number) {
  const at = rows.value.findIndex((r) => r.channel.id === channel.value?.id)
  const to = rows.value[at + by]?.channel.id
  if (to) go(to)
}

function go(to: string) {
  chosenInsert.value = undefined
  void router.replace(`/${props.kind}s/${props.id}/strip/${to}`)
}

const loudness = (value: number | null | undefined) => (value == null ? '—' : `${levelText(value)} LUFS`)
</script>

<template>
  <DocumentTitle />
  <main v-if="document.head?.id === id && channel" class="sided">
    <section class="work" aria-label="The strip">
      <div class="head">
        <Picker
          class="which"
          label="Channel"
          :choices="rows.map((r) => ({ value: r.channel.id, text: r.channel.name }))"
          :value="channel.id"
          @choose="go"
        />
        <InsertChips :chosen="insert?.id" :channel="channel" @update:chosen="chosenInsert = $event" />
        <span class="gap" />
        <button type="button" class="plain bare" title="Shortcuts" aria-label="Shortcuts" @click="explaining = true">
          ?
        </button>
      </div>
      <div class="tools">
        <TryInsert :channel="channel" />
        <MakeChain :key="channel.id" :channel="channel" />
      </div>
      <ChainsPanel :key="channel.id" :channel="channel" />
      <RefusalNote
        v-if="document.refusal?.channel === channel.id"
        :depth="0"
        :refusal="document.refusal"
        @close="document.refusal = undefined"
      />
      <p v-if="!insert" class="faint">
        Nothing in the strip: the source goes to the fader as it is. Add a processor above.
      </p>
      <template v-else>
        <template v-if="isEqualiser">
          <EqualiserPlot
            :key="`${channel.id}/${insert.id}`"
            v-model:chosen="chosenSection"
            :channel="channel.id"
            :insert="insert"
            :spectrum="measured.before.value?.thirdOctavesDb"
            @sections="sections = $event"
          />
          <EqualiserSections
            v-model:chosen="chosenSection"
            :channel="channel.id"
            :insert="insert"
            :sections="sections"
          />
        </template>
        <div v-if="!isEqualiser" class="levels">
          <LevelsPlot
            v-if="['compressor', 'limiter', 'clipper', 'gate'].includes(insert.processor) && !insert.device"
            :key="insert.id"
            :channel="channel.id"
            :insert="insert"
          />
          <ReductionPlot
            v-if="reductions.length && placed"
            :reductions="reductions"
            :seconds="measured.after.value!.reductionSeconds"
            :bar-seconds="placed.seconds / placed.bars"
            :bars="placed.bars"
          />
        </div>
        <p v-if="measured.trouble.value" class="faint" role="status">{{ measured.trouble.value }}</p>
      </template>
    </section>
    <aside class="side" aria-label="The chosen insert">
      <template v-if="insert">
        <section>
          <h3>
            Over {{ placed?.name ?? 'the whole' }}
            <small v-if="measured.measuring.value" class="faint">measuring…</small>
          </h3>
          <dl class="loudness">
            <dt>Loudness in</dt>
            <dd>{{ loudness(measured.before.value?.loudnessLufs) }}</dd>
            <dt>out</dt>
            <dd>{{ loudness(measured.after.value?.loudnessLufs) }}</dd>
            <dt>True peak out</dt>
            <dd>
              {{
                measured.after.value?.truePeakDbtp == null
                  ? '—'
                  : `${numberText(measured.after.value.truePeakDbtp, 1)} dBTP`
              }}
            </dd>
          </dl>
          <p v-if="isSilent" class="faint">
            Nothing sounds here in this act: no notes or sound lie on it, or on what feeds it.
          </p>
        </section>
        <section>
          <h3>Hear</h3>
          <HearInsert :channel="channel.id" :insert="insert" />
        </section>
        <section>
          <h3>
            Settings
            <Picker
              class="swap"
              label="Put another processor in its place"
              :choices="replacements"
              :value="null"
              empty="replace it by…"
              @choose="replace"
            />
          </h3>
          <InsertBody :key="`${channel.id}/${insert.id}`" :channel="channel" :insert="insert" :drawn="isEqualiser" />
        </section>
      </template>
      <section>
        <h3>Default</h3>
        <DefaultLine :channel="channel.id" />
      </section>
    </aside>
  </main>
  <p v-else-if="document.missing" class="nothing">
    There is no such {{ kind }}. <RouterLink to="/">Back to the library</RouterLink>
  </p>
  <p v-else class="nothing faint">Opening…</p>
  <ShortcutsDialog v-model:open="explaining" place="the strip" :shortcuts="stripHelp" />
</template>

<style scoped src="@/parts/sidedPage.css"></style>
<style scoped>
.head {
  display: flex;
  align-items: flex-start;
  gap: 14px;
  margin-bottom: 12px;
}

.which {
  width: 170px;
  flex: none;
  align-self: center;
}

.work {
  display: flex;
  flex-direction: column;
}

.tools {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 10px;
  margin-bottom: 10px;
}

.levels {
  --plot: clamp(250px, 44vh, 460px);

  display: flex;
  gap: 24px;
  align-items: flex-start;
}

.side section {
  border-top: 1px solid var(--line-soft);
  padding: 10px 0;
}

.side section:first-child {
  border: 0;
}

h3 {
  font-size: 14px;
  margin-bottom: 6px;
  display: flex;
  align-items: center;
  justify-content: space-between;
}

h3 .swap {
  max-width: 130px;
  font: 400 12px var(--sans);
}

.loudness {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 3px 10px;
  margin: 0;
}

.loudness dt {
  color: var(--text-2);
}

.loudness dd {
  margin: 0;
  text-align: right;
}

@media (max-width: 900px) {
  .head {
    flex-wrap: wrap;
  }

  .levels {
    flex-direction: column;
    align-items: stretch;
  }
}
</style>
