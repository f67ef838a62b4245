<script setup lang="ts">
import Dialog from 'primevue/dialog'
import { computed, ref, watch } from 'vue'
import { roomFor } from './duckingCalls'
import { sentenceOf } from '@/api/client'
import type { ChannelRow } from '@/api/types'
import DialogEnds from '@/parts/DialogEnds.vue'
import PieceChoice from '@/parts/PieceChoice.vue'
import { valuesRead } from '@/parts/written'
import ValueField from '@/parts/ValueField.vue'
import { useDocument } from '@/state/document'
import { piecesOf } from '@/state/playedPieces'

/** Several channels give way to one trigger, in one act: said as intent, worked out by running it. */
const open = defineModel<boolean>('open', { required: true })
const props = defineProps<{ section: string | null }>()
const emit = defineEmits<{ limits: [sentences: string[]] }>()
const document = useDocument()
const trigger = ref('')
/** The part with whose notes a new trigger strikes; none for beats. */
const part = ref('')
const numbers = ref<number[]>([])
const every = ref(1)
const offBeat = ref(false)
const byNotes = ref(false)
const stay = ref(0)
const back = ref(0.5)
const soft = ref(false)
const depths = ref(new Map<string, number>())
const working = ref(false)
const trouble = ref<string>()
const usualDb = 6

const pieces = computed(() => piecesOf(document.rows.get(part.value)))
const triggers = computed(() => document.ordered.filter((r) => r.channel.kind === 'trigger'))
/** Anything else that is heard can lead as well: a voice, a recorded loop, a bus; by its notes only what has notes. */
const leaders = computed(() =>
  document.ordered.filter(
    (r) => r.channel.kind !== 'trigger' && (byNotes.value ? document.can(r).givesNotes : document.can(r).feedsKeys),
  ),
)
watch(leaders, (now) => {
  const stays = [...triggers.value, ...now].some((r) => r.channel.id === trigger.value)
  if (!stays) trigger.value = triggers.value[0]?.channel.id ?? ''
})
/** One ducker on a bus does for all that feeds it, so sums come first; the last of them go down with everything. */
const targets = computed(() => {
  const sounding = document.ordered.filter(
    (r) => document.can(r).sounds && r.channel.kind !== 'trigger' && r.channel.id !== trigger.value,
  )
  const rank = (row: ChannelRow) => (row.channel.kind === 'main' ? 2 : document.can(row).sums ? 0 : 1)
  return [...sounding].sort((a, b) => rank(a) - rank(b))
})

watch(open, (now) => {
  if (!now) return
  trigger.value = triggers.value[0]?.channel.id ?? ''
  depths.value = new Map()
  part.value = ''
  numbers.value = []
  trouble.value = undefined
})
watch(part, () => (numbers.value = []))

function turn(channel: string, on: boolean) {
  const next = new Map(depths.value)
  if (on) next.set(channel, usualDb)
  else next.delete(channel)
  depths.value = next
}

function deepen(channel: string, db: number | null) {
  depths.value = new Map(depths.value).set(channel, db ?? usualDb)
}

async function make() {
  if (!document.head) return
  working.value = true
  trouble.value = undefined
  await valuesRead()
  try {
    const room = await roomFor(document.head.id, document.act, props.section, {
      trigger: trigger.value || null,
      new: {
        everyQuarters: every.value,
        lateQuarters: offBeat.value ? every.value / 2 : 0,
        with: part.value || null,
        numbers: part.value ? numbers.value : [],
      },
      byNotes: byNotes.value,
      ways: [...depths.value]
        .filter(([channel]) => channel !== trigger.value)
        .map(([channel, depthDb]) => ({ channel, depthDb })),
      backQuarters: back.value,
      stayMs: stay.value,
      soft: soft.value,
    })
    if (!(await document.edit(room.edits))) {
      trouble.value = document.refusal?.sentence
      return
    }
    open.value = false
    emit('limits', room.limits)
  } catch (error) {
    trouble.value = sentenceOf(error)
  } finally {
    working.value = false
  }
}
</script>

<template>
  <Dialog v-model:visible="open" modal header="Make room" :style="{ width: '460px' }" :draggable="false">
    <form class="form" @submit.prevent="make">
      <label
        >For<select v-model="trigger" class="field" autofocus>
          <option v-for="r in triggers" :key="r.channel.id" :value="r.channel.id">{{ r.channel.name }}</option>
          <option value="">a new trigger that nobody hears</option>
          <optgroup v-if="leaders.length" label="Heard as well">
            <option v-for="r in leaders" :key="r.channel.id" :value="r.channel.id">{{ r.channel.name }}</option>
          </optgroup>
        </select></label
      >
      <template v-if="!trigger">
        <div class="pair">
          <label
            >It strikes with<select v-model="part" class="field">
              <option value="">beats</option>
              <option v-for="r in document.instruments" :key="r.channel.id" :value="r.channel.id">
                {{ r.channel.name }}
              </option>
            </select></label
          >
          <div v-if="!part" class="pair">
            <div class="labelled">
              <span>every</span>
              <ValueField
                label="It strikes every"
                counts="quarters"
                :value="every"
                :min="0.125"
                :max="16"
                :step="0.125"
                @change="every = $event ?? 1"
              />
            </div>
            <label
              >where<select v-model="offBeat" class="field">
                <option :value="false">on it</option>
                <option :value="true">half-way</option>
              </select></label
            >
          </div>
        </div>
        <div v-if="part" class="labelled">
          <span>{{ pieces.length ? 'These pieces alone; none means all' : 'These notes alone; none means all' }}</span>
          <PieceChoice label="It strikes with these" :pieces="pieces" :numbers="numbers" @change="numbers = $event" />
        </div>
      </template>
      <label
        >They follow<select v-model="byNotes" class="field">
          <option :value="false">its sound: a compressor hears it</option>
          <option :value="true">its notes: each restarts a drawn curve</option>
        </select></label
      >
      <fieldset>
        <legend>These give way, and how far</legend>
        <div v-for="r in targets" :key="r.channel.id" class="way">
          <label
            ><input
              type="checkbox"
              :checked="depths.has(r.channel.id)"
              @change="turn(r.channel.id, ($event.target as HTMLInputElement).checked)"
            />
            {{ r.channel.name }}</label
          >
          <ValueField
            v-if="depths.has(r.channel.id)"
            :label="`How far ${r.channel.name} goes down`"
            unit="dB"
            :value="depths.get(r.channel.id) ?? usualDb"
            :min="1"
            :max="40"
            :step="0.5"
            @change="deepen(r.channel.id, $event)"
          />
        </div>
      </fieldset>
      <div class="pair three">
        <div class="labelled">
          <span>Back by</span>
          <ValueField
            label="They are back by"
            counts="quarters"
            :value="back"
            :min="0.03125"
            :max="16"
            :step="0.0625"
            @change="back = $event ?? 0.5"
          />
        </div>
        <div class="labelled">
          <span>Stay down</span>
          <ValueField
            label="They stay down"
            counts="milliseconds"
            unit="ms"
            :value="stay"
            :min="0"
            :max="500"
            :step="5"
            @change="stay = $event ?? 0"
          />
        </div>
        <label
          >They go down<select v-model="soft" class="field">
            <option :value="false">at once</option>
            <option :value="true">gently</option>
          </select></label
        >
      </div>
      <DialogEnds
        :trouble="trouble"
        leave="Not now"
        :keep="working ? 'Working it out…' : 'Make room'"
        :disabled="depths.size === 0 || working"
        @leave="open = false"
      />
    </form>
  </Dialog>
</template>

<style scoped src="@/parts/dialogForm.css"></style>
<style scoped>
fieldset {
  max-height: 220px;
  overflow: auto;
}

.three {
  grid-template-columns: 1fr 1fr 1fr;
}

.way {
  display: flex;
  justify-content: space-between;
  align-items: center;
  min-height: 27px;
}

.way label {
  display: flex;
  align-items: center;
  gap: 7px;
}
</style>
