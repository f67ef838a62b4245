<script setup lang="ts">
import Dialog from 'primevue/dialog'
import { ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import WaitingHalf from './WaitingHalf.vue'
import { asksOf, startSong, type StartAsks } from './startCalls'
import CountFields from '../CountFields.vue'
import DialogEnds from '../DialogEnds.vue'
import { choiceOf, keyChoices, keyFromChoice } from '../keys'
import { countOf, meterOf, meterText, numberOf } from '../tempoText'
import { sentenceOf } from '@/api/client'
import { useCatalogue } from '@/state/catalogue'
import { useStudio } from '@/state/studio'

/** Starts a song: on one side what it is, on the other what waits for it. */
const catalogue = useCatalogue()
const studio = useStudio()
const open = defineModel<boolean>('open', { required: true })
const props = defineProps<{ template?: { id: string; name: string } }>()
const router = useRouter()

const title = ref('')
const tempo = ref('')
const meter = ref('')
/** Undefined until the template's is known or one is chosen. */
const key = ref<string>()
const sections = ref('')
const countBars = ref<string>()
const click = ref(false)
const asks = ref<StartAsks>()
const ready = ref(new Set<string>())
const inputs = ref(new Map<string, number>())
const gone = ref(new Set<string>())
const trouble = ref<string>()
const busy = ref(false)

/** What there is to say of the template: whoever presses before it is known is kept waiting. */
let looking: Promise<void> | undefined
watch(open, (now) => {
  if (!now || !props.template) return
  ;[title.value, tempo.value, meter.value, sections.value] = ['', '', '', '']
  ;[key.value, asks.value, trouble.value, countBars.value] = [undefined, undefined, undefined, undefined]
  ;[ready.value, inputs.value, gone.value] = [new Set(), new Map(), new Set()]
  looking = look(true)
})
// Another studio has other inputs; what was said of the song stays.
watch(
  () => studio.on?.id,
  () => {
    if (!open.value) return
    inputs.value = new Map()
    looking = look(false)
  },
)

async function look(afresh: boolean) {
  try {
    const found = await asksOf(props.template!.id)
    asks.value = found
    if (!afresh) return
    // What was said already stays.
    tempo.value ||= String(found.tempoBpm)
    meter.value ||= meterText(found.meter)
    sections.value ||= found.sections
    key.value ??= choiceOf(found.key)
    if (countBars.value !== undefined) return
    countBars.value = String(found.countIn?.bars ?? 0)
    click.value = found.countIn?.click ?? false
  } catch (error) {
    trouble.value = sentenceOf(error)
  }
}

async function start() {
  busy.value = true
  trouble.value = undefined
  try {
    await looking
    const song = await startSong(props.template!.id, {
      title: title.value,
      tempoBpm: numberOf(tempo.value, 'The tempo'),
      meter: meterOf(meter.value, 'The meter'),
      key: keyFromChoice(key.value ?? ''),
      sections: sections.value,
      countIn: countOf(countBars.value ?? '0', click.value) ?? { bars: 0, click: false },
      ready: [...ready.value].map((r) => ({ channel: r.split('/')[0]!, insert: r.split('/')[1]! })),
      inputs: [...inputs.value].map(([channel, first]) => ({ channel, first })),
      withoutPrints: [...gone.value],
    })
    open.value = false
    await router.push(`/songs/${song}/order`)
  } catch (error) {
    trouble.value = sentenceOf(error)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <Dialog v-model:visible="open" modal header="Start a song" :style="{ width: '760px' }" :draggable="false">
    <form class="form" @submit.prevent="start">
      <p class="quiet">
        From <strong>{{ template?.name }}</strong>. The song is a copy: what you change in it stays in it.
      </p>
      <div class="halves">
        <div class="form">
          <label
            >Title<input
              v-model="title"
              class="field"
              required
              maxlength="80"
              autofocus
              placeholder="The Lamp Goes Out"
          /></label>
          <div class="three">
            <label
              >Tempo, BPM<input v-model="tempo" class="field" inputmode="decimal" title="Quarter notes a minute"
            /></label>
            <label>Meter<input v-model="meter" class="field" /></label>
            <label
              >Key<select v-model="key" class="field">
                <option value="">waits</option>
                <option v-for="choice in keyChoices(catalogue.known.keys)" :key="choice.value" :value="choice.value">
                  {{ choice.text }}
                </option>
              </select></label
            >
          </div>
          <label
            >Sections, with their bars<textarea
              v-model="sections"
              class="field"
              rows="3"
              maxlength="4000"
              @keydown.enter.prevent="start"
            ></textarea>
          </label>
          <CountFields v-if="countBars !== undefined" v-model:bars="countBars" v-model:click="click" />
          <label v-if="studio.items?.length"
            >Studio<select
              class="field"
              :value="studio.on?.id ?? ''"
              @change="studio.putOn(($event.target as HTMLSelectElement).value || null)"
            >
              <option value="">none: inputs as the template has them</option>
              <option v-for="item in studio.items" :key="item.id" :value="item.id">{{ item.name }}</option>
            </select></label
          >
        </div>
        <WaitingHalf
          v-if="asks"
          v-model:ready="ready"
          v-model:inputs="inputs"
          v-model:gone="gone"
          :asks="asks"
          :has-key="Boolean(key)"
        />
      </div>
      <DialogEnds
        :trouble="trouble"
        leave="Not now"
        keep="Start the song"
        :disabled="busy || title.trim() === ''"
        @leave="open = false"
      />
    </form>
  </Dialog>
</template>

<style scoped src="../dialogForm.css"></style>
<style scoped>
.halves {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 18px;
  align-items: start;
}

.three {
  display: grid;
  grid-template-columns: 1fr 1fr 1.5fr;
  gap: 10px;
}

textarea {
  width: 100%;
  resize: vertical;
}

@media (width <= 700px) {
  .halves {
    grid-template-columns: 1fr;
  }
}
</style>
