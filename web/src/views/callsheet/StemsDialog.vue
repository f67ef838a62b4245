<script setup lang="ts">
import Dialog from 'primevue/dialog'
import { computed, ref, watch } from 'vue'
import { api, asked, sentenceOf } from '@/api/client'
import type { Schemas } from '@/api/types'
import DialogEnds from '@/parts/DialogEnds.vue'
import JobLine from '@/parts/JobLine.vue'
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
const tail = ref(4)

const depths: Record<Schemas['WaveDepth'], [words: string, bytes: number]> = {
  int16: ['16 bit', 2],
  int24: ['24 bit', 3],
  float32: ['32 bit, floating', 4],
}
const isIn = (c: Schemas['StemChoice']) =>
  which.value === 'all' ||
  (which.value === 'sum' && c.feedsTheLastSum) ||
  (which.value === 'buses' && c.kind === 'bus') ||
  (which.value === 'returns' && c.kind === 'return')
const listed = computed(() => plan.value?.channels.filter((c) => chosen.value.includes(c.id)) ?? [])
const silent = computed(() => listed.value.filter((c) => c.silentBecause.length > 0))
const megabytes = computed(() => {
  if (!plan.value) return 0
  const lanes = listed.value.reduce((sum, c) => sum + (dry.value && c.format === 'mono' ? 1 : 2), 0)
  return (lanes * (plan.value.seconds + tail.value) * plan.value.sampleRateHz * depths[depth.value][1]) / 1e6
})

/** Whether the chosen ones are what comes into the last sum, no more and no less. */
const addsUp = computed(
  () => !dry.value && plan.value?.channels.every((c) => c.feedsTheLastSum === chosen.value.includes(c.id)),
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
    tailSeconds: tail.value,
  }
  void stems.make(() => asked(api.POST('/api/stems', { body: wish })))
}
</script>

<template>
  <Dialog v-model:visible="open" modal header="Stems" :style="{ width: '620px' }" :draggable="false">
    <form class="form" @submit.prevent="make">
      <div class="asks">
        <label
          >Which
          <select v-model="which" class="field">
            <option value="sum">what feeds {{ plan?.lastSum ?? 'the last sum' }}</option>
            <option value="buses">every bus</option>
            <option value="returns">every return</option>
            <option value="all">every channel</option>
          </select>
        </label>
        <label
          >As
          <select v-model="depth" class="field">
            <option v-for="([words], value) in depths" :key="value" :value="value">{{ words }}</option>
          </select>
        </label>
        <label
          >Tail, s
          <input v-model.number="tail" class="field tail" type="number" min="0" max="30" step="0.5" required />
        </label>
        <label class="tick" title="Before inserts, fader and pan; mono channels on one lane">
          <input v-model="dry" type="checkbox" /> dry
        </label>
        <label
          v-if="plan?.counts"
          class="tick"
          title="Each begins with the count as silence; the clicks are a file of their own"
        >
          <input v-model="counted" type="checkbox" /> with the count-in
        </label>
      </div>
      <p v-if="refused" class="trouble" role="alert">{{ refused }}</p>
      <ul v-if="plan" aria-label="Channels">
        <li v-for="c in plan.channels" :key="c.id">
          <label :style="{ paddingLeft: `${c.depth * 12}px` }">
            <input v-model="chosen" type="checkbox" :value="c.id" />
            <span>{{ c.name }}</span>
            <small v-if="c.silentBecause.length" class="lacks" :title="c.silentBecause.join(' ')">silent</small>
          </label>
        </li>
      </ul>
      <p v-if="silent.length" class="quiet" role="note">
        {{ silent.length === 1 ? 'One of them would be silent' : `${silent.length} of them would be silent` }}:
        {{ silent[0]!.name }}. {{ silent[0]!.silentBecause.join(' ') }}
      </p>
      <p class="quiet">
        {{ listed.length }} {{ listed.length === 1 ? 'file' : 'files' }},
        {{ megabytes.toFixed(megabytes < 10 ? 1 : 0) }} MB, all from one start<template v-if="addsUp"
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
<style scoped src="@/parts/fileAsks.css"></style>
