<script setup lang="ts">
import { computed, ref } from 'vue'
import DeviceDialog from './DeviceDialog.vue'
import { sentenceOf } from '@/api/client'
import type { Edit, KnownDevice, OutsideDevice } from '@/api/types'
import KeepOnShelf from '@/parts/KeepOnShelf.vue'
import Picker from '@/parts/Picker.vue'
import { useCatalogue } from '@/state/catalogue'
import { useDevices } from '@/state/devices'
import { useDocument } from '@/state/document'
import { useShelf } from '@/state/shelf'
import { useStudio } from '@/state/studio'

/** Which device an insert or instrument is: none, one that is known, or one that is told of here. */
const props = defineProps<{ channel: string; insert?: string; device: OutsideDevice | null; standIn: string }>()
const document = useDocument()
const catalogue = useCatalogue()
const devices = useDevices()
const shelf = useShelf()
const studio = useStudio()
const telling = ref(false)
const keeping = ref(false)
const trouble = ref<string>()
/** Another device that waits for a yes, since it leaves something behind. */
const swapping = ref<{ device: OutsideDevice; edits: Edit[]; left: string[] }>()

const isInstrument = computed(() => !props.insert)
const place = computed(() => ({ channel: props.channel, insert: props.insert ?? null }))
const placeText = computed(() => (props.insert ? `${props.channel}/${props.insert}` : props.channel))
const ours = computed(
  () => (isInstrument.value ? catalogue.instruments : catalogue.processors).get(props.standIn)?.name ?? props.standIn,
)
const standing = computed(() =>
  studio.fit?.devices.find((d) => d.channel === props.channel && (d.insert ?? undefined) === props.insert),
)
const choices = computed(() => [
  ...(isInstrument.value ? devices.instruments : devices.inserts).map((d) => ({
    value: d.key,
    text: d.isHere ? d.device.name : `${d.device.name}, not in this studio`,
  })),
  { value: '(tell)', text: 'Another, told of here…' },
  ...(props.device ? [{ value: '(none)', text: `${ours.value} itself` }] : []),
])
const latency = computed(() => {
  const ms = standing.value
    ? standing.value.latencyMs
    : props.device?.latency
      ? (1000 * props.device.latency.frames) / props.device.latency.rateHz
      : null
  return ms == null
    ? 'latency unknown'
    : `${ms.toFixed(1)} ms late${standing.value?.isMeasured ? ', as measured here' : ''}`
})
const where = computed(() => {
  if (!studio.on || !standing.value) return ''
  if (standing.value.standing === 'here') return `in ${studio.on.name}`
  return standing.value.standing === 'missing' ? `missing in ${studio.on.name}` : `not known in ${studio.on.name}`
})
if (!devices.known.length) void devices.look().catch(() => undefined)

const send = (...edits: Edit[]) => document.edit(edits, props.channel)

function choose(value: string) {
  if (value === '(tell)') telling.value = true
  else if (value === '(none)') void send({ type: 'set-device', ...place.value, device: null })
  else void put(devices.byKey.get(value)!)
}

/** What is there stands in for it from then on; where a device is there, what it leaves behind is said first. */
async function put(known: KnownDevice) {
  const { id } = document.head!
  try {
    const swap = known.item
      ? await shelf.taking(id, known.item, placeText.value)
      : await devices.swap(id, props.channel, props.insert ?? null, known.device)
    if (swap.left.length) swapping.value = { device: known.device, ...swap }
    else await send(...swap.edits)
  } catch (error) {
    trouble.value = sentenceOf(error)
  }
}

async function keep(device: OutsideDevice, standIn: string) {
  trouble.value = undefined
  const edits: Edit[] = [{ type: 'set-device', ...place.value, device }]
  if (standIn !== props.standIn) edits.push({ type: 'set-stand-in', ...place.value, standIn })
  if (await send(...edits)) telling.value = false
  else trouble.value = document.refusal?.sentence
}

async function swap() {
  if (await send(...swapping.value!.edits)) swapping.value = undefined
}
</script>

<template>
  <div class="device">
    <div class="line">
      <span class="quiet">Stands in for</span>
      <Picker
        label="The device that it stands in for"
        :choices="choices"
        :value="null"
        :empty="device?.name ?? 'nothing: it is itself'"
        @choose="choose"
      />
    </div>
    <template v-if="device">
      <p class="plum">
        What is heard is {{ standIn === 'through' ? 'nothing: sound passes through' : `${ours}, standing in` }}.
      </p>
      <p class="quiet">
        {{ [latency, where, device.preset && `preset ${device.preset}`].filter(Boolean).join(' · ') }}
      </p>
      <div class="line">
        <button type="button" class="plain" @click="telling = true">What is known…</button>
        <button type="button" class="plain" @click="keeping = true">To the shelf…</button>
      </div>
    </template>
    <div v-if="swapping" class="left" role="alertdialog" :aria-label="`${swapping.device.name} instead`">
      <p>{{ swapping.device.name }} leaves something behind:</p>
      <p v-for="sentence in swapping.left" :key="sentence" class="plum">{{ sentence }}</p>
      <button type="button" class="plain" @click="swap">Put it there all the same</button>
      <button type="button" class="plain bare" @click="swapping = undefined">Leave it</button>
    </div>
    <p v-if="trouble && !telling" class="trouble" role="alert">{{ trouble }}</p>
    <DeviceDialog
      v-model:open="telling"
      :device="device"
      :stand-in="standIn"
      :is-instrument="isInstrument"
      :trouble="trouble"
      @keep="keep"
    />
    <KeepOnShelf
      v-model:open="keeping"
      :part="
        device && document.head
          ? {
              document: document.head.id,
              kind: 'device',
              place: placeText,
              name: device.name,
            }
          : undefined
      "
    />
  </div>
</template>

<style scoped>
.device {
  border-bottom: 1px solid var(--line-soft);
  margin-bottom: 6px;
  padding-bottom: 6px;
}

.line {
  display: flex;
  align-items: center;
  gap: 8px;
}

.line .picker {
  flex: 1;
  min-width: 0;
}

p {
  margin: 3px 0;
}

.plum {
  color: var(--plum);
}

.trouble {
  color: var(--blocker);
}

.left {
  background: var(--raised);
  border-radius: 8px;
  padding: 8px 12px;
}
</style>
