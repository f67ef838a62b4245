<script setup lang="ts">
import Dialog from 'primevue/dialog'
import { computed, reactive, ref, watch } from 'vue'
import { namedControls } from './controls'
import DeviceControls from './DeviceControls.vue'
import { sentenceOf } from '@/api/client'
import type { OutsideDevice } from '@/api/types'
import DialogEnds from '@/parts/DialogEnds.vue'
import { goHome } from '@/parts/home'
import NumberField from '@/parts/NumberField.vue'
import Picker from '@/parts/Picker.vue'
import { useCatalogue } from '@/state/catalogue'
import { nameless, useDevices } from '@/state/devices'

/** What is known of a device that this application does not play, and what is heard in its place. */
const open = defineModel<boolean>('open', { required: true })
const props = defineProps<{ device?: OutsideDevice | null; standIn: string; isInstrument: boolean; trouble?: string }>()
const emit = defineEmits<{ keep: [device: OutsideDevice, standIn: string] }>()
const catalogue = useCatalogue()
const devices = useDevices()
const formats = ['VST3', 'CLAP', 'LV2', 'hardware']
const usualRate = 48000

const it = reactive(nameless())
const heard = ref('')
const outputs = ref('')
const rate = ref(usualRate)
const wrong = ref<string>()

const standIns = computed(() =>
  (props.isInstrument ? catalogue.known.instruments : catalogue.known.processors).map((k) => ({
    value: k.id,
    text: k.name,
  })),
)

watch(open, (is) => {
  if (!is) return
  Object.assign(it, nameless(), JSON.parse(JSON.stringify(props.device ?? {})))
  heard.value = props.standIn
  rate.value = it.latency?.rateHz ?? usualRate
  outputs.value = it.outputs.map((o) => (o.format === 'mono' ? `${o.name} mono` : o.name)).join(', ')
  wrong.value = undefined
})

/** "Front, Back mono": a pair each, unless it says mono. */
function outputsOf(text: string) {
  const names = text.split(',').map((name) => name.trim())
  return names.filter(Boolean).map((name) => {
    const mono = /^(.*?)\s*\bmono$/i.exec(name)
    return { name: (mono ? mono[1] : name) || 'Output', format: mono ? ('mono' as const) : ('stereo' as const) }
  })
}

function late(frames: number | null) {
  it.latency = frames === null ? null : { frames, rateHz: rate.value }
}

async function bring(field: HTMLInputElement) {
  const file = field.files?.[0]
  if (!file) return
  try {
    it.state = await devices.keepState(file)
    it.preset ||= file.name.replace(/\.[^.]+$/, '').slice(0, 80)
  } catch (error) {
    wrong.value = sentenceOf(error)
  }
  field.value = ''
}

function keep() {
  const latency = it.latency && { ...it.latency, rateHz: rate.value }
  const controls = namedControls(it.controls)
  emit('keep', { ...it, name: it.name.trim(), latency, controls, outputs: outputsOf(outputs.value) }, heard.value)
}
</script>

<template>
  <Dialog
    v-model:visible="open"
    modal
    :header="device ? device.name : isInstrument ? 'An instrument of yours' : 'A processor of yours'"
    :style="{ width: '560px' }"
    :draggable="false"
    @after-hide="goHome"
  >
    <form class="form" @submit.prevent="keep">
      <div class="pair">
        <label>Name<input v-model="it.name" class="field" maxlength="80" autofocus /></label>
        <div class="labelled">
          <span aria-hidden="true">Heard through</span>
          <Picker label="Heard through" :choices="standIns" :value="heard" @choose="heard = $event" />
        </div>
      </div>
      <div class="three">
        <label>Maker<input v-model="it.maker" class="field" maxlength="80" /></label>
        <label
          >Format<input v-model="it.format" class="field" maxlength="40" list="device-formats" />
          <datalist id="device-formats"><option v-for="f in formats" :key="f" :value="f" /></datalist
        ></label>
        <label>Its id there<input v-model="it.deviceId" class="field" maxlength="200" /></label>
      </div>
      <div class="three">
        <NumberField label="Latency" unit="frames" :value="it.latency?.frames ?? null" empty="unknown" @change="late" />
        <NumberField label="measured at" unit="Hz" :value="rate" empty="48000" @change="rate = $event ?? usualRate" />
        <label
          >Key input<select v-model="it.key" class="field">
            <option value="none">none</option>
            <option value="mono">mono</option>
            <option value="stereo">stereo</option>
          </select></label
        >
      </div>
      <div class="three">
        <NumberField
          label="Processor share"
          unit="%"
          :value="it.weight.sharePercent ?? null"
          empty="unknown"
          @change="it.weight.sharePercent = $event"
        />
        <NumberField
          label="Memory"
          unit="MB"
          :value="it.weight.memoryMegabytes ?? null"
          empty="unknown"
          @change="it.weight.memoryMegabytes = $event"
        />
        <NumberField
          label="Loads in"
          unit="s"
          :value="it.weight.loadSeconds ?? null"
          empty="unknown"
          @change="it.weight.loadSeconds = $event"
        />
      </div>
      <div class="pair">
        <label>Preset<input v-model="it.preset" class="field" maxlength="80" /></label>
        <div class="labelled">
          <span>Its file, carried and never read</span>
          <span class="file">
            <template v-if="it.state"
              ><a :href="`/api/device-states/${it.state.content}`" download>{{ it.state.fileName }}</a>
              <button type="button" class="plain bare" @click="it.state = null">Let it go</button></template
            >
            <label v-else class="plain"
              >Bring…<input type="file" hidden @change="bring($event.target as HTMLInputElement)"
            /></label>
          </span>
        </div>
      </div>
      <label v-if="isInstrument"
        >Outputs, in their order: pairs unless they say mono<input
          v-model="outputs"
          class="field"
          placeholder="unknown; Front, Back, Bell mono"
      /></label>
      <DeviceControls v-model="it.controls" />
      <DialogEnds
        :trouble="wrong ?? trouble"
        leave="Not now"
        keep="Keep it so"
        :disabled="!it.name.trim()"
        @leave="open = false"
      />
    </form>
  </Dialog>
</template>

<style scoped src="@/parts/dialogForm.css"></style>
<style scoped>
.three {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 12px;
}

.file {
  min-height: 30px;
  display: flex;
  align-items: center;
  gap: 6px;
  color: var(--text);
  overflow-wrap: anywhere;
}
</style>
