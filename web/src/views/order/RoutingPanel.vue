<script setup lang="ts">
import { computed } from 'vue'
import type { ChannelRow, StageState } from '@/api/types'
import { inkOf } from '@/look/ink'
import ValueField from '@/parts/ValueField.vue'
import { useDocument } from '@/state/document'

const props = defineProps<{ row: ChannelRow }>()
const document = useDocument()
const channel = computed(() => props.row.channel)
const id = computed(() => channel.value.id)
const isSum = computed(() => ['bus', 'return'].includes(channel.value.kind))
const actName = computed(() => document.head?.acts.find((a) => a.id === document.act)?.name)
const feedsSomething = computed(() => !['main', 'direct', 'trigger', 'notes'].includes(channel.value.kind))
const destinations = computed(() => document.sums.filter((r) => r.channel.id !== id.value))

function move(destination: string) {
  void document.edit([{ type: 'move-channel', channel: id.value, destination, before: null }], id.value)
}

function format(value: string) {
  void document.edit([{ type: 'set-format', channel: id.value, format: value as 'mono' | 'stereo' }], id.value)
}

function stage(state: string) {
  void document.edit(
    [{ type: 'set-stage', channel: id.value, act: document.act, state: state as StageState }],
    id.value,
  )
}

function hue(value: number | null) {
  void document.edit([{ type: 'set-hue', channel: id.value, hueDegrees: value }], id.value)
}

function outputs(pair: number | null) {
  void document.edit([{ type: 'set-output-pair', channel: id.value, outputPair: pair ?? 1 }], id.value)
}

function input(first: number | null) {
  const source = channel.value.source
  if (source?.type === 'input')
    void document.edit([{ type: 'set-source', channel: id.value, source: { ...source, first: first ?? 1 } }], id.value)
}
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
          @change="move(($event.target as HTMLSelectElement).value)"
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
          @change="outputs"
        />
      </dd>
    </template>
    <dt>Comes from</dt>
    <dd>
      <template v-if="channel.source?.type === 'input'">
        hardware input
        <ValueField
          label="Hardware input"
          :value="channel.source.first"
          :min="1"
          :max="128"
          :step="1"
          @change="input"
        />
      </template>
      <template v-else>{{ row.comesFrom }}</template>
    </dd>
    <template v-if="row.keyedBy.length"
      ><dt>Keyed by</dt>
      <dd class="plum">{{ row.keyedBy.join(', ') }}</dd></template
    >
    <dt>Role</dt>
    <dd :title="`Read from its name, ${Math.round(row.role.confidence * 100)} % sure`">
      {{ row.role.role === 'unknown' ? 'not told by its name' : row.role.role.replaceAll('-', ' ')
      }}<span v-if="row.role.role !== 'unknown' && row.role.confidence < 0.5" class="faint"> perhaps</span>
    </dd>
    <dt>Width</dt>
    <dd>
      <select
        class="field"
        :value="channel.format"
        :aria-label="`Width of ${channel.name}`"
        @change="format(($event.target as HTMLSelectElement).value)"
      >
        <option value="mono">mono</option>
        <option value="stereo">stereo</option>
      </select>
    </dd>
    <dt>In {{ actName }}</dt>
    <dd>
      <select
        class="field"
        :value="channel.stages[document.act] ?? 'on-stage'"
        :aria-label="`${channel.name} in ${actName}`"
        @change="stage(($event.target as HTMLSelectElement).value)"
      >
        <option value="on-stage">on stage</option>
        <option value="behind-the-curtain">behind the curtain: hidden, running</option>
        <option value="in-the-wings">in the wings: hidden, resting</option>
      </select>
    </dd>
    <template v-if="isSum">
      <dt>Hue</dt>
      <dd class="hue">
        <i class="inked" :style="inkOf(row.colour)" />
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

<style scoped>
.facts {
  display: grid;
  grid-template-columns: 80px 1fr;
  gap: 5px 10px;
  margin: 10px 0 0;
  align-items: center;
  color: var(--text-2);
}

dd {
  margin: 0;
  color: var(--text);
}

.field {
  width: 100%;
  padding: 3px 8px;
}

.plum {
  color: var(--plum);
}

.hue {
  display: flex;
  align-items: center;
  gap: 8px;
}

.hue i {
  width: 14px;
  height: 14px;
  border-radius: 50%;
  background: var(--family);
}
</style>
