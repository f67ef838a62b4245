<script setup lang="ts">
import Dialog from 'primevue/dialog'
import DialogEnds from '@/parts/DialogEnds.vue'
import { watchDebounced } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import type { ChannelKind, ChannelWish, Edit, Source } from '@/api/types'
import { goHome } from '@/parts/home'
import Picker from '@/parts/Picker.vue'
import ComesWith from '@/strips/ComesWith.vue'
import MachineDialog from '@/machine/MachineDialog.vue'
import { useCatalogue } from '@/state/catalogue'
import { useDevices } from '@/state/devices'
import { useDocument } from '@/state/document'
import { newPlaceOf, type NewPlace } from '@/state/documentCalls'
import { useNewest } from '@/state/useNewest'

const open = defineModel<boolean>('open', { required: true })
const settleMs = 150
const document = useDocument()
const catalogue = useCatalogue()
const devices = useDevices()
const kind = ref<ChannelKind>('instrument')
const name = ref('')
const count = ref(1)
const instrument = ref('')
const splitOf = ref('')
const output = ref(2)
const input = ref(1)
const bare = ref(false)
const ownMachine = ref(false)
let made: string | undefined
/** Where somebody said that it goes, which counts before what is proposed. */
const said = ref<string>()
const proposed = useNewest<NewPlace>()

const kinds = computed(() => catalogue.known.kinds.filter((k) => !k.can.standsOnce))
const feeds = computed(() => catalogue.can(kind.value).feedsASum)
const under = computed(() => said.value ?? proposed.answer.value?.under ?? '')
/** Buses that are made with the new channel, where it is put under one of them. */
const first = computed(() => proposed.answer.value?.first ?? [])
const sums = computed(() => [
  ...first.value.map(({ id, name }) => ({ value: id, text: `${name}, a new bus` })),
  ...document.sums.map((r) => ({ value: r.channel.id, text: r.channel.name })),
])
const kits = computed(() =>
  document.ordered.filter((r) => r.channel.kind === 'instrument' && outputsOf(r.channel.source).length > 1),
)
const outputs = computed(() => outputsOf(document.rows.get(splitOf.value)?.channel.source))

function outputsOf(source: Source | null | undefined) {
  return source?.type === 'instrument' ? (source.kit?.outputs ?? source.device?.outputs ?? []) : []
}

/** The device that is chosen; none where an instrument of ours is. */
const known = computed(() => devices.byKey.get(instrument.value))
watch(open, (now) => {
  if (!now) return
  void devices.look().catch(() => undefined)
  made = undefined
  said.value = undefined
  name.value = ''
  void proposed.ask()
  void propose()
  input.value = document.head?.nextInput ?? 1
  instrument.value = ''
  splitOf.value = kits.value[0]?.channel.id ?? ''
  count.value = 1
  document.refusal = undefined
})

/** The core says where new ones of these names go. */
function propose() {
  const [wanted, id, called] = [kind.value, document.head?.id, names.value]
  return proposed.ask(id ? () => newPlaceOf(id, wanted, document.selectedId, called) : undefined)
}

watch(kind, () => {
  said.value = undefined
  void propose()
})

/** Several are parted by semicolons, since a name may well have a comma. */
const names = computed(() => {
  const called = name.value
    .split(';')
    .map((n) => n.trim())
    .filter(Boolean)
  // Several of one name are numbered; without a name each is called by what it is.
  return called.length === 1 && count.value > 1
    ? Array.from({ length: count.value }, (_, i) => `${called[0]} ${i + 1}`)
    : called
})
watchDebounced(names, propose, { debounce: settleMs })
const unnamed = computed(() => (names.value.length === 0 && kind.value !== 'split' ? count.value - 1 : 0))
const wish = computed<ChannelWish>(() => ({
  kind: kind.value,
  name: names.value[0] ?? null,
  under: feeds.value ? under.value || null : null,
  instrument: kind.value === 'instrument' ? (known.value?.standIn ?? (instrument.value || null)) : null,
  device: kind.value === 'instrument' ? (known.value?.device ?? null) : null,
  splitOf: kind.value === 'split' ? splitOf.value : null,
  output: kind.value === 'split' ? output.value : null,
  input: kind.value === 'audio' ? input.value : null,
  bare: bare.value,
}))

/** The first takes the input that is said; those after it take the next ones. */
const wishes = computed(() => [
  wish.value,
  ...names.value.slice(1).map((name) => ({ ...wish.value, name, input: null, output: null })),
  ...Array.from({ length: unnamed.value }, () => ({ ...wish.value, input: null, output: null })),
])

/** What a new one comes with is told of its place as far as that is there. */
const told = computed(() => wishes.value.map((w) => (document.rows.has(w.under ?? '') ? w : { ...w, under: null })))

async function add() {
  // Whoever is quick has typed on since it was asked.
  if (said.value === undefined) {
    void propose()
    await proposed.settled()
  }
  const buses = first.value.filter((c) => c.id === under.value)
  const place = proposed.answer.value
  const before = place && place.under === under.value ? place.before : null
  const ids = await document.make([
    ...buses.map((channel): Edit => ({ type: 'add-channel', channel })),
    ...wishes.value.map((wish) => ({ type: 'make-channel' as const, wish, before })),
  ])
  if (!ids) return
  made = ids[buses.length]
  open.value = false
}

function toOwnMachine() {
  open.value = false
  ownMachine.value = true
}

/** The dialog gives the focus back to the row from before; what was made is chosen after that. */
function chooseMade() {
  if (made) document.choose(made)
  goHome()
}
</script>

<template>
  <Dialog
    v-model:visible="open"
    modal
    header="Add a channel"
    :style="{ width: '400px' }"
    :draggable="false"
    @after-hide="chooseMade"
  >
    <form class="form" @submit.prevent="add">
      <label
        >Kind<select v-model="kind" class="field" autofocus>
          <option
            v-for="choice in kinds"
            :key="choice.kind"
            :value="choice.kind"
            :disabled="choice.kind === 'split' && kits.length === 0"
          >
            {{ choice.name }}
          </option>
        </select></label
      >
      <label v-if="kind === 'instrument'"
        >Instrument<select v-model="instrument" class="field">
          <option value="">as it is called</option>
          <option v-for="i in catalogue.known.instruments" :key="i.id" :value="i.id">
            {{ i.name }}: {{ i.about }}
          </option>
          <optgroup v-if="devices.instruments.length" label="Of yours, heard through a stand-in">
            <option v-for="d in devices.instruments" :key="d.key" :value="d.key">
              {{ d.device.name }}{{ d.isHere ? '' : ', not in this studio' }}
            </option>
          </optgroup>
        </select></label
      >
      <button v-if="kind === 'instrument'" type="button" class="plain" @click="toOwnMachine">
        A machine of your own…
      </button>
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
      <div v-if="feeds" class="labelled">
        <span aria-hidden="true">Under, feeding</span>
        <Picker label="Under, feeding" :choices="sums" :value="under" @choose="said = $event" />
      </div>
      <div class="named">
        <label
          >Name<input
            v-model="name"
            class="field"
            maxlength="2000"
            placeholder="by what it is; several are parted by ;"
        /></label>
        <label
          >How many<input
            v-model.number="count"
            class="field"
            type="number"
            min="1"
            max="64"
            :disabled="names.length > 1 && name.includes(';')"
        /></label>
      </div>
      <ComesWith v-if="open" :wishes="told" />
      <label class="bare"><input v-model="bare" type="checkbox" /> Bare, without its default strip</label>
      <DialogEnds
        :trouble="document.refusal?.sentence"
        leave="Not now"
        :keep="wishes.length > 1 ? 'Add them' : 'Add it'"
        @leave="open = false"
      />
    </form>
  </Dialog>
  <MachineDialog v-model:open="ownMachine" @made="document.choose" />
</template>

<style scoped src="@/parts/dialogForm.css"></style>
<style scoped>
.named {
  display: grid;
  grid-template-columns: 1fr 84px;
  gap: 12px;
}

.bare {
  display: flex;
  align-items: center;
  gap: 7px;
}
</style>
