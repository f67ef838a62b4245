<script setup lang="ts">
import Dialog from 'primevue/dialog'
import DialogEnds from '@/parts/DialogEnds.vue'
import { computed, ref, watch } from 'vue'
import { draft, freshId, kindChoices } from './channelDraft'
import type { ChannelKind, Source } from '@/api/types'
import { useCatalogue } from '@/state/catalogue'
import { useDocument } from '@/state/document'

const open = defineModel<boolean>('open', { required: true })
const document = useDocument()
const catalogue = useCatalogue()
const kind = ref<ChannelKind>('instrument')
const name = ref('')
const under = ref('')
const instrument = ref('')
const splitOf = ref('')
const output = ref(2)
const input = ref(1)

const feeds = computed(() => !['trigger', 'direct', 'notes'].includes(kind.value))
const kits = computed(() =>
  document.ordered.filter((r) => r.channel.source?.type === 'instrument' && r.channel.source.kit),
)
const outputs = computed(() => {
  const source = document.rows.get(splitOf.value)?.channel.source
  return source?.type === 'instrument' ? (source.kit?.outputs ?? []) : []
})
const suggestion = computed(() => {
  if (kind.value === 'instrument') return catalogue.instruments.get(instrument.value)?.name ?? 'Instrument'
  if (kind.value === 'split') return outputs.value[output.value - 1]?.name ?? 'Split'
  return (
    {
      audio: `Input ${input.value}`,
      bus: 'Bus',
      return: 'Return',
      trigger: 'Trigger',
      direct: 'Direct',
      notes: 'Notes',
    }[kind.value as string] ?? 'Channel'
  )
})

watch(open, (now) => {
  if (!now) return
  const chosen = document.selected?.channel
  const isSum = chosen?.kind === 'bus' || chosen?.kind === 'main'
  under.value =
    (isSum ? chosen?.id : chosen?.destination) ??
    document.sums.find((r) => r.depth > 0)?.channel.id ??
    document.sums[0]?.channel.id ??
    ''
  instrument.value ||= catalogue.known.instruments[0]?.id ?? ''
  splitOf.value = kits.value[0]?.channel.id ?? ''
  name.value = ''
  document.refusal = undefined
})

function source(): Source | null {
  if (kind.value === 'instrument')
    return {
      type: 'instrument',
      instrument: instrument.value,
      kit: catalogue.instruments.get(instrument.value)?.kit ?? null,
    }
  if (kind.value === 'split')
    return { type: 'output', instrument: splitOf.value, output: output.value, monitored: true }
  if (kind.value === 'audio') return { type: 'input', first: input.value, second: null, monitored: false, armed: false }
  return kind.value === 'trigger' ? { type: 'instrument', instrument: 'key-tone', kit: null } : null
}

async function add() {
  const title = name.value.trim() || suggestion.value
  const id = freshId(title, (taken) => document.rows.has(taken))
  const channel = draft(id, title, kind.value, feeds.value ? under.value : null, source())
  if (!(await document.edit([{ type: 'add-channel', channel, place: null }]))) return
  document.choose(id)
  open.value = false
}
</script>

<template>
  <Dialog v-model:visible="open" modal header="Add a channel" :style="{ width: '400px' }" :draggable="false">
    <form class="form" @submit.prevent="add">
      <label
        >Kind<select v-model="kind" class="field" autofocus>
          <option
            v-for="choice in kindChoices"
            :key="choice.kind"
            :value="choice.kind"
            :disabled="choice.kind === 'split' && kits.length === 0"
          >
            {{ choice.text }}
          </option>
        </select></label
      >
      <label v-if="kind === 'instrument'"
        >Instrument<select v-model="instrument" class="field">
          <option v-for="i in catalogue.known.instruments" :key="i.id" :value="i.id">
            {{ i.name }}: {{ i.about }}
          </option>
        </select></label
      >
      <div v-if="kind === 'split'" class="pair">
        <label
          >Of<select v-model="splitOf" class="field">
            <option v-for="r in kits" :key="r.channel.id" :value="r.channel.id">{{ r.channel.name }}</option>
          </select></label
        >
        <label
          >Output<select v-model.number="output" class="field">
            <option v-for="(o, i) in outputs" :key="i" :value="i + 1" :disabled="i === 0">
              {{ i + 1 }} {{ o.name }}
            </option>
          </select></label
        >
      </div>
      <label v-if="kind === 'audio'"
        >Hardware input<input v-model.number="input" class="field" type="number" min="1" max="128"
      /></label>
      <label v-if="feeds"
        >Under, feeding<select v-model="under" class="field">
          <option v-for="r in document.sums" :key="r.channel.id" :value="r.channel.id">{{ r.channel.name }}</option>
        </select></label
      >
      <label>Name<input v-model="name" class="field" maxlength="80" :placeholder="suggestion" /></label>
      <DialogEnds :trouble="document.refusal?.sentence" leave="Not now" keep="Add it" @leave="open = false" />
    </form>
  </Dialog>
</template>

<style scoped src="@/parts/dialogForm.css"></style>
