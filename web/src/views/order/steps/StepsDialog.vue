<script setup lang="ts">
import Dialog from 'primevue/dialog'
import { computed, ref, watch } from 'vue'
import StepGrid from './StepGrid.vue'
import { besides, withFigure } from './grid'
import { stepsOf } from './stepsCalls'
import { noteValues } from '../noteValues'
import { sentenceOf } from '@/api/client'
import type { Channel, Note, Pattern, Steps } from '@/api/types'
import DialogEnds from '@/parts/DialogEnds.vue'
import ValueField from '@/parts/ValueField.vue'
import { noteName } from '@/parts/noteNames'
import { valuesRead } from '@/parts/written'
import { useDocument } from '@/state/document'

/** A starter that is set by steps, without a file: a new one, or one that is there. */
const open = defineModel<boolean>('open', { required: true })
const props = defineProps<{ channel: Channel; pattern?: Pattern }>()
const document = useDocument()
const standing = ref<Steps>()
const name = ref('')
const section = ref('')
const bars = ref(1)
const stepTicks = ref(240)
const notes = ref<Note[]>([])
const velocity = ref(100)
const length = ref(50)
const row = ref<number>()
/** Of the channel, and so of all its starters; empty for straight. */
const groove = ref('')
const trouble = ref<string>()
const mostBars = 8
/** A starter of several sections stays in them. */
const asIs = '(as it is)'
const several = computed(() => (props.pattern?.sections.length ?? 0) > 1)

watch(open, async (now) => {
  if (!now || !document.head) return
  trouble.value = undefined
  section.value = several.value ? asIs : (props.pattern?.sections[0] ?? '')
  groove.value = props.channel.groove ?? ''
  notes.value = props.pattern ? [...props.pattern.notes] : []
  name.value = props.pattern?.name ?? freshName()
  standing.value = undefined
  try {
    standing.value = await stepsOf(document.head.id, props.channel.id, props.pattern?.sections[0] ?? null)
    const cycle = props.pattern?.lengthTicks ?? standing.value.barTicks
    bars.value = Math.max(1, Math.ceil(cycle / standing.value.barTicks))
    row.value = standing.value.rows[0]?.note
    stepTicks.value = fittingStep()
  } catch (error) {
    trouble.value = sentenceOf(error)
  }
})

/** The coarsest grid on which everything begins, sixteenths where nothing does. */
function fittingStep() {
  const fits = noteValues.find(([ticks]) => ticks <= 480 && notes.value.every((n) => n.startTick % ticks === 0))
  return notes.value.length && fits ? fits[0] : 240
}

function freshName() {
  const known = new Set(props.channel.patterns.map((p) => p.name))
  for (let number = 1; ; number++) {
    const fresh = number === 1 ? 'Steps' : `Steps ${number}`
    if (!known.has(fresh)) return fresh
  }
}

const rows = computed(() =>
  (standing.value?.rows ?? []).map((r) => ({ note: r.note, name: r.name ?? noteName(r.note) })),
)
const barTicks = computed(() => standing.value?.barTicks ?? 3840)
/** A cycle of an odd length keeps it, as long as its bars are not set anew. */
const lengthTicks = computed(() => {
  const cycle = props.pattern?.lengthTicks
  return cycle && Math.ceil(cycle / barTicks.value) === bars.value ? cycle : bars.value * barTicks.value
})
const stroke = computed(() => ({ velocity: velocity.value, length: length.value / 100 }))
const within = computed(() => notes.value.filter((n) => n.startTick < lengthTicks.value))
const kept = computed(() => besides(within.value, stepTicks.value, rows.value))
const chosenRow = computed(() => rows.value.find((r) => r.note === row.value))

function fill(figure: readonly number[]) {
  if (row.value === undefined) return
  const bar = { ticks: barTicks.value, count: bars.value }
  notes.value = withFigure(within.value, row.value, figure, bar, stepTicks.value, stroke.value)
}

function clear() {
  notes.value = within.value.filter((n) => n.number !== row.value)
}

async function keep() {
  await valuesRead()
  const called = name.value.trim() || freshName()
  if (called !== props.pattern?.name && props.channel.patterns.some((p) => p.name === called)) {
    trouble.value = `There is a starter called ${called} already.`
    return
  }
  const sections = section.value === asIs ? props.pattern!.sections : section.value ? [section.value] : []
  const pattern = { name: called, lengthTicks: lengthTicks.value, notes: within.value, sections }
  const renamed = props.pattern && props.pattern.name !== called
  const stored = await document.edit(
    [
      ...(renamed ? [{ type: 'remove-pattern' as const, channel: props.channel.id, name: props.pattern!.name }] : []),
      { type: 'put-pattern', channel: props.channel.id, pattern },
      ...(groove.value !== (props.channel.groove ?? '')
        ? [{ type: 'set-groove' as const, channel: props.channel.id, groove: groove.value || null }]
        : []),
    ],
    props.channel.id,
  )
  if (stored) open.value = false
  else trouble.value = document.refusal?.sentence
}
</script>

<template>
  <Dialog
    v-model:visible="open"
    modal
    :header="`Steps for ${channel.name}`"
    :style="{ width: 'min(880px, 94vw)' }"
    :draggable="false"
  >
    <form class="form" @submit.prevent="keep">
      <div class="head">
        <label>Name<input v-model="name" class="field" maxlength="80" @keydown.stop /></label>
        <label
          >Plays in<select v-model="section" class="field">
            <option v-if="several" :value="asIs">{{ pattern?.sections.map(document.sectionName).join(', ') }}</option>
            <option value="">all sections</option>
            <option v-for="s in document.head?.timeline.sections" :key="s.id" :value="s.id">{{ s.name }}</option>
          </select></label
        >
        <label
          >Bars<select v-model.number="bars" class="field">
            <option v-for="n in Math.max(mostBars, bars)" :key="n" :value="n">{{ n }}</option>
          </select></label
        >
        <label
          >A step is<select v-model.number="stepTicks" class="field">
            <option v-for="[ticks, called] in noteValues" :key="ticks" :value="ticks">{{ called }}</option>
          </select></label
        >
        <label v-if="document.head?.grooves.length"
          >Groove<select v-model="groove" class="field" :title="`Every starter of ${channel.name} follows it`">
            <option value="">straight</option>
            <option v-for="g in document.head.grooves" :key="g.name" :value="g.name">{{ g.name }}</option>
          </select></label
        >
        <div class="labelled">
          <span>Struck at</span>
          <ValueField
            label="Velocity of new steps"
            :value="velocity"
            :min="1"
            :max="127"
            :step="1"
            @change="velocity = $event ?? 100"
          />
        </div>
        <div class="labelled">
          <span>Held for</span>
          <ValueField
            label="Length of new steps"
            unit="%"
            :value="length"
            :min="1"
            :max="400"
            :step="5"
            @change="length = $event ?? 50"
          />
        </div>
      </div>
      <StepGrid
        v-if="standing"
        :rows="rows"
        :notes="within"
        :step-ticks="stepTicks"
        :beat-ticks="standing.beatTicks"
        :bar-ticks="barTicks"
        :length-ticks="lengthTicks"
        :stroke="stroke"
        @change="notes = $event"
        @row="row = $event"
      />
      <div v-if="standing && chosenRow" class="figures">
        <span class="quiet">{{ chosenRow.name }}:</span>
        <button v-for="f in standing.figures" :key="f.name" type="button" class="plain small" @click="fill(f.ticks)">
          {{ f.name }}
        </button>
        <button type="button" class="plain bare small" @click="clear">nothing</button>
      </div>
      <p class="faint">
        Space sets a step, arrows go on, + and − make it louder and softer.
        <template v-if="kept">{{ kept }} notes lie between these steps or on other notes, and stay.</template>
      </p>
      <DialogEnds :trouble="trouble" leave="Not now" keep="Keep it" :disabled="!standing" @leave="open = false" />
    </form>
  </Dialog>
</template>

<style scoped src="@/parts/dialogForm.css"></style>
<style scoped>
.head {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(92px, 1fr));
  gap: 12px;
}

.figures {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px;
}
</style>
