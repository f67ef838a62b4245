<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import Dialog from 'primevue/dialog'
import { computed, reactive, watch } from 'vue'
import MachinePreview from './MachinePreview.vue'
import MachineSounds from './MachineSounds.vue'
import { machineOf } from './machineCalls'
import { useBroughtSounds } from './useBroughtSounds'
import type { Machine } from '@/api/types'
import DialogEnds from '@/parts/DialogEnds.vue'
import { useDocument } from '@/state/document'
import { useShelf } from '@/state/shelf'
import { useNewest } from '@/state/useNewest'

/** A machine of one's own: its pieces as they are typed, its jacks, and beside them what comes of it. */
const open = defineModel<boolean>('open', { required: true })
const emit = defineEmits<{ made: [channel: string] }>()
const document = useDocument()
const settleMs = 150
const mostJacks = 64

const wish = reactive({
  name: '',
  list: '',
  jacks: 8,
  inPairs: false,
  firstReserved: true,
  monoSharesPairs: false,
  notes: 'general-midi' as 'general-midi' | 'ascending',
  notesFrom: 36,
  outputs: '',
  allSounds: false,
  stands: 'here' as 'here' | 'outside',
  firstInput: 1,
  /** What says its jacks: nothing but this form, the file that was brought, or a machine of the shelf by its id. */
  leaves: '',
})
const byFile = 'file'
const brought = useBroughtSounds()
const shelf = useShelf()
const shelved = computed(() => shelf.ofKind('machine'))
const outputsSaid = computed(() => brought.kit.value?.outputsSaid ?? 0)
/** Whether the jacks are counted here. */
const counts = computed(() => !wish.leaves)
const asBrought = computed(() => wish.leaves === byFile)
/** The machine of the shelf whose jacks they are: nothing is planned here then. */
const onShelf = computed(() => (counts.value || asBrought.value ? undefined : wish.leaves))
const { answer, trouble, ask, settled } = useNewest<Machine>()
const machine = computed(() => (trouble.value ? undefined : answer.value))

const usualName = computed(() => brought.called.value ?? 'My machine')

const asked = computed(() => ({
  name: wish.name.trim() || usualName.value,
  list: wish.list,
  brought: brought.kit.value?.kit ?? null,
  leavesAsBrought: asBrought.value,
  sounds: wish.stands === 'here' ? brought.sounds.value : [],
  allSounds: wish.allSounds,
  jacks: wish.jacks,
  inPairs: wish.inPairs,
  outputNames: wish.outputs.split(',').map((name) => name.trim()),
  firstReserved: wish.stands === 'here' && wish.firstReserved,
  firstInput: wish.stands === 'outside' ? wish.firstInput : null,
  monoSharesPairs: wish.inPairs && wish.monoSharesPairs,
  notesFrom: wish.notes === 'ascending' ? wish.notesFrom : null,
  outputs: [],
  use: null,
  splitOver: null,
  under: null,
}))

function look() {
  const id = document.head?.id
  const something = wish.list.trim() || brought.sounds.value.length || brought.kit.value
  if (!id || !open.value || !something) return ask()
  return ask(() => machineOf(id, asked.value, onShelf.value))
}

const lookSoon = useDebounceFn(look, settleMs)

watch(open, (is) => {
  if (!is) return
  document.refusal = undefined
  wish.firstInput = document.head?.nextInput ?? 1
  void shelf.look().catch(() => undefined)
})
watch([asked, open, onShelf], lookSoon, { deep: true })
// A file that says by what its pieces leave is taken at its word.
watch(outputsSaid, (said) => {
  if (said) wish.leaves = byFile
  else if (asBrought.value) wish.leaves = ''
})

async function make() {
  // Whoever is quick has typed on since the answer that is shown.
  await look()
  const made = await settled()
  if (!made || !(await document.edit(made.edits))) return
  wish.name = wish.list = wish.outputs = wish.leaves = ''
  wish.allSounds = false
  brought.clear()
  open.value = false
  emit('made', made.channel)
}
</script>

<template>
  <Dialog v-model:visible="open" modal header="A machine of your own" :style="{ width: '860px' }" :draggable="false">
    <form class="form" @submit.prevent="make">
      <div class="machine">
        <div class="form">
          <label>Name<input v-model="wish.name" class="field" maxlength="80" :placeholder="usualName" /></label>
          <label
            >Pieces<textarea
              v-model="wish.list"
              class="field"
              rows="3"
              autofocus
              placeholder="Kick in/out, Snare top/bottom, Tom 1–3, Hat, Crash L/R, Overheads"
              @keydown.ctrl.enter="make"
            />
          </label>
          <p class="faint">
            Commas or lines. <b>Tom 1–3</b> counts up, <b>top/bottom</b> are microphones at one drum, <b>L/R</b> or
            <b>stereo</b> is one with two sides, <b>= 36</b> is its note.
          </p>
          <div class="stands">
            <label
              >It plays<select v-model="wish.stands" class="field">
                <option value="here">in here</option>
                <option value="outside">outside, cabled to inputs</option>
              </select></label
            >
            <label v-if="wish.stands === 'outside'"
              >First input<input v-model.number="wish.firstInput" class="field" type="number" min="1" max="128"
            /></label>
            <label v-if="shelved.length || outputsSaid"
              >Leaves by<select v-model="wish.leaves" class="field">
                <option value="">as counted here</option>
                <option v-if="outputsSaid" :value="byFile">as the file says, {{ outputsSaid }} outputs</option>
                <option v-for="item in shelved" :key="item.id" :value="item.id">
                  {{ item.name }}, {{ item.words }}
                </option>
              </select></label
            >
          </div>
          <MachineSounds v-model:all="wish.allSounds" :brought="brought" />
          <div class="row">
            <label v-if="counts" class="few"
              >Jacks<input v-model.number="wish.jacks" class="field" type="number" min="1" :max="mostJacks"
            /></label>
            <label v-if="!onShelf" class="few"
              >They are<select v-model="wish.inPairs" class="field">
                <option :value="false">single</option>
                <option :value="true">in pairs</option>
              </select></label
            >
            <label
              >Notes<select v-model="wish.notes" class="field">
                <option value="general-midi">General MIDI's</option>
                <option value="ascending">ascending from…</option>
              </select></label
            >
            <label v-if="wish.notes === 'ascending'" class="few"
              >First note<input v-model.number="wish.notesFrom" class="field" type="number" min="0" max="127"
            /></label>
          </div>
          <label v-if="counts"
            >Names of the outputs<input
              v-model="wish.outputs"
              class="field"
              placeholder="by what they carry"
              title="Parted by commas; what is split is called after its pieces"
          /></label>
          <label v-if="wish.stands === 'here' && !onShelf" class="tick"
            ><input v-model="wish.firstReserved" type="checkbox" /> First output for the rest</label
          >
          <label v-if="wish.inPairs && !onShelf" class="tick"
            ><input v-model="wish.monoSharesPairs" type="checkbox" /> Mono pieces share a pair</label
          >
        </div>
        <MachinePreview :machine="machine" :outside="wish.stands === 'outside'" />
      </div>
      <DialogEnds
        :trouble="trouble ?? document.refusal?.sentence"
        leave="Not now"
        keep="Make it"
        :disabled="!machine"
        @leave="open = false"
      />
    </form>
  </Dialog>
</template>

<style scoped src="@/parts/dialogForm.css"></style>

<style scoped>
.machine {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 12px 28px;
}

.stands {
  display: grid;
  grid-auto-flow: column;
  grid-auto-columns: minmax(0, 1fr);
  gap: 10px;
}

.row {
  display: flex;
  gap: 10px;
}

.row label {
  flex: 1;
  min-width: 0;
}

.row .few {
  flex: 0 0 92px;
}

textarea {
  resize: vertical;
  font: inherit;
}

p {
  margin: 0;
}

.form .tick {
  display: flex;
  align-items: center;
  gap: 6px;
}

@media (max-width: 700px) {
  .machine {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
