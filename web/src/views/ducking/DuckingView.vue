<script setup lang="ts">
import { computed, ref } from 'vue'
import DuckAsk from './DuckAsk.vue'
import DuckMatrix from './DuckMatrix.vue'
import DuckPlot from './DuckPlot.vue'
import MakeRoomDialog from './MakeRoomDialog.vue'
import { duckingOf, keyOf } from './duckingCalls'
import { useDuckAsk } from './useDuckAsk'
import type { DocumentKind } from '@/api/types'
import { documentShortcuts, useKeymap } from '@/parts/keymap'
import { useDocument } from '@/state/document'
import { useListening } from '@/state/listening'
import { useReading } from '@/state/useReading'
import { useShown } from '@/state/useShown'
import DocumentTitle from '@/views/order/DocumentTitle.vue'

/** Who makes room for whom: measured over a section, asked for by depth and note value. */
const props = defineProps<{ kind: DocumentKind; id: string }>()
const document = useDocument()
const listening = useListening()
const chosen = ref<string>()
const making = ref(false)
const limits = ref<string[]>([])
useShown(props)
useKeymap(documentShortcuts, { undo: document.undo, redo: document.redo, play: listening.play })

const section = computed(() => listening.section ?? null)
const {
  answer: ducking,
  trouble,
  reading: measuring,
} = useReading({
  when: () => document.head?.id === props.id,
  also: () => [document.act, section.value],
  ask: (id) => duckingOf(id, document.act, section.value),
})

const duckers = computed(() => ducking.value?.duckers ?? [])
const current = computed(() => duckers.value.find((d) => keyOf(d) === chosen.value) ?? duckers.value[0])
const asking = useDuckAsk(current, ducking)
const standing = computed(() => {
  const down = duckers.value.filter((d) => d.reading && !d.reading.recovers).length
  const all = duckers.value.length
  const count = all === 1 ? '1 ducker' : `${all} duckers`
  return down === 0
    ? `${count}, ${all === 1 ? 'back' : 'all back'} before the next hit`
    : `${count}, ${down} still down at the next hit`
})
</script>

<template>
  <DocumentTitle />
  <main v-if="document.head?.id === id" class="sided">
    <section class="work" aria-label="Who makes room for whom">
      <div class="head">
        <h2>Who makes room for whom</h2>
        <span v-if="duckers.length" class="quiet">{{ standing }}</span>
        <small v-if="measuring" class="faint">measuring…</small>
        <span class="gap" />
        <button type="button" class="plain" @click="making = true">Make room…</button>
      </div>
      <p v-for="limit in limits" :key="limit" class="plum" role="status">{{ limit }}</p>
      <p v-if="trouble" class="faint" role="alert">{{ trouble }}</p>
      <p v-if="ducking && duckers.length === 0" class="faint">
        Nobody gives way yet. Make room says which channels go down, how far and until when; what it takes is worked
        out.
      </p>
      <DuckMatrix
        v-if="duckers.length"
        :duckers="duckers"
        :chosen="current && keyOf(current)"
        @choose="chosen = $event"
      />
      <DuckPlot
        v-if="ducking && current?.reading"
        :ducker="current"
        :asking="asking"
        :bar-seconds="ducking.barSeconds"
        :section="ducking.sectionName"
        :tempo-bpm="ducking.tempoBpm"
      />
    </section>
    <aside class="side" aria-label="The chosen ducker">
      <DuckAsk v-if="ducking && current" :ducker="current" :asking="asking" />
    </aside>
  </main>
  <p v-else-if="document.missing" class="nothing">
    There is no such {{ kind }}. <RouterLink to="/">Back to the library</RouterLink>
  </p>
  <p v-else class="nothing faint">Opening…</p>
  <MakeRoomDialog v-model:open="making" :section="section" @limits="limits = $event" />
</template>

<style scoped src="@/parts/sidedPage.css"></style>
<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 14px;
  margin-bottom: 10px;
}

h2 {
  font-size: 19px;
  margin: 0;
}

.plum {
  color: var(--plum);
}
</style>
