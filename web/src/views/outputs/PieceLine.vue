<script setup lang="ts">
import { usePieceEdits } from './usePieceEdits'
import type { Kit, OutputLine, Part } from '@/api/types'
import TextField from '@/parts/TextField.vue'
import ValueField from '@/parts/ValueField.vue'

/** One piece or microphone as a row of fields. */
const props = defineProps<{
  channel: string
  kit: Kit
  piece: Part
  outputs: OutputLine[]
  on: boolean
  ticked: boolean
}>()
defineEmits<{ tick: []; choose: []; fire: [] }>()
const edits = usePieceEdits(props)
const mostImportance = 9

const value = (event: Event) => (event.target as HTMLSelectElement).value
const called = () => edits.piece.value?.name ?? props.piece.name
const microphoneOf = () => (props.piece.piece === null ? '' : props.piece.microphone.name)

function rename(name: string) {
  if (name && name !== called()) void edits.rename(name)
}
</script>

<template>
  <tr :class="{ on }" @focusin="$emit('choose')" @keydown.stop>
    <td><input type="checkbox" :aria-label="`Choose ${piece.name}`" :checked="ticked" @change="$emit('tick')" /></td>
    <td class="name" :class="{ close: microphoneOf() }">
      <TextField :aria-label="`Name of ${piece.name}`" maxlength="80" :value="called()" @change="rename" />
      <span v-if="microphoneOf()" class="faint">{{ microphoneOf() }}</span>
    </td>
    <td class="right">
      <ValueField
        v-if="edits.piece.value"
        :label="`Note of ${piece.name}`"
        :value="edits.piece.value.note"
        :min="0"
        :max="127"
        :step="1"
        form="note"
        @change="$event !== null && edits.put({ note: $event })"
      />
      <span v-else class="faint">far</span>
    </td>
    <td>
      <TextField
        class="family"
        :aria-label="`Family of ${piece.name}`"
        maxlength="80"
        :value="edits.piece.value?.family ?? piece.family"
        @change="edits.putFamily"
      />
    </td>
    <td>
      <select
        class="field"
        :aria-label="`Width of ${piece.name}`"
        :value="piece.microphone.format ?? 'mono'"
        @change="edits.putMicrophone({ format: value($event) as never })"
      >
        <option value="mono">mono</option>
        <option value="stereo">stereo</option>
      </select>
    </td>
    <td class="right">
      <ValueField
        :label="`Pan of ${piece.name}`"
        :value="piece.microphone.pan ?? 0"
        :min="-1"
        :max="1"
        :step="0.05"
        form="pan"
        @change="$event !== null && edits.putMicrophone({ pan: $event })"
      />
    </td>
    <td class="right">
      <ValueField
        :label="`How much ${piece.name} matters`"
        :value="piece.microphone.importance ?? 1"
        :min="1"
        :max="mostImportance"
        :step="1"
        @change="$event !== null && edits.place(piece.microphone.stay ?? 'by-plan', $event)"
      />
    </td>
    <td>
      <select
        class="field"
        :aria-label="`What the plan does with ${piece.name}`"
        :value="piece.microphone.stay ?? 'by-plan'"
        @change="edits.place(value($event) as never, piece.microphone.importance ?? 1)"
      >
        <option value="by-plan">decides</option>
        <option value="alone">keeps alone</option>
        <option value="on-first">with the rest</option>
      </select>
      <span v-if="piece.microphone.together" class="faint">with {{ piece.microphone.together }}</span>
    </td>
    <td>
      <select
        class="field"
        :aria-label="`Output of ${piece.name}`"
        :value="piece.microphone.output"
        @change="edits.sendTo(Number(value($event)))"
      >
        <option v-for="line in outputs" :key="line.number" :value="line.number">
          {{ line.jackLabel }} {{ line.name }}
        </option>
      </select>
    </td>
  </tr>
</template>

<style scoped>
td {
  padding: 2px 8px 2px 0;
  border-bottom: 1px solid var(--line-soft);
  vertical-align: middle;
}

.on td {
  background: color-mix(in srgb, var(--lamp) 8%, transparent);
}

.right {
  padding-right: 14px;
  text-align: right;
}

.field {
  padding: 2px 6px;
}

.name {
  white-space: nowrap;
}

.name .field {
  width: 118px;
}

.name.close .field {
  width: 76px;
}

.family {
  width: 128px;
}

td select.field {
  max-width: clamp(136px, 14vw, 240px);
  padding-right: 24px;
}

.name .faint {
  margin-left: 6px;
}
</style>
