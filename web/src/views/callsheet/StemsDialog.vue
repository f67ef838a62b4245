<script setup lang="ts">
import Dialog from 'primevue/dialog'
import { computed, ref, watch } from 'vue'
import { api, asked, sentenceOf } from '@/api/client'
import type { Schemas } from '@/api/types'
import ChannelTicks from '@/parts/ChannelTicks.vue'
import DialogEnds from '@/parts/DialogEnds.vue'
import FileAsks from '@/parts/FileAsks.vue'
import JobLine from '@/parts/JobLine.vue'
import { megabytesText } from '@/parts/waveDepths'
import { useMadeFile } from '@/state/useMadeFile'

/** Channels as files of their own: which, how, how large; what would be silent is said before anything is rendered. */
const props = defineProps<{ document: string }>()
const open = defineModel<boolean>('open', { required: true })
const stems = useMadeFile('stems')
const plan = ref<Schemas['StemPlanView']>()
const refused = ref<string>()
const which = ref<'sum' | 'buses' | 'returns' | 'all'>('sum')
const chosen = ref<string[]>([])
const depth = ref<Schemas['WaveDepth']>('int24')
const dry = ref(false)
const counted = ref(false)
const through = ref(false)
const tail = ref(4)

const isIn = (c: Schemas['StemChoice']) =>
  which.value === 'all' ||
  (which.value === 'sum' && c.feedsTheLastSum) ||
  (which.value === 'buses' && c.kind === 'bus') ||
  (which.value === 'returns' && c.kind === 'return')
const listed = computed(() => plan.value?.channels.filter((c) => chosen.value.includes(c.id)) ?? [])
const size = computed(() => {
  const lanes = listed.value.reduce((sum, c) => sum + (dry.value && c.format === 'mono' ? 1 : 2), 0)
  return plan.value && megabytesText(lanes, plan.value.seconds + tail.value, plan.value.sampleRateHz, depth.value)
})

/** Whether the chosen ones are what comes into the last sum, no more and no less. */
const addsUp = computed(
  () =>
    !dry.value &&
    !through.value &&
    plan.value?.channels.every((c) => c.feedsTheLastSum === chosen.value.includes(c.id)),
)

watch(open, async (now) => {
  if (!now) return
  refused.value = undefined
  try {
    const params = { path: { id: props.document } }
    plan.value = await asked(api.GET('/api/documents/{id}/stems', { params }))
    choose()
  } catch (error) {
    refused.value = sentenceOf(error)
  }
})
watch(which, choose)

function choose() {
  chosen.value = plan.value?.channels.filter(isIn).map((c) => c.id) ?? []
}

function make() {
  if (!plan.value || chosen.value.length === 0 || stems.busy.value) return
  const { act, channels } = plan.value
  const wish = {
    document: props.document,
    act,
    channels: channels.filter((c) => chosen.value.includes(c.id)).map((c) => c.id),
    depth: depth.value,
    dry: dry.value,
    countedIn: counted.value,
    throughLastSum: through.value && !dry.value,
    tailSeconds: tail.value,
  }
  void stems.make(() => asked(api.POST('/api/stems', { body: wish })))
}
</script>

<template>
  <Dialog v-model:visible="open" modal header="Stems" :style="{ width: '620px' }" :draggable="false">
    <form class="form" @submit.prevent="make">
      <FileAsks v-model:depth="depth" v-model:tail="tail">
        <template #first>
          <label
            >Which
            <select v-model="which" class="field">
              <option value="sum">what feeds {{ plan?.lastSum ?? 'the last sum' }}</option>
              <option value="buses">every bus</option>
              <option value="returns">every return</option>
              <option value="all">every channel</option>
            </select>
          </label>
        </template>
        <label class="tick" title="Before inserts, fader and pan; mono channels on one lane">
          <input v-model="dry" type="checkbox" /> dry
        </label>
        <label
          class="tick"
          title="The strip, fader and pan of the last sum on each of them alone; with a compressor there they add up to it no more"
        >
          <input v-model="through" type="checkbox" :disabled="dry" /> through {{ plan?.lastSum ?? 'the last sum' }}
        </label>
        <label
          v-if="plan?.counts"
          class="tick"
          title="Each begins with the count as silence; the clicks are a file of their own"
        >
          <input v-model="counted" type="checkbox" /> with the count-in
        </label>
      </FileAsks>
      <p v-if="refused" class="trouble" role="alert">{{ refused }}</p>
      <ChannelTicks v-if="plan" v-model="chosen" :channels="plan.channels" :taken="listed" />
      <p class="quiet">
        {{ listed.length }} {{ listed.length === 1 ? 'file' : 'files' }}, {{ size }}, all from one start<template
          v-if="addsUp"
          >; added up they are what comes into {{ plan?.lastSum }}</template
        >.
      </p>
      <JobLine
        v-if="stems.busy.value"
        :progress="stems.progress.value"
        doing="Rendering the stems"
        @cancel="stems.cancel()"
      />
      <p v-else-if="stems.message.value && !stems.failed.value" class="quiet" role="status">
        {{ stems.message.value }}
      </p>
      <DialogEnds
        :trouble="stems.failed.value ? stems.message.value : undefined"
        leave="Close"
        keep="Render and download"
        :disabled="chosen.length === 0 || stems.busy.value"
        @leave="open = false"
      />
    </form>
  </Dialog>
</template>

<style scoped src="@/parts/dialogForm.css"></style>
