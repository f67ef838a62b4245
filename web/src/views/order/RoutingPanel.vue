<script setup lang="ts">
import { computed } from 'vue'
import RoleFact from './RoleFact.vue'
import SourceFact from './SourceFact.vue'
import StagesFact from './StagesFact.vue'
import TwinFact from './TwinFact.vue'
import type { ChannelFormat, ChannelRow, Edit } from '@/api/types'
import { inkOf } from '@/look/ink'
import ValueField from '@/parts/ValueField.vue'
import { useDocument } from '@/state/document'

const props = defineProps<{ row: ChannelRow }>()
const document = useDocument()
const channel = computed(() => props.row.channel)
const id = computed(() => channel.value.id)
const isSum = computed(() => ['bus', 'return'].includes(channel.value.kind))
const feedsSomething = computed(() => !['main', 'direct', 'trigger', 'notes'].includes(channel.value.kind))
const destinations = computed(() => document.sums.filter((r) => r.channel.id !== id.value))

function send(edit: Edit) {
  void document.edit([edit], id.value)
}

const choice = (event: Event) => (event.target as HTMLSelectElement).value
const hue = (hueDegrees: number | null) => send({ type: 'set-hue', channel: id.value, hueDegrees })
</script>

<template>
  <dl class="facts">
    <template v-if="feedsSomething">
      <dt>Feeds</dt>
      <dd>
        <select
          class="field"
          :value="channel.destination ?? ''"
          :aria-label="`${channel.name} feeds`"
          @change="send({ type: 'move-channel', channel: id, destination: choice($event), before: null })"
        >
          <option v-if="channel.destination === null" value="">nothing yet</option>
          <option v-for="r in destinations" :key="r.channel.id" :value="r.channel.id">{{ r.channel.name }}</option>
        </select>
      </dd>
    </template>
    <template v-if="channel.outputPair !== null">
      <dt>Goes to</dt>
      <dd>
        outputs {{ 2 * channel.outputPair - 1 }}–{{ 2 * channel.outputPair }}, pair
        <ValueField
          label="Hardware output pair"
          :value="channel.outputPair"
          :min="1"
          :max="64"
          :step="1"
          @change="send({ type: 'set-output-pair', channel: id, outputPair: $event ?? 1 })"
        />
      </dd>
    </template>
    <SourceFact :row="row" />
    <template v-if="row.keyedBy.length"
      ><dt>Keyed by</dt>
      <dd class="plum">{{ row.keyedBy.join(', ') }}</dd></template
    >
    <RoleFact :row="row" />
    <template v-if="channel.kind !== 'notes'">
      <dt>Width</dt>
      <dd>
        <select
          class="field"
          :value="channel.format"
          :aria-label="`Width of ${channel.name}`"
          @change="send({ type: 'set-format', channel: id, format: choice($event) as ChannelFormat })"
        >
          <option value="mono">mono</option>
          <option value="stereo">stereo</option>
        </select>
      </dd>
      <dt>Polarity</dt>
      <dd>
        <label class="switch"
          ><input
            type="checkbox"
            :checked="channel.polarityFlipped"
            @change="send({ type: 'set-polarity', channel: id, flipped: ($event.target as HTMLInputElement).checked })"
          />
          flipped</label
        >
      </dd>
    </template>
    <StagesFact :channel="channel" />
    <TwinFact :channel="channel" />
    <template v-if="isSum">
      <dt>Hue</dt>
      <dd class="value">
        <i class="inked dot" :style="inkOf(row.colour)" />
        <button v-if="row.hueDegrees === null" type="button" class="plain bare" @click="hue(200)">choose one</button>
        <ValueField
          v-else
          label="Hue, degrees"
          unit="°"
          :value="row.hueDegrees"
          :min="0"
          :max="359"
          :step="1"
          @change="hue"
        />
        <button v-if="channel.hueDegrees !== null" type="button" class="plain bare" @click="hue(null)">
          as above it
        </button>
      </dd>
    </template>
  </dl>
</template>

<style scoped src="./facts.css"></style>
<style scoped>
.dot {
  width: 14px;
  height: 14px;
  border-radius: 50%;
  background: var(--family);
  align-self: center;
}
</style>
