<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import ManyPrints from './prints/ManyPrints.vue'
import { useManyEdits } from './useManyEdits'
import Picker from '@/parts/Picker.vue'
import ValueField from '@/parts/ValueField.vue'
import { useInsertChoices } from '@/devices/useInsertChoices'
import { useDocument } from '@/state/document'

/** An insert, a send and hardware inputs for several chosen channels. */
const document = useDocument()
const many = useManyEdits()
const sendLevel = ref<number | null>(-12)
/** A closed send is in place and silent. */
const closed = ref(false)
const firstInput = ref(1)
/** How many channels sent there already and were left as they were. */
const left = ref<string>()

const inputs = computed(() => many.rows.value.filter((r) => document.can(r).takesInputs && !isPlayed(r.channel.source)))
const isPlayed = (source: { type: string } | null) => source?.type === 'instrument'

watch(
  () => many.ids.value.join(),
  () => (left.value = undefined),
)

const processors = useInsertChoices()
const returns = computed(() => document.returns.map((r) => ({ value: r.channel.id, text: r.channel.name })))

function addInsert(processor: string) {
  void many.each((row) => (document.can(row).sounds ? processors.making(row.channel.id, processor) : undefined))
}

/** A send that is there keeps its level, its place and whether it is open. */
function addSend(to: string) {
  const level = sendLevel.value
  const there = many.rows.value.filter((r) => r.channel.sends.some((s) => s.to === to))
  const name = document.rows.get(to)?.channel.name
  left.value = there.length
    ? `${there.length === 1 ? 'One sends' : `${there.length} send`} to ${name} already and ${there.length === 1 ? 'was' : 'were'} left alone.`
    : undefined
  void document.edit([
    { type: 'add-sends', channels: many.ids.value, send: { to, level, tap: 'post', open: !closed.value } },
  ])
}

/** Hardware inputs one after the other, in the order of the rows. */
function takeInputs() {
  void document.edit([{ type: 'take-inputs', channels: many.ids.value, first: firstInput.value }])
}

/** Whether all of their inputs are heard, none, or some. */
const heard = computed(() => inputs.value.filter((r) => r.channel.source?.type === 'input'))
const allHeard = computed(
  () =>
    heard.value.length > 0 &&
    heard.value.every((r) => r.channel.source?.type === 'input' && r.channel.source.monitored),
)

function monitor() {
  void document.edit([{ type: 'monitor-inputs', channels: many.ids.value, monitored: !allHeard.value, armed: null }])
}
</script>

<template>
  <dl class="facts">
    <dt>Insert</dt>
    <dd>
      <Picker
        label="Add an insert to all"
        :choices="processors.all.value"
        :value="null"
        empty="Add…"
        @choose="addInsert"
      />
    </dd>
    <dt>Send</dt>
    <dd class="value">
      <Picker label="Add a send to all" :choices="returns" :value="null" empty="to…" @choose="addSend" />
      <ValueField
        label="Level of the sends"
        form="level"
        unit="dB"
        :value="sendLevel"
        :min="-60"
        :max="6"
        :step="0.5"
        @change="sendLevel = $event"
      />
    </dd>
    <dt />
    <dd>
      <label class="switch" title="A closed send is in place and silent, until it is opened"
        ><input v-model="closed" type="checkbox" /> closed for now</label
      >
    </dd>
    <template v-if="left"
      ><dt />
      <dd class="faint" role="status">{{ left }}</dd></template
    >
    <template v-if="inputs.length">
      <dt>Inputs</dt>
      <dd class="value">
        <button type="button" class="plain" @click="takeInputs">Number them</button>
        from
        <ValueField
          label="First hardware input"
          :value="firstInput"
          :min="1"
          :max="128"
          :step="1"
          @change="firstInput = $event ?? 1"
        />
      </dd>
      <template v-if="heard.length">
        <dt>Monitoring</dt>
        <dd>
          <button type="button" class="plain" :class="{ on: allHeard }" :aria-pressed="allHeard" @click="monitor">
            {{ allHeard ? 'All are monitored' : 'Monitor them all' }}
          </button>
        </dd>
      </template>
    </template>
    <ManyPrints />
  </dl>
</template>

<style scoped src="./facts.css"></style>
<style scoped>
.switch {
  display: flex;
  align-items: center;
  gap: 7px;
}
</style>
