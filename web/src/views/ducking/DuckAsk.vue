<script setup lang="ts">
import { ref, watch } from 'vue'
import { solved } from './duckingCalls'
import { sentenceOf } from '@/api/client'
import type { Ducker } from '@/api/types'
import { numberText } from '@/parts/decibels'
import { valuesRead } from '@/parts/written'
import ValueField from '@/parts/ValueField.vue'
import { useCatalogue } from '@/state/catalogue'
import { useDocument } from '@/state/document'

/** Says how far and until when a channel shall give way; the settings are worked out and measured. */
const props = defineProps<{ ducker: Ducker; section: string; tempoBpm: number }>()
const document = useDocument()
const catalogue = useCatalogue()
const depth = ref(6)
const back = ref(0.5)
const stay = ref(0)
const soft = ref(false)
const solving = ref(false)
const limit = ref<string | null>(null)
const trouble = ref<string>()
const quarterMs = () => 60000 / props.tempoBpm

/** What it does now is where the asking begins. */
watch(
  () => `${props.ducker.channel}/${props.ducker.insert}`,
  () => {
    const { reading } = props.ducker
    depth.value = Math.max(1, Math.round((reading?.depthDb ?? 6) * 10) / 10)
    if (reading?.backMs) back.value = nearestNote(reading.backMs / quarterMs())
    limit.value = null
    trouble.value = undefined
  },
  { immediate: true },
)

function nearestNote(quarters: number) {
  const known = catalogue.known.noteValues.map((n) => n.quarters)
  return known.reduce((best, q) => (Math.abs(q - quarters) < Math.abs(best - quarters) ? q : best), known[0] ?? 0.5)
}

async function solve() {
  if (!document.head) return
  solving.value = true
  trouble.value = undefined
  await valuesRead()
  try {
    const { channel, insert } = props.ducker
    const ask = { depthDb: depth.value, backQuarters: back.value, stayMs: stay.value, soft: soft.value }
    const answer = await solved(document.head.id, document.act, props.section, { channel, insert }, ask)
    limit.value = answer.limit
    if (answer.edits.length) await document.edit(answer.edits, channel)
  } catch (error) {
    trouble.value = sentenceOf(error)
  } finally {
    solving.value = false
  }
}
</script>

<template>
  <section>
    <h2>Ask</h2>
    <form @submit.prevent="solve">
      <span class="quiet">This deep</span>
      <ValueField
        label="This deep"
        unit="dB"
        :value="depth"
        :min="1"
        :max="40"
        :step="0.5"
        @change="depth = $event ?? 6"
      />
      <span class="quiet">Stay down</span>
      <ValueField
        label="Stay down"
        unit="ms"
        counts="milliseconds"
        :value="stay"
        :min="0"
        :max="500"
        :step="5"
        @change="stay = $event ?? 0"
      />
      <span class="quiet">Back by</span>
      <span class="back"
        ><ValueField
          label="Back by"
          counts="quarters"
          :value="back"
          :min="0.03125"
          :max="16"
          :step="0.0625"
          @change="back = $event ?? 0.5"
        /><small class="faint">{{ numberText(back * quarterMs(), 0) }} ms</small></span
      >
      <span class="quiet">Goes down</span>
      <select v-model="soft" class="field" aria-label="Goes down">
        <option :value="false">at once</option>
        <option :value="true">gently</option>
      </select>
      <button type="submit" class="plain on solve" :disabled="solving">
        {{ solving ? 'Working it out…' : 'Set it so' }}
      </button>
    </form>
    <p v-if="limit" class="plum" role="status">{{ limit }}</p>
    <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
  </section>
  <section v-if="ducker.reading">
    <h3>Measured</h3>
    <dl>
      <dt>Depth</dt>
      <dd>{{ numberText(ducker.reading.depthDb, 2) }} dB</dd>
      <template v-if="ducker.reading.depthDb - ducker.reading.leastDepthDb > 0.2">
        <dt>Softest hit</dt>
        <dd>{{ numberText(ducker.reading.leastDepthDb, 1) }} dB</dd>
      </template>
      <dt>Back at</dt>
      <dd>
        {{ ducker.reading.backMs == null ? 'not before the next hit' : `${numberText(ducker.reading.backMs, 0)} ms` }}
      </dd>
      <dt>Takes</dt>
      <dd>{{ numberText(ducker.reading.meanDb, 1) }} dB of the mean level</dd>
    </dl>
  </section>
  <p v-else class="faint">{{ ducker.trouble }}</p>
</template>

<style scoped>
section {
  border-bottom: 1px solid var(--line-soft);
  padding-bottom: 12px;
  margin-bottom: 12px;
}

h2 {
  margin: 0 0 8px;
}

h3 {
  font-size: 14px;
  margin: 0 0 6px;
}

form,
dl {
  display: grid;
  grid-template-columns: 100px 1fr;
  gap: 5px 10px;
  align-items: baseline;
  margin: 0;
}

dt {
  color: var(--text-2);
}

dd {
  margin: 0;
}

.back {
  display: flex;
  gap: 8px;
  align-items: baseline;
}

.solve {
  grid-column: 1 / 3;
  justify-self: start;
  margin-top: 6px;
}

.plum {
  color: var(--plum);
}

.trouble {
  color: var(--blocker);
}
</style>
