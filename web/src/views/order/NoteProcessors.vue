<script setup lang="ts">
import { computed } from 'vue'
import type { Channel, NoteProcessor } from '@/api/types'
import AddMenu from '@/parts/AddMenu.vue'
import Icon from '@/parts/Icon.vue'
import PieceChoice from '@/parts/PieceChoice.vue'
import ValueField from '@/parts/ValueField.vue'
import { useDocument } from '@/state/document'
import { piecesOf } from '@/state/playedPieces'
import { noteValues } from './noteValues'

/** What notes pass through before the instrument hears them, and the groove that they follow. */
const props = defineProps<{ channel: Channel }>()
const emit = defineEmits<{ grooves: [] }>()
const document = useDocument()
const choices = [
  { value: 'transpose', text: 'Transpose' },
  { value: 'arpeggio', text: 'Arpeggio' },
  { value: 'step-pattern', text: 'Step pattern' },
  { value: 'chosen-notes', text: 'Chosen notes alone' },
]
const names = {
  transpose: 'Transpose',
  arpeggio: 'Arpeggio',
  'step-pattern': 'Step pattern',
  'chosen-notes': 'Chosen notes',
}
const orders = { up: 'up', down: 'down', 'up-and-down': 'up and down', 'as-played': 'as played' }
type Arpeggio = Extract<NoteProcessor, { type: 'arpeggio' }>
type StepPattern = Extract<NoteProcessor, { type: 'step-pattern' }>

function set(change: (now: readonly NoteProcessor[]) => NoteProcessor[]) {
  const { id } = props.channel
  void document.edit(() => {
    const now = document.rows.get(id)?.channel.noteProcessors ?? []
    return [{ type: 'set-note-processors', channel: id, processors: change(now as NoteProcessor[]) }]
  }, id)
}

function change(at: number, part: object) {
  set((now) => now.map((p, i) => (i === at ? ({ ...p, ...part } as NoteProcessor) : p)))
}

/** Of the kit itself, or of the kits that it is layered with. */
const pieces = computed(() => {
  const layered = document.instruments.filter((r) => r.channel.noteInput?.layers.includes(props.channel.id))
  return [document.rows.get(props.channel.id), ...layered].map(piecesOf).find((p) => p.length > 0) ?? []
})

function add(type: string) {
  const rest = (velocityPercent: number) => ({ velocityPercent, semitones: 0, gatePercent: 80 })
  const fresh: NoteProcessor =
    type === 'transpose'
      ? { type, semitones: 12, on: true }
      : type === 'arpeggio'
        ? { type, order: 'up', stepTicks: 240, octaves: 1, gatePercent: 80, on: true }
        : type === 'chosen-notes'
          ? { type, numbers: [pieces.value[0]?.note ?? 60], on: true }
          : { type: 'step-pattern', stepTicks: 240, steps: [rest(100), rest(0), rest(70), rest(0)], on: true }
  set((now) => [...now, fresh])
}

function follow(event: Event) {
  const list = event.target as HTMLSelectElement
  const groove = list.value || null
  if (groove !== '(more)') return void document.edit([{ type: 'set-groove', channel: props.channel.id, groove }])
  list.value = props.channel.groove ?? ''
  emit('grooves')
}

const value = (event: Event) => (event.target as HTMLSelectElement).value

/** Velocities of the steps in percent, 0 for a rest, as one line that can be typed. */
function steps(processor: StepPattern, event: Event) {
  const typed = value(event)
    .split(/[\s,]+/)
    .filter(Boolean)
    .map((word) => Math.round(Number(word)))
  if (typed.length === 0 || typed.some((v) => !(v >= 0 && v <= 200))) {
    ;(event.target as HTMLInputElement).value = processor.steps.map((s) => s.velocityPercent).join(' ')
    return undefined
  }
  return typed.map((velocityPercent, i) => ({ semitones: 0, gatePercent: 80, ...processor.steps[i], velocityPercent }))
}

function setSteps(at: number, processor: StepPattern, event: Event) {
  const typed = steps(processor, event)
  if (typed) change(at, { steps: typed })
}
</script>

<template>
  <section>
    <AddMenu title="Notes pass" label="Add a note processor" :choices="choices" @add="add" />
    <div v-for="(p, i) in channel.noteProcessors" :key="i" class="card" :class="{ off: !p.on }">
      <div class="line">
        <b>{{ names[p.type] }}</b>
        <button
          type="button"
          class="plain bare"
          :class="{ on: !p.on }"
          :aria-pressed="!p.on"
          :title="p.on ? 'Notes pass through it; press to let them by' : 'Notes go by it; press to have them pass'"
          @click="change(i, { on: !p.on })"
        >
          Park
        </button>
        <button
          type="button"
          class="plain bare"
          :aria-label="`Take the ${names[p.type]} out`"
          @click="set((now) => now.filter((_, n) => n !== i))"
        >
          <Icon name="close" :size="13" />
        </button>
      </div>
      <div v-if="p.type === 'transpose'" class="line">
        by
        <ValueField
          label="Transpose by"
          unit="semitones"
          :value="p.semitones"
          :min="-48"
          :max="48"
          :step="1"
          @change="change(i, { semitones: $event ?? 0 })"
        />
      </div>
      <PieceChoice
        v-else-if="p.type === 'chosen-notes'"
        label="Notes that it is played by"
        :pieces="pieces"
        :numbers="p.numbers"
        @change="$event.length ? change(i, { numbers: $event }) : set((now) => now.filter((_, n) => n !== i))"
      />
      <div v-else class="line wrap">
        <select
          v-if="p.type === 'arpeggio'"
          class="field"
          aria-label="Order"
          :value="p.order"
          @change="change(i, { order: value($event) as Arpeggio['order'] })"
        >
          <option v-for="(name, id) in orders" :key="id" :value="id">{{ name }}</option>
        </select>
        <select
          class="field"
          aria-label="Step"
          :value="p.stepTicks"
          @change="change(i, { stepTicks: Number(value($event)) })"
        >
          <option v-for="[ticks, name] in noteValues" :key="ticks" :value="ticks">{{ name }}</option>
        </select>
        <template v-if="p.type === 'arpeggio'"
          ><ValueField
            label="Octaves"
            unit="octaves"
            :value="p.octaves"
            :min="1"
            :max="4"
            :step="1"
            @change="change(i, { octaves: $event ?? 1 })" />
          <ValueField
            label="Gate"
            unit="% long"
            :value="p.gatePercent"
            :min="1"
            :max="100"
            :step="1"
            @change="change(i, { gatePercent: $event ?? 80 })"
        /></template>
        <input
          v-else
          class="field steps"
          aria-label="Velocity of each step in percent, 0 is a rest"
          title="Velocity of each step in percent, 0 is a rest"
          :value="p.steps.map((s) => s.velocityPercent).join(' ')"
          @keydown.stop
          @change="setSteps(i, p, $event)"
        />
      </div>
    </div>
    <div class="line">
      <span class="quiet">Groove</span>
      <select class="field" :aria-label="`Groove of ${channel.name}`" :value="channel.groove ?? ''" @change="follow">
        <option value="">straight</option>
        <option v-for="g in document.head?.grooves" :key="g.name" :value="g.name">{{ g.name }}</option>
        <option value="(more)">the list of grooves…</option>
      </select>
    </div>
  </section>
</template>

<style scoped>
.card {
  margin-bottom: 6px;
}

.off b {
  color: var(--plum);
  text-decoration: line-through;
}

.line {
  display: flex;
  align-items: center;
  gap: 8px;
}

.line b {
  flex: 1;
  font-weight: 500;
}

.wrap {
  flex-wrap: wrap;
}

.field {
  padding-block: 3px;
}

.line select {
  flex: 1 0 45%;
}

.steps {
  flex: 1 1 100%;
}
</style>
