<script setup lang="ts">
import Dialog from 'primevue/dialog'
import { reactive, ref, watch } from 'vue'
import { sentenceOf } from '@/api/client'
import type { StudioItem } from '@/api/types'
import DialogEnds from '@/parts/DialogEnds.vue'
import NumberField from '@/parts/NumberField.vue'
import { useStudio } from '@/state/studio'

/** What is in a studio: its audio interface and its MIDI devices. */
const open = defineModel<boolean>('open', { required: true })
const props = defineProps<{ item?: StudioItem }>()
const studio = useStudio()
const trouble = ref<string>()
const form = reactive({
  name: '', box: '', inputs: '', outputs: '', frames: 128 as number | null, budget: 12 as number | null, rates: '44100, 48000', midi: '', direct: false,
}) // prettier-ignore

watch(open, (is) => {
  if (!is) return
  trouble.value = undefined
  const inside = props.item?.studio
  const box = inside?.interface
  Object.assign(form, {
    name: props.item?.name ?? '',
    box: box?.name ?? '',
    inputs: box?.inputs.join('\n') ?? '',
    outputs: box?.outputs.join('\n') ?? '',
    frames: box?.bufferFrames ?? 128,
    budget: inside?.budgetMs ?? 12,
    rates: (box?.ratesHz ?? [44100, 48000]).join(', '),
    midi: inside?.midiDevices?.join('\n') ?? '',
    direct: box?.monitorsDirectly ?? false,
  })
})

/** A number alone counts that many without names. */
function jacks(text: string) {
  const lines = text.split('\n').map((line) => line.trim())
  while (lines.length && !lines[lines.length - 1]) lines.pop()
  const only = lines.length === 1 && /^\d{1,3}$/.test(lines[0]!) ? Number(lines[0]) : 0
  return only ? Array.from({ length: only }, () => '') : lines
}

async function keep() {
  const name = form.name.trim()
  try {
    const id = await studio.save(props.item?.id, name, {
      interface: {
        name: form.box.trim() || name,
        inputs: jacks(form.inputs),
        outputs: jacks(form.outputs),
        bufferFrames: form.frames ?? 0,
        ratesHz: form.rates.split(/[,;\s]+/).filter(Boolean).map(Number),
        monitorsDirectly: form.direct,
      },
      budgetMs: form.budget ?? 0,
      midiDevices: form.midi.split('\n').map((line) => line.trim()).filter(Boolean),
      devices: props.item?.studio.devices ?? [],
    }) // prettier-ignore
    // Who tells of a studio is in it.
    if (!props.item) await studio.putOn(id)
    open.value = false
  } catch (error) {
    trouble.value = sentenceOf(error)
  }
}
</script>

<template>
  <Dialog
    v-model:visible="open"
    modal
    :header="item ? `What is in ${item.name}` : 'Another studio'"
    :style="{ width: '520px' }"
    :draggable="false"
  >
    <form class="form" @submit.prevent="keep">
      <div class="pair">
        <label>Name<input v-model="form.name" class="field" maxlength="80" autofocus /></label>
        <label>Audio interface<input v-model="form.box" class="field" maxlength="80" placeholder="its name" /></label>
      </div>
      <div class="pair">
        <label
          >Inputs, a line each, or how many<textarea
            v-model="form.inputs"
            class="field"
            rows="6"
            placeholder="Booth&#10;Piano left&#10;Piano right"
          />
        </label>
        <label
          >Outputs, a line each, or how many<textarea
            v-model="form.outputs"
            class="field"
            rows="6"
            placeholder="Near left&#10;Near right"
          />
        </label>
      </div>
      <div class="pair">
        <NumberField label="Buffer" unit="frames" :value="form.frames" empty="128" @change="form.frames = $event" />
        <NumberField
          label="Inputs heard within"
          unit="ms, buffers included"
          :value="form.budget"
          empty="12"
          @change="form.budget = $event"
        />
      </div>
      <div class="pair">
        <label
          ><span>Sample rates <span class="faint">Hz</span></span
          ><input v-model="form.rates" class="field"
        /></label>
        <label>MIDI devices, a line each<textarea v-model="form.midi" class="field" rows="2" /></label>
      </div>
      <label class="tick"
        ><input v-model="form.direct" type="checkbox" /> It lets musicians hear an input beside the workstation</label
      >
      <DialogEnds
        :trouble="trouble"
        leave="Not now"
        :keep="item ? 'Keep it so' : 'Add it, and put it on'"
        :disabled="!form.name.trim()"
        @leave="open = false"
      />
    </form>
  </Dialog>
</template>

<style scoped src="@/parts/dialogForm.css"></style>
<style scoped>
.pair {
  align-items: start;
}

.tick {
  display: flex;
  align-items: baseline;
  gap: 8px;
}
</style>
