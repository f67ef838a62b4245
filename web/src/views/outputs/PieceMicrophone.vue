<script setup lang="ts">
import { computed } from 'vue'
import { spoken } from './familyInk'
import { usePieceEdits } from './usePieceEdits'
import type { Kit, OutputLine, Part } from '@/api/types'
import TextField from '@/parts/TextField.vue'
import ValueField from '@/parts/ValueField.vue'
import { useDocument } from '@/state/document'

/** What hears the piece: its output, its width and place, and what the plan may do with it. Rows of a list of facts. */
const props = defineProps<{ channel: string; piece: Part; kit: Kit; outputs: OutputLine[] }>()
const document = useDocument()
const edits = usePieceEdits(props)
const leastOfNeighbours = -60

const microphone = computed(() => props.piece.microphone)
const stays = [
  { id: 'by-plan', name: 'By the plan' },
  { id: 'alone', name: 'Alone' },
  { id: 'on-first', name: 'With the rest' },
] as const

/** The family that the piece stands in, where it is not the outermost. */
const family = computed(() => {
  const path = edits.piece.value?.family ?? props.piece.family
  return path.includes('/') ? path : undefined
})

function keepWhole(path: string, on: boolean) {
  const { channel } = props
  void document.edit([{ type: 'keep-family-whole', channel, family: path, on }], channel)
}

function value(event: Event) {
  return (event.target as HTMLInputElement).value
}
</script>

<template>
  <template v-if="(edits.piece.value?.microphones.length ?? 0) > 1">
    <dt><label for="piece-microphone">Microphone</label></dt>
    <dd>
      <TextField
        id="piece-microphone"
        maxlength="40"
        :value="microphone.name"
        @change="$event && edits.putMicrophone({ name: $event })"
      />
    </dd>
  </template>
  <dt><label for="piece-output">Leaves by</label></dt>
  <dd>
    <select id="piece-output" class="field" :value="microphone.output" @change="edits.sendTo(Number(value($event)))">
      <option v-for="line in outputs" :key="line.number" :value="line.number">
        {{ line.jackLabel }} {{ line.name }}
      </option>
    </select>
  </dd>
  <template v-if="microphone.output !== 1">
    <dt></dt>
    <dd>
      <label class="tick"
        ><input
          type="checkbox"
          :checked="microphone.alsoOnFirst ?? false"
          @change="edits.putMicrophone({ alsoOnFirst: ($event.target as HTMLInputElement).checked })"
        />
        and by {{ outputs[0]?.jackLabel }} as well</label
      >
    </dd>
  </template>
  <dt><label for="piece-width">Width</label></dt>
  <dd class="value">
    <select
      id="piece-width"
      class="field"
      :value="microphone.format ?? 'mono'"
      @change="edits.putMicrophone({ format: value($event) as never })"
    >
      <option value="mono">mono</option>
      <option value="stereo">stereo</option>
    </select>
    <ValueField
      label="Pan"
      form="pan"
      :value="microphone.pan ?? 0"
      :min="-1"
      :max="1"
      :step="0.01"
      @change="edits.putMicrophone({ pan: $event ?? 0 })"
    />
  </dd>
  <template v-if="edits.piece.value">
    <dt title="How loud it hears every other piece beside its own">Neighbours</dt>
    <dd class="value">
      <input
        type="checkbox"
        aria-label="Hears its neighbours"
        :checked="microphone.neighboursDb !== null && microphone.neighboursDb !== undefined"
        @change="edits.putMicrophone({ neighboursDb: ($event.target as HTMLInputElement).checked ? -24 : null })"
      />
      <ValueField
        v-if="typeof microphone.neighboursDb === 'number'"
        label="Neighbours at"
        unit="dB"
        :value="microphone.neighboursDb"
        :min="leastOfNeighbours"
        :max="0"
        :step="1"
        @change="$event !== null && edits.putMicrophone({ neighboursDb: $event })"
      />
      <span v-else class="faint">not heard</span>
    </dd>
  </template>
  <dt><label for="piece-stay">Place</label></dt>
  <dd>
    <select
      id="piece-stay"
      class="field"
      :value="microphone.stay ?? 'by-plan'"
      @change="edits.place(value($event) as never, microphone.importance ?? 1)"
    >
      <option v-for="stay in stays" :key="stay.id" :value="stay.id">{{ stay.name }}</option>
    </select>
  </dd>
  <template v-if="family">
    <dt>Plans</dt>
    <dd>
      <label class="tick"
        ><input
          type="checkbox"
          :checked="(kit.whole ?? []).includes(family)"
          @change="keepWhole(family, ($event.target as HTMLInputElement).checked)"
        />
        keep {{ spoken(family.split('/').at(-1)!).toLowerCase() }} whole</label
      >
    </dd>
  </template>
  <dt title="1 to 9: how much it matters that it is kept apart">Importance</dt>
  <dd>
    <ValueField
      label="Importance"
      unit="of 9"
      :value="microphone.importance ?? 1"
      :min="1"
      :max="9"
      :step="1"
      @change="$event !== null && edits.place(microphone.stay ?? 'by-plan', $event)"
    />
  </dd>
</template>

<style scoped src="@/views/order/facts.css"></style>

<style scoped>
/* Among fields of words a number begins where they do. */
dd :deep([role='spinbutton']) {
  width: 4ch;
  text-align: left;
}

.tick {
  display: flex;
  align-items: center;
  gap: 6px;
}
</style>
