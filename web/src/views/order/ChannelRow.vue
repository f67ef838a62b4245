<script setup lang="ts">
import { computed, nextTick, useTemplateRef, watch } from 'vue'
import SendMarks from './SendMarks.vue'
import type { Side } from './useMoves'
import type { ChannelRow } from '@/api/types'
import { inkOf } from '@/look/ink'
import FindingMark from '@/parts/FindingMark.vue'
import Icon from '@/parts/Icon.vue'
import ValueField from '@/parts/ValueField.vue'
import { useCatalogue } from '@/state/catalogue'
import { useDocument } from '@/state/document'
import { useTurns } from '@/state/useTurns'
import { useFindings } from '@/state/findings'
import { useStudio } from '@/state/studio'

const props = defineProps<{ row: ChannelRow; focusable: boolean; folded: boolean; renaming: boolean; drop?: Side }>()
const emit = defineEmits<{ fold: [row: ChannelRow, on: boolean]; renamed: [row: ChannelRow, name?: string] }>()
const document = useDocument()
const turns = useTurns()
const catalogue = useCatalogue()
const findings = useFindings()
const studio = useStudio()
const nameInput = useTemplateRef('nameInput')

const channel = computed(() => props.row.channel)
const found = computed(() =>
  findings.byChannel.get(channel.value.id)?.find((f) => f.channels[0]?.id === channel.value.id),
)
const selected = computed(() => document.chosen.has(channel.value.id))
/** A notes channel makes no sound itself, so it has no fader. */
const can = computed(() => document.can(props.row))
const sounds = computed(() => can.value.sounds)
const isSum = computed(() => can.value.sums || can.value.takesSends)
const state = computed(() => channel.value.stages[document.act] ?? 'on-stage')
const sidechain = computed(() => {
  if (props.row.keyedBy.length) return `from ${props.row.keyedBy.join(', ')}`
  return props.row.steers.length ? `to ${props.row.steers.join(', ')}` : ''
})
const path = computed(() => studio.paths.get(channel.value.id))
const heardLate = computed(() => (path.value ? `${path.value.milliseconds.toFixed(1)} ms` : ''))
const strip = computed(() =>
  channel.value.inserts.map((insert) => ({
    name: catalogue.shortName(insert),
    whole: insert.device
      ? `${insert.device.name}, heard through ${catalogue.processors.get(insert.processor)?.name}`
      : catalogue.shortName(insert),
    plum: insert.key?.on || insert.parkedIn.includes(document.act) || props.row.idle.includes(insert.id),
    parked: insert.parkedIn.includes(document.act) || props.row.idle.includes(insert.id),
    standsIn: !!insert.device,
  })),
)

watch(
  () => props.renaming,
  async (now) => {
    if (!now) return
    await nextTick()
    nameInput.value?.select()
  },
)

function onNameKey(event: KeyboardEvent) {
  event.stopPropagation()
  if (event.key === 'Enter') emit('renamed', props.row, (event.target as HTMLInputElement).value.trim())
  if (event.key === 'Escape') emit('renamed', props.row)
}

function set(level: number | null) {
  void document.edit([{ type: 'set-level', channel: channel.value.id, level }], channel.value.id)
}

function pan(value: number | null) {
  void document.edit([{ type: 'set-pan', channel: channel.value.id, pan: value ?? 0 }], channel.value.id)
}

const mute = () => turns.mute([channel.value.id])
</script>

<template>
  <div
    class="row"
    role="row"
    :class="[state, { selected, sum: isSum, muted: channel.muted, spare: channel.spare }, drop && `drop-${drop}`]"
    :data-id="channel.id"
    :aria-level="row.depth + 1"
    :aria-expanded="row.feeders ? !folded : undefined"
    :aria-selected="selected"
    :tabindex="focusable ? 0 : -1"
    :style="{ '--depth': row.depth }"
  >
    <span class="name inked" role="gridcell" :draggable="!renaming" :style="inkOf(row.colour)">
      <button
        v-if="row.feeders"
        type="button"
        class="mark"
        tabindex="-1"
        :aria-label="folded ? `Unfold ${channel.name}` : `Fold ${channel.name}`"
        @mousedown.prevent.stop
        @click.stop="$emit('fold', row, !folded)"
      >
        <Icon :name="folded ? 'unfold' : 'fold'" :size="13" />
      </button>
      <svg v-else class="mark" width="13" height="13" viewBox="0 0 13 13" aria-hidden="true">
        <path v-if="isSum" d="M3 3.5h7M3 6.5h7M3 9.5h7" stroke="currentColor" stroke-width="1.3" />
        <circle
          v-else-if="channel.kind === 'instrument'"
          cx="6.5"
          cy="6.5"
          r="3.1"
          fill="none"
          stroke="currentColor"
          stroke-width="1.6"
        />
        <path
          v-else-if="channel.kind === 'notes'"
          d="M3 9.5V4l6-1.5v5.5"
          fill="none"
          stroke="currentColor"
          stroke-width="1.4"
        />
        <path
          v-else-if="channel.kind === 'trigger'"
          d="M6.5 2.5l4 7h-8z"
          fill="none"
          stroke="currentColor"
          stroke-width="1.4"
        />
        <circle v-else cx="6.5" cy="6.5" r="3" fill="currentColor" />
      </svg>
      <input
        v-if="renaming"
        ref="nameInput"
        class="field rename"
        :value="channel.name"
        maxlength="80"
        :aria-label="`New name for ${channel.name}`"
        @keydown="onNameKey"
        @blur="$emit('renamed', row, ($event.target as HTMLInputElement).value.trim())"
        @click.stop
      />
      <span v-else class="text">{{ channel.name }}</span>
      <span v-if="channel.note && !renaming" class="noted" :title="channel.note"
        ><Icon name="note" :size="12" /><span class="unseen">has a note</span></span
      >
      <span v-if="found && !renaming" class="noted" :title="found.sentence"
        ><FindingMark :severity="found.severity" /><span class="unseen">{{ found.sentence }}</span></span
      >
    </span>
    <span
      class="cut quiet"
      role="gridcell"
      :title="heardLate ? `${row.comesFrom}, heard ${heardLate} late` : row.comesFrom"
      >{{ row.comesFrom
      }}<span v-if="heardLate" :class="path?.isLate ? 'late' : 'faint'"> · {{ heardLate }}</span></span
    >
    <span class="cut strip" role="gridcell" :title="strip.map((insert) => insert.whole).join(', ')">
      <span
        v-for="(insert, i) in strip"
        :key="i"
        :class="{ plum: insert.plum, parked: insert.parked, 'stands-in': insert.standsIn }"
        >{{ insert.name }}</span
      >
    </span>
    <span class="cut plum" role="gridcell" :title="sidechain">{{ sidechain }}</span>
    <span role="gridcell" class="middle"
      ><SendMarks v-if="sounds" :channel="channel" :returns="document.returns"
    /></span>
    <span role="gridcell" class="middle end level">
      <ValueField
        v-if="sounds"
        :label="`Level of ${channel.name}, dB`"
        form="level"
        :held-by="document.heldBy(channel.id, 'level')"
        :value="channel.level"
        :min="-60"
        :max="6"
        :step="0.5"
        :out-of-tab-order="!focusable"
        @change="set"
      />
    </span>
    <span role="gridcell" class="middle end">
      <ValueField
        v-if="sounds"
        :label="`Pan of ${channel.name}`"
        form="pan"
        :held-by="document.heldBy(channel.id, 'pan')"
        :value="channel.pan"
        :min="-1"
        :max="1"
        :step="0.01"
        :out-of-tab-order="!focusable"
        @change="pan"
      />
    </span>
    <span role="gridcell">
      <button
        type="button"
        class="mute"
        :aria-pressed="channel.muted"
        :aria-label="`${channel.muted ? 'Muted' : 'Mute'} ${channel.name}`"
        tabindex="-1"
        @mousedown.prevent.stop
        @click.stop="mute"
      >
        {{ channel.muted ? 'muted' : 'mute' }}
      </button>
    </span>
  </div>
</template>

<style scoped src="./channelRow.css"></style>
