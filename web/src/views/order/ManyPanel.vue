<script setup lang="ts">
import { computed, ref } from 'vue'
import { newInsert } from './channelDraft'
import { useManyEdits } from './useManyEdits'
import type { ChannelFormat, Edit, StageState } from '@/api/types'
import ValueField from '@/parts/ValueField.vue'
import { useCatalogue } from '@/state/catalogue'
import { useDocument } from '@/state/document'

/** Everything that several chosen channels can be given alike. */
const document = useDocument()
const catalogue = useCatalogue()
const many = useManyEdits()
const pattern = ref('')
const from = ref(1)
const sendLevel = ref<number | null>(-12)
const firstInput = ref(1)

const channels = computed(() => many.rows.value.map((r) => r.channel))
const actName = computed(() => document.head?.acts.find((a) => a.id === document.act)?.name)
const inputs = computed(() => channels.value.filter((c) => c.kind === 'audio' || c.source?.type === 'input'))
/** What all have in common, or undefined. */
function common<T>(of: (channel: (typeof channels.value)[number]) => T): T | undefined {
  const values = new Set(channels.value.map(of))
  return values.size === 1 ? [...values][0] : undefined
}

const choice = (event: Event) => (event.target as HTMLSelectElement).value
const chosenSource = (event: Event) => {
  const value = choice(event)
  ;(event.target as HTMLSelectElement).value = ''
  return value
}

function addInsert(processor: string) {
  void many.each(({ channel }) =>
    channel.kind === 'notes'
      ? undefined
      : { type: 'add-insert', channel: channel.id, insert: newInsert(channel, processor), place: null },
  )
}

function addSend(to: string) {
  const level = sendLevel.value
  void many.each(({ channel }) =>
    ['trigger', 'notes', 'main'].includes(channel.kind) || channel.id === to
      ? undefined
      : { type: 'put-send', channel: channel.id, send: { to, level, tap: 'post', open: true } },
  )
}

/** Hardware inputs one after the other, in the order of the rows. */
function takeInputs() {
  let next = firstInput.value
  const edits: Edit[] = inputs.value.map((c) => {
    const stereo = c.format === 'stereo'
    const source = { type: 'input' as const, first: next, second: stereo ? next + 1 : null, monitored: c.source?.type === 'input' && c.source.monitored, armed: c.source?.type === 'input' && c.source.armed } // prettier-ignore
    next += stereo ? 2 : 1
    return { type: 'set-source', channel: c.id, source }
  })
  void document.edit(edits)
}
</script>

<template>
  <h2>{{ channels.length }} channels</h2>
  <p class="faint names">{{ channels.map((c) => c.name).join(', ') }}</p>
  <div class="acts">
    <button type="button" class="plain" @click="many.busAround()">Put a bus around them</button>
    <button type="button" class="plain" @click="many.duplicate()">Duplicate</button>
    <button type="button" class="plain" @click="many.remove()">Remove</button>
  </div>
  <section>
    <h3>All alike</h3>
    <form class="name" @submit.prevent="pattern.trim() && many.name(pattern, from)">
      <input
        v-model="pattern"
        class="field"
        maxlength="80"
        placeholder="Name, # is the number"
        aria-label="Name for all, # is the number"
        @keydown.stop
      />
      from
      <input
        v-model.number="from"
        class="field short"
        type="number"
        min="0"
        max="9999"
        aria-label="First number"
        @keydown.stop
      />
      <button type="submit" class="plain" :disabled="pattern.trim() === ''">Name</button>
    </form>
    <dl class="facts">
      <dt>Feed</dt>
      <dd>
        <select
          class="field"
          aria-label="All feed"
          :value="common((c) => c.destination) ?? ''"
          @change="
            many.each(({ channel }) =>
              ['main', 'direct', 'trigger', 'notes'].includes(channel.kind)
                ? undefined
                : { type: 'set-destination', channel: channel.id, destination: choice($event) },
            )
          "
        >
          <option value="" disabled>different ones</option>
          <option
            v-for="r in document.sums.filter((r) => !document.chosen.has(r.channel.id))"
            :key="r.channel.id"
            :value="r.channel.id"
          >
            {{ r.channel.name }}
          </option>
        </select>
      </dd>
      <dt>In {{ actName }}</dt>
      <dd>
        <select
          class="field"
          :aria-label="`All in ${actName}`"
          :value="common((c) => c.stages[document.act] ?? 'on-stage') ?? ''"
          @change="
            many.each(({ channel }) => ({
              type: 'set-stage',
              channel: channel.id,
              act: document.act,
              state: choice($event) as StageState,
            }))
          "
        >
          <option value="" disabled>different states</option>
          <option value="on-stage">on stage</option>
          <option value="behind-the-curtain">behind the curtain</option>
          <option value="in-the-wings">in the wings</option>
        </select>
      </dd>
      <dt>Width</dt>
      <dd>
        <select
          class="field"
          aria-label="Width of all"
          :value="common((c) => c.format) ?? ''"
          @change="
            many.each(({ channel }) => ({
              type: 'set-format',
              channel: channel.id,
              format: choice($event) as ChannelFormat,
            }))
          "
        >
          <option value="" disabled>different</option>
          <option value="mono">mono</option>
          <option value="stereo">stereo</option>
        </select>
      </dd>
      <dt>Level</dt>
      <dd class="value">
        <ValueField
          label="Level of all"
          form="level"
          unit="dB"
          :value="common((c) => c.level) ?? 0"
          :mixed="common((c) => c.level) === undefined"
          :min="-60"
          :max="6"
          :step="0.5"
          @change="many.each(({ channel }) => ({ type: 'set-level', channel: channel.id, level: $event }))"
        />
      </dd>
      <dt>Pan</dt>
      <dd class="value">
        <ValueField
          label="Pan of all"
          form="pan"
          :value="common((c) => c.pan) ?? 0"
          :mixed="common((c) => c.pan) === undefined"
          :min="-1"
          :max="1"
          :step="0.01"
          @change="many.each(({ channel }) => ({ type: 'set-pan', channel: channel.id, pan: $event ?? 0 }))"
        />
      </dd>
      <dt>Hue</dt>
      <dd class="value">
        <ValueField
          label="Hue of all, degrees"
          unit="°"
          :value="common((c) => c.hueDegrees) ?? 0"
          mixed
          :min="0"
          :max="359"
          :step="1"
          @change="many.each(({ channel }) => ({ type: 'set-hue', channel: channel.id, hueDegrees: $event }))"
        />
        <button
          type="button"
          class="plain bare"
          @click="many.each(({ channel }) => ({ type: 'set-hue', channel: channel.id, hueDegrees: null }))"
        >
          as above them
        </button>
      </dd>
      <dt>Sound</dt>
      <dd>
        <button
          type="button"
          class="plain bare"
          @click="many.each(({ channel }) => ({ type: 'set-mute', channel: channel.id, muted: true }))"
        >
          mute
        </button>
        <button
          type="button"
          class="plain bare"
          @click="many.each(({ channel }) => ({ type: 'set-mute', channel: channel.id, muted: false }))"
        >
          open
        </button>
      </dd>
      <dt>Insert</dt>
      <dd>
        <select class="field" aria-label="Add an insert to all" @change="addInsert(chosenSource($event))">
          <option value="">Add…</option>
          <option v-for="p in catalogue.known.processors" :key="p.id" :value="p.id">{{ p.name }}</option>
        </select>
      </dd>
      <dt>Send</dt>
      <dd class="value">
        <select class="field" aria-label="Add a send to all" @change="addSend(chosenSource($event))">
          <option value="">to…</option>
          <option v-for="r in document.returns" :key="r.channel.id" :value="r.channel.id">{{ r.channel.name }}</option>
        </select>
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
      <template v-if="inputs.length">
        <dt>Inputs</dt>
        <dd class="value">
          from
          <ValueField
            label="First hardware input"
            :value="firstInput"
            :min="1"
            :max="128"
            :step="1"
            @change="firstInput = $event ?? 1"
          />
          on
          <button type="button" class="plain bare" @click="takeInputs">take them</button>
        </dd>
      </template>
    </dl>
  </section>
</template>

<style scoped src="./facts.css"></style>
<style scoped>
h2 {
  font-size: 20px;
}

.names {
  margin: 2px 0 8px;
  max-height: 4.2em;
  overflow: auto;
}

.acts,
.name {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px;
}

.name .field:first-child {
  flex: 1 0 100%;
}

.short {
  width: 62px;
}
</style>
