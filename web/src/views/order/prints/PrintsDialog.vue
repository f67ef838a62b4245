<script setup lang="ts">
import Dialog from 'primevue/dialog'
import { computed, ref, watch } from 'vue'
import { printsAsked } from './printsAsked'
import { swapping } from './swapping'
import { usePrinting } from './usePrinting'
import { api, asked, sentenceOf } from '@/api/client'
import type { Schemas } from '@/api/types'
import ChannelTicks from '@/parts/ChannelTicks.vue'
import DialogEnds from '@/parts/DialogEnds.vue'
import FileAsks from '@/parts/FileAsks.vue'
import JobLine from '@/parts/JobLine.vue'
import { megabytesText } from '@/parts/waveDepths'
import { useDocument } from '@/state/document'

/** Many instruments printed by one render: which, how deep, what would be silent; and whether prints or instruments play. */
const document = useDocument()
const printing = usePrinting()
const open = computed({
  get: () => printsAsked.value !== undefined,
  set: (now) => {
    if (!now) printsAsked.value = undefined
  },
})
const plan = ref<Schemas['PrintPlanView']>()
const refused = ref<string>()
const chosen = ref<string[]>([])
const depth = ref<Schemas['WaveDepth']>('float32')
const tail = ref(4)
const playing = ref(true)

const actName = computed(() => document.head?.acts.find((a) => a.id === document.act)?.name ?? '')
const ticked = computed(() => plan.value?.channels.filter((c) => chosen.value.includes(c.id)) ?? [])
/** With an instrument its other outputs are printed, since they rest when it does. */
const printed = computed(() => {
  const along = new Set(ticked.value.flatMap((c) => c.outputs))
  return plan.value?.channels.filter((c) => !c.playsPrint && (chosen.value.includes(c.id) || along.has(c.id))) ?? []
})
const made = computed(() => printed.value.filter((c) => !c.twin).length)
const size = computed(() => {
  const lanes = printed.value.reduce((sum, c) => sum + c.lanes, 0)
  return plan.value && megabytesText(lanes, plan.value.seconds + tail.value, plan.value.sampleRateHz, depth.value)
})
const resting = computed(() => pairsOf(ticked.value.filter((c) => c.playsPrint)))
/** Outputs come along with their instrument. */
const back = computed(() => {
  const played = resting.value.filter((p) => document.rows.get(p.channel)?.channel.kind === 'instrument').length
  const [count, one, many] = played
    ? [played, 'the instrument', 'instruments']
    : [resting.value.length, 'the output', 'outputs']
  return count === 1 ? one : `${count} ${many}`
})
const ready = computed(() => pairsOf(ticked.value.filter((c) => !c.playsPrint && isWhole(c))))

/** An output without a print would fall silent with its instrument. */
function isWhole(choice: Schemas['PrintChoice']) {
  const outputs = plan.value?.channels.filter((c) => choice.outputs.includes(c.id)) ?? []
  return choice.isPrinted && outputs.every((c) => c.isPrinted)
}

watch(printsAsked, async (ids) => {
  if (!ids) return
  printing.message.value = undefined
  await look()
  const there = plan.value?.channels ?? []
  chosen.value = there.filter((c) => ids.length === 0 || ids.includes(c.id)).map((c) => c.id)
})

async function look() {
  refused.value = undefined
  if (!document.head) return
  try {
    const params = { path: { id: document.head.id }, query: { act: document.act } }
    plan.value = await asked(api.GET('/api/documents/{id}/prints', { params }))
  } catch (error) {
    refused.value = sentenceOf(error)
  }
}

/** An instrument goes with its outputs. */
function pairsOf(choices: readonly Schemas['PrintChoice'][]) {
  const all = new Set(choices.flatMap((c) => [c.id, ...c.outputs]))
  return (plan.value?.channels ?? []).flatMap((c) => (all.has(c.id) && c.twin ? [{ channel: c.id, twin: c.twin }] : []))
}

async function print() {
  if (printed.value.length === 0 || printing.busy.value) return
  await printing.print({
    channels: printed.value.map((c) => c.id),
    depth: depth.value,
    tailSeconds: tail.value,
    playing: playing.value,
  })
  await look()
}

async function swap(pairs: { channel: string; twin: string }[], toPrints: boolean) {
  printing.message.value = undefined
  await document.edit(swapping(pairs, document.act, toPrints))
  await look()
}
</script>

<template>
  <Dialog v-model:visible="open" modal header="Prints" :style="{ width: '620px' }" :draggable="false">
    <form class="form" @submit.prevent="print">
      <FileAsks v-model:depth="depth" v-model:tail="tail">
        <label class="tick" title="The instruments rest in the wings">
          <input v-model="playing" type="checkbox" /> the prints play in {{ actName }}, the instruments rest
        </label>
      </FileAsks>
      <p v-if="refused" class="trouble" role="alert">{{ refused }}</p>
      <p v-else-if="plan?.channels.length === 0" class="quiet">
        No instrument leads to the main in {{ actName }}: there is nothing to print.
      </p>
      <ChannelTicks
        v-else-if="plan"
        v-slot="{ channel: c }"
        v-model="chosen"
        :channels="plan.channels"
        :taken="printed"
      >
        <small v-if="c.playsPrint" class="proven">its print plays</small>
        <small v-else-if="c.isPrinted" class="quiet">printed before</small>
        <small v-if="c.outputs.length" class="quiet"
          >with {{ c.outputs.length }} more {{ c.outputs.length === 1 ? 'output' : 'outputs' }}</small
        >
      </ChannelTicks>
      <p v-if="plan && printed.length" class="quiet">
        {{ printed.length }} {{ printed.length === 1 ? 'print' : 'prints' }} by one render, {{ size
        }}<template v-if="made"
          >; {{ made }} {{ made === 1 ? 'channel' : 'channels' }} for them
          {{ made === 1 ? 'is' : 'are' }} made</template
        >. Taken after the inserts, before fader and sends.
      </p>
      <p v-if="(resting.length || ready.length) && !printing.busy.value" class="swaps">
        <button v-if="ready.length" type="button" class="plain" @click="swap(ready, true)">
          Play {{ ready.length === 1 ? 'the print' : `${ready.length} prints` }} as
          {{ ready.length === 1 ? 'it is' : 'they are' }}
        </button>
        <button v-if="resting.length" type="button" class="plain" @click="swap(resting, false)">
          Bring {{ back }} back
        </button>
      </p>
      <JobLine
        v-if="printing.busy.value"
        :progress="printing.progress.value"
        doing="Printing"
        @cancel="printing.cancel()"
      />
      <p v-else-if="printing.message.value && !printing.failed.value" class="quiet" role="status">
        {{ printing.message.value }}
      </p>
      <DialogEnds
        :trouble="printing.failed.value ? printing.message.value : undefined"
        leave="Close"
        keep="Print"
        :disabled="printed.length === 0 || printing.busy.value"
        @leave="open = false"
      />
    </form>
  </Dialog>
</template>

<style scoped src="@/parts/dialogForm.css"></style>
<style scoped>
.proven {
  color: var(--proven);
}

.swaps {
  display: flex;
  gap: 10px;
}
</style>
