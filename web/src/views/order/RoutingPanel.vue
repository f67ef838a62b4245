<script setup lang="ts">
import { computed } from 'vue'
import HueSwatches from './HueSwatches.vue'
import RoleFact from './RoleFact.vue'
import SourceFact from './SourceFact.vue'
import SparesFact from './SparesFact.vue'
import StagesFact from './StagesFact.vue'
import TwinFact from './prints/TwinFact.vue'
import type { ChannelFormat, ChannelKind, ChannelRow, Edit } from '@/api/types'
import Picker from '@/parts/Picker.vue'
import ValueField from '@/parts/ValueField.vue'
import { useDocument } from '@/state/document'

const props = defineProps<{ row: ChannelRow }>()
const document = useDocument()
const channel = computed(() => props.row.channel)
const id = computed(() => channel.value.id)
const can = computed(() => document.can(props.row))
const feedsSomething = computed(() => can.value.feedsASum)
const turns = computed(() => channel.value.kind === 'audio' || channel.value.kind === 'instrument')
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
        <Picker
          :label="`${channel.name} feeds`"
          :choices="destinations.map((r) => ({ value: r.channel.id, text: r.channel.name }))"
          :value="channel.destination ?? null"
          empty="nothing yet"
          @choose="send({ type: 'move-channel', channel: id, destination: $event, before: null })"
        />
      </dd>
    </template>
    <template v-if="channel.outputPair !== null">
      <dt>Goes to</dt>
      <dd class="pair">
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
    <StagesFact :channel="channel" />
    <SparesFact :row="row" />
  </dl>
  <details class="more">
    <summary>
      {{ can.sounds ? (turns ? 'Role, width, polarity, hue, kind' : 'Role, width, polarity, hue') : 'Role and hue' }}
    </summary>
    <dl class="facts">
      <RoleFact :row="row" />
      <template v-if="turns">
        <dt>Kind</dt>
        <dd>
          <select
            class="field"
            :value="channel.kind"
            :aria-label="`Kind of ${channel.name}`"
            title="Strip, sends, curves and place stay; starters, how it is played, its input and its print are left behind"
            @change="send({ type: 'turn-into', channel: id, kind: choice($event) as ChannelKind, instrument: null })"
          >
            <option value="audio">audio</option>
            <option value="instrument">instrument</option>
          </select>
        </dd>
      </template>
      <template v-if="can.sounds">
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
              @change="
                send({ type: 'set-polarity', channel: id, flipped: ($event.target as HTMLInputElement).checked })
              "
            />
            flipped</label
          >
        </dd>
      </template>
      <dt>Hue</dt>
      <dd><HueSwatches :label="`Hue of ${channel.name}`" :hue="channel.hueDegrees" @choose="hue" /></dd>
      <TwinFact :channel="channel" />
    </dl>
  </details>
</template>

<style scoped src="./facts.css"></style>
<style scoped>
.pair {
  display: flex;
  align-items: baseline;
  gap: 6px;
}

.more {
  margin-top: 6px;
}

summary {
  color: var(--text-3);
  font-size: 12px;
  cursor: pointer;
}
</style>
