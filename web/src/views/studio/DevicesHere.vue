<script setup lang="ts">
import { computed, ref } from 'vue'
import StudioDeviceLine from './StudioDeviceLine.vue'
import { addTo, bringTable, heldBy, lookInFolder } from './studioCalls'
import { sentenceOf } from '@/api/client'
import type { FoundDevices, OutsideDevice, StudioDevice, StudioItem } from '@/api/types'
import DeviceDialog from '@/devices/DeviceDialog.vue'
import { useDocument } from '@/state/document'
import { useStudio } from '@/state/studio'

/** The devices of a studio: there or missing, as they were measured there; told of by hand, found, or taken from elsewhere. */
const props = defineProps<{ item: StudioItem }>()
const studio = useStudio()
const document = useDocument()
const folder = ref('')
const asking = ref(false)
const telling = ref<'instrument' | 'insert'>()
const told = ref(false)
const said = ref<string>()
const leftOut = ref<string[]>([])
const trouble = ref<string>()

const devices = computed(() => (props.item.studio.devices ?? []) as StudioDevice[])

async function attempt(work: () => Promise<unknown>) {
  trouble.value = said.value = undefined
  leftOut.value = []
  try {
    await work()
  } catch (error) {
    trouble.value = sentenceOf(error)
  }
}

const save = (next: StudioDevice[]) =>
  studio.save(props.item.id, props.item.name, { ...props.item.studio, devices: next })

/** What is known already stays as it is, but is there. */
async function add(found: FoundDevices['devices'], from: string) {
  const fresh = await addTo(props.item.id, found)
  await studio.changed()
  said.value = `${found.length} ${found.length === 1 ? 'device' : 'devices'} ${from}, ${fresh} of them new here.`
}

const find = () =>
  attempt(async () => {
    const found = await lookInFolder(folder.value)
    await add(found.devices, 'found')
    leftOut.value = found.leftOut
    asking.value = false
  })

async function table(field: HTMLInputElement) {
  const file = field.files?.[0]
  field.value = ''
  if (file)
    await attempt(async () => {
      const found = await bringTable(file)
      await add(found.devices, 'in the table')
      leftOut.value = found.leftOut
    })
}

const fromDocument = () => attempt(async () => add(await heldBy(document.head!.id), `of ${document.head!.name}`))

const keep = (device: OutsideDevice, standIn: string) =>
  attempt(async () => {
    await add([{ device, standIn, kind: '', isHere: true }], 'told of')
    told.value = false
  })

function tell(kind: 'instrument' | 'insert') {
  telling.value = kind
  told.value = true
}

const change = (at: number, part: Partial<StudioDevice>) =>
  attempt(() => save(devices.value.map((d, i) => (i === at ? { ...d, ...part } : d))))
const remove = (at: number) => attempt(() => save(devices.value.filter((_, i) => i !== at)))
</script>

<template>
  <section>
    <h2>Devices of {{ item.name }}</h2>
    <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
    <p v-if="said" class="proven" role="status">{{ said }}</p>
    <details v-if="leftOut.length" class="quiet">
      <summary>{{ leftOut.length === 1 ? '1 thing was' : `${leftOut.length} things were` }} left out</summary>
      <p v-for="sentence in leftOut" :key="sentence">{{ sentence }}</p>
    </details>
    <table v-if="devices.length">
      <thead>
        <tr>
          <th>Device</th>
          <th class="roomy">maker</th>
          <th class="roomy">format</th>
          <th>latency measured here</th>
          <th class="roomy">one core</th>
          <th>there</th>
          <th><span class="unseen">What can be done</span></th>
        </tr>
      </thead>
      <tbody>
        <StudioDeviceLine
          v-for="(device, at) in devices"
          :key="`${device.device.name}/${device.device.deviceId}`"
          :device="device"
          @change="change(at, $event)"
          @remove="remove(at)"
        />
      </tbody>
    </table>
    <div class="ways">
      <button type="button" class="plain" @click="tell('instrument')">An instrument…</button>
      <button type="button" class="plain" @click="tell('insert')">A processor…</button>
      <button type="button" class="plain" :aria-expanded="asking" @click="asking = !asking">
        Look through a folder…
      </button>
      <label class="plain"
        >From a table…<input
          type="file"
          accept=".csv,.tsv,.txt,text/csv"
          hidden
          @change="table($event.target as HTMLInputElement)"
      /></label>
      <button v-if="document.head" type="button" class="plain" @click="fromDocument">
        Those of {{ document.head.name }}
      </button>
    </div>
    <form v-if="asking" class="ways" @submit.prevent="find">
      <input
        v-model="folder"
        class="field folder"
        placeholder="The folder that your plug-ins lie in"
        aria-label="The folder that your plug-ins lie in"
        autofocus
        @keydown.stop
      />
      <button type="submit" class="plain" :disabled="!folder.trim()">Look</button>
      <span class="faint">Their descriptions are read; nothing is run.</span>
    </form>
    <DeviceDialog
      v-model:open="told"
      :is-instrument="telling === 'instrument'"
      :stand-in="telling === 'instrument' ? 'bellbuoy' : 'through'"
      :trouble="trouble"
      @keep="keep"
    />
  </section>
</template>

<style scoped src="../../look/table.css"></style>
<style scoped>
section {
  margin-top: 26px;
}

h2 {
  font-size: 17px;
}

.ways {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
  margin-top: 10px;
}

.ways label {
  cursor: pointer;
}

.folder {
  flex: 1;
  max-width: 420px;
}

.proven {
  color: var(--proven);
}

p {
  margin: 4px 0;
}
</style>
