<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import CoarseSlider from './CoarseSlider.vue'
import FamilyBands from './FamilyBands.vue'
import LineCheckDialog from '@/linecheck/LineCheckDialog.vue'
import MachineDialog from '@/machine/MachineDialog.vue'
import OutputTable from './OutputTable.vue'
import OutputsHead from './OutputsHead.vue'
import OutputsPanel from './OutputsPanel.vue'
import OutputsShelf from './OutputsShelf.vue'
import PieceTable from './PieceTable.vue'
import SwapDialog from './SwapDialog.vue'
import { outputShortcuts } from './outputKeymap'
import { useLineCheck } from './useLineCheck'
import { useOutputKeys } from './useOutputKeys'
import { useOutputs } from './useOutputs'
import { useSendingByKeys } from './useSendingByKeys'
import DocumentTitle from '@/views/order/DocumentTitle.vue'
import type { DocumentKind } from '@/api/types'
import ShortcutsDialog from '@/parts/ShortcutsDialog.vue'
import { useDocument } from '@/state/document'
import { useShown } from '@/state/useShown'

const props = defineProps<{ kind: DocumentKind; id: string; channel?: string }>()
const document = useDocument()
const router = useRouter()
const swapping = ref(false)
const checking = ref(false)
const making = ref(false)
const shelving = ref(false)
/** The bands and the table are two views of one thing. */
const asTable = ref(false)
const chosen = ref<number>()
const explaining = ref(false)
useShown(props)

const kits = computed(() =>
  document.instruments.filter((r) => r.channel.source?.type === 'instrument' && r.channel.source.kit),
)
const channel = computed(() => {
  const asked = props.channel ?? document.selectedId
  return (kits.value.find((r) => r.channel.id === asked) ?? kits.value[0])?.channel.id
})
const outputs = useOutputs(channel)
const { view, looked, trouble, kit, plan, lines, standing, pieces } = outputs
const split = computed(() => lines.value.filter((l) => l.pieces.length && l.number > 1).length)
const check = useLineCheck(view)

// What is pressed sounds by the chosen channel.
watch(channel, (id) => id && document.choose(id), { immediate: true })
watch([channel, () => document.head?.id], () => (chosen.value = undefined))

const sendBy = useSendingByKeys({ chosen, view, kit, sendTo })
useOutputKeys({ outputs, check, channel, chosen, explaining, sendBy })

const orderPath = computed(() => (props.kind === 'song' ? `/songs/${props.id}/order` : `/templates/${props.id}`))

const showOutputs = (id: string) => router.replace(`/${props.kind}s/${props.id}/outputs/${id}`)

/** What plays outside has no outputs in here, but inputs in the running order. */
function showMade(id: string) {
  if (document.rows.get(id)?.channel.kind === 'instrument') void showOutputs(id)
  else show(id)
}

/** As it is now: a plan that is looked at is not what is changed by hand. */
async function sendTo(piece: string, output: number) {
  const { value } = channel
  if (!value) return false
  looked.value = undefined
  return document.edit([{ type: 'send-to-output', channel: value, lines: [piece], output }], value)
}

function show(id: string) {
  document.choose(id)
  void router.push(orderPath.value)
}
</script>

<template>
  <DocumentTitle />
  <main v-if="document.missing" class="nothing">There is no such {{ kind }}.</main>
  <main v-else-if="document.head?.id === id && !channel" class="nothing">
    <h2>No kit here yet</h2>
    <p class="quiet">
      A drum machine or any instrument with several outputs is split here. Type the pieces of your own, or
      <RouterLink :to="orderPath">add one of those that are built in</RouterLink> in the running order.
    </p>
    <div class="ways">
      <button type="button" class="plain" @click="making = true">A machine of your own…</button>
      <button type="button" class="plain" @click="shelving = true">A kit from the shelf…</button>
    </div>
  </main>
  <main v-else-if="view && kit && channel" class="outputs">
    <section class="sheet" aria-label="Pieces and outputs">
      <OutputsHead
        :kits="kits"
        :channel="channel"
        :view="view"
        :kit="kit"
        :running="check.running.value"
        :fired="check.rows.size"
        :sources="check.sources.value.length"
        @choose="showOutputs"
        @make="making = true"
        @shelf="shelving = true"
        @swap="swapping = true"
        @check="checking = true"
        @use="outputs.use"
        @fire="check.fireAll"
        @explain="explaining = true"
      />
      <div v-if="view.plans.length" class="coarse">
        <CoarseSlider
          :plans="view.plans"
          :looked="looked"
          :standing="standing"
          :used="outputs.used.value"
          @look="looked = $event"
        />
        <span
          ><b>{{ split }}</b> {{ split === 1 ? 'split' : 'splits' }}</span
        >
        <span>{{ (plan?.weightPercent ?? view.weightPercent).toFixed(1) }} % of a core</span>
        <span v-if="plan || standing >= 0">likeness kept {{ (plan ?? view.plans[standing]!).likenessPercent }} %</span>
        <span v-else class="faint">as set by hand</span>
        <span class="ways">
          <button type="button" class="plain bare" :aria-pressed="!asTable" @click="asTable = false">Bands</button>
          <button type="button" class="plain bare" :aria-pressed="asTable" @click="asTable = true">Table</button>
        </span>
      </div>
      <p v-else class="quiet">
        No plan is left: more pieces keep an output to themselves than there are outputs. Choose one and let it share.
      </p>
      <p v-if="view.pinsSay" class="quiet said">{{ view.pinsSay }}</p>
      <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
      <div v-if="asTable" class="tables">
        <PieceTable
          :channel="channel"
          :kit="kit"
          :pieces="pieces"
          :outputs="view.now"
          :chosen="chosen"
          @choose="chosen = $event"
          @fire="check.fire"
        />
        <OutputTable :channel="channel" :kit="kit" :outputs="view.now" :parts="view.parts" />
      </div>
      <FamilyBands
        v-else
        :pieces="pieces"
        :lines="lines"
        :chosen="chosen"
        :firing="check.firing.value"
        :rows="check.rows"
        :name-of="(at) => document.rows.get(at)?.channel.name"
        @choose="chosen = $event"
        @fire="check.fire"
        @open="show"
        @send="sendTo"
      />
    </section>
    <OutputsPanel
      :outputs="outputs"
      :check="check"
      :channel="channel"
      :chosen="chosen"
      @show="show"
      @leave="looked = undefined"
      @choose="chosen = $event"
    />
    <LineCheckDialog v-model:open="checking" />
    <ShortcutsDialog v-model:open="explaining" place="the outputs" :shortcuts="outputShortcuts" />
    <SwapDialog v-model:open="swapping" :channel="channel" />
  </main>
  <main v-else class="nothing faint">{{ trouble ?? 'Opening…' }}</main>
  <OutputsShelf v-model:open="shelving" :channel="channel" @made="showOutputs" />
  <MachineDialog v-model:open="making" @made="showMade" />
</template>

<style scoped>
.outputs {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 318px;
  min-height: 0;
}

.sheet {
  display: flex;
  flex-direction: column;
  min-height: 0;
  padding: 12px 18px 0;
}

.coarse {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 20px;
  margin: 4px 0 8px;
  color: var(--text-2);
}

.coarse b {
  color: var(--text);
}

.coarse .ways {
  margin-left: auto;
}

.coarse .ways [aria-pressed='true'] {
  color: var(--lamp);
}

.said {
  margin: 0 0 6px;
}

.tables {
  flex: 1;
  min-height: 0;
  overflow: auto;
}

.trouble {
  margin: 0 0 8px;
  color: var(--blocker);
}

.ways {
  display: flex;
  gap: 10px;
}

.nothing {
  padding: 24px 18px;
}

@media (max-width: 900px) {
  .outputs {
    display: block;
    overflow: auto;
  }
}
</style>
