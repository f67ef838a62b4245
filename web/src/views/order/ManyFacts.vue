<script setup lang="ts">
import { computed } from 'vue'
import HueSwatches from './HueSwatches.vue'
import { useManyEdits } from './useManyEdits'
import type { ChannelFormat, StageState } from '@/api/types'
import Picker from '@/parts/Picker.vue'
import ValueField from '@/parts/ValueField.vue'
import { useDocument } from '@/state/document'
import { useTurns } from '@/state/useTurns'

/** What several chosen channels have in common, and can be given alike. */
const document = useDocument()
const turns = useTurns()
const many = useManyEdits()
const channels = computed(() => many.rows.value.map((r) => r.channel))
const actName = computed(() => document.head?.acts.find((a) => a.id === document.act)?.name)
const sums = computed(() =>
  document.sums
    .filter((r) => !document.chosen.has(r.channel.id))
    .map((r) => ({ value: r.channel.id, text: r.channel.name })),
)
const allMuted = computed(() => common((c) => c.muted) === true)

/** What all have in common, or undefined. */
function common<T>(of: (channel: (typeof channels.value)[number]) => T): T | undefined {
  const values = new Set(channels.value.map(of))
  return values.size === 1 ? [...values][0] : undefined
}

const choice = (event: Event) => (event.target as HTMLSelectElement).value

function feed(destination: string) {
  void many.each((row) =>
    document.can(row).feedsASum ? { type: 'set-destination', channel: row.channel.id, destination } : undefined,
  )
}

function stage(state: string) {
  const { act } = document
  void many.each(({ channel }) => ({ type: 'set-stage', channel: channel.id, act, state: state as StageState }))
}

function widen(format: string) {
  void many.each(({ channel }) => ({ type: 'set-format', channel: channel.id, format: format as ChannelFormat }))
}
</script>

<template>
  <dl class="facts">
    <dt>Feed</dt>
    <dd>
      <Picker
        label="All feed"
        :choices="sums"
        :value="common((c) => c.destination) ?? null"
        empty="different ones"
        @choose="feed"
      />
    </dd>
    <dt>In {{ actName }}</dt>
    <dd>
      <select
        class="field"
        :aria-label="`All in ${actName}`"
        :value="common((c) => c.stages[document.act] ?? 'on-stage') ?? ''"
        @change="stage(choice($event))"
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
        @change="widen(choice($event))"
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
      <button
        type="button"
        class="plain bare"
        :class="{ on: allMuted }"
        :aria-pressed="allMuted"
        @click="turns.mute(many.ids.value)"
      >
        Mute
      </button>
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
    <dd>
      <HueSwatches
        label="Hue of all"
        :hue="common((c) => c.hueDegrees)"
        @choose="(hueDegrees) => many.each(({ channel }) => ({ type: 'set-hue', channel: channel.id, hueDegrees }))"
      />
    </dd>
  </dl>
</template>

<style scoped src="./facts.css"></style>
