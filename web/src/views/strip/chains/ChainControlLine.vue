<script setup lang="ts">
import { keyOf, newMove, type ChainValue } from './chains'
import type { ChainControl, ChainMove } from '@/api/types'
import Icon from '@/parts/Icon.vue'
import Picker from '@/parts/Picker.vue'
import TextField from '@/parts/TextField.vue'
import ValueField from '@/parts/ValueField.vue'

/** One control of a chain: turned by sliding or typing; opened it says what it moves, from where to where. */
const props = defineProps<{
  chain: string
  control: ChainControl
  /** All that the chain's inserts have. */
  values: readonly ChainValue[]
  /** What no control moves yet. */
  free: readonly ChainValue[]
  /** Whether something inside was set otherwise since it was turned. */
  byHand: boolean
  open: boolean
}>()
const emit = defineEmits<{
  toggle: []
  turn: [position: number]
  change: [part: (now: ChainControl) => Partial<ChainControl>]
  remove: []
}>()

const valueOf = (move: ChainMove) => props.values.find((v) => v.key === keyOf(move))

function set(index: number, change: Partial<ChainMove>) {
  const key = keyOf(props.control.moves[index]!)
  emit('change', ({ moves }) => ({ moves: moves.map((m) => (keyOf(m) === key ? { ...m, ...change } : m)) }))
}

function takeOff(index: number) {
  const key = keyOf(props.control.moves[index]!)
  emit('change', ({ moves }) => ({ moves: moves.filter((m) => keyOf(m) !== key) }))
}

function add(key: string) {
  const value = props.free.find((v) => v.key === key)
  if (value) emit('change', ({ moves }) => ({ moves: [...moves, newMove(value)] }))
}
</script>

<template>
  <div class="control" :class="{ open }">
    <div class="line">
      <button
        type="button"
        class="title"
        :aria-expanded="open"
        :title="`What ${control.name} moves`"
        @click="$emit('toggle')"
      >
        <Icon :name="open ? 'fold' : 'unfold'" :size="13" />{{ control.name }}
      </button>
      <input
        class="slide"
        type="range"
        min="0"
        max="100"
        :value="control.position * 100"
        :aria-label="`${control.name} of ${chain} by sliding`"
        @change="$emit('turn', Number(($event.target as HTMLInputElement).value) / 100)"
      />
      <ValueField
        :label="`${control.name} of ${chain}`"
        unit="%"
        :value="Math.round(control.position * 1000) / 10"
        :min="0"
        :max="100"
        :step="1"
        @change="$emit('turn', ($event ?? 0) / 100)"
      />
    </div>
    <p v-if="byHand && control.moves.length" class="plum">
      Something inside was set by hand since.
      <button type="button" class="plain bare" @click="$emit('turn', control.position)">Set it anew</button>
    </p>
    <template v-if="open">
      <label class="line"
        ><span class="quiet">Name</span
        ><TextField
          :aria-label="`Name of the control ${control.name}`"
          maxlength="40"
          :value="control.name"
          @keydown.stop
          @change="(name) => name && $emit('change', () => ({ name }))"
      /></label>
      <div v-for="(move, i) in control.moves" :key="keyOf(move)" class="move">
        <span>{{ valueOf(move)?.text ?? 'what is there no more' }}</span>
        <div class="line">
          <template v-if="move.parameter && valueOf(move)?.parameter">
            <ValueField
              :label="`At 0 %: ${valueOf(move)!.text}`"
              :unit="valueOf(move)!.parameter!.symbol"
              :counts="valueOf(move)!.parameter!.unit"
              :value="move.from"
              :min="valueOf(move)!.parameter!.min"
              :max="valueOf(move)!.parameter!.max"
              :step="valueOf(move)!.parameter!.step"
              @change="set(i, { from: $event ?? 0 })"
            />
            <span class="quiet">to</span>
            <ValueField
              :label="`At 100 %: ${valueOf(move)!.text}`"
              :unit="valueOf(move)!.parameter!.symbol"
              :counts="valueOf(move)!.parameter!.unit"
              :value="move.to"
              :min="valueOf(move)!.parameter!.min"
              :max="valueOf(move)!.parameter!.max"
              :step="valueOf(move)!.parameter!.step"
              @change="set(i, { to: $event ?? 0 })"
            />
          </template>
          <template v-else-if="!move.parameter">
            <span class="quiet">works from</span>
            <ValueField
              :label="`Works from: ${valueOf(move)?.text}`"
              unit="%"
              :value="Math.round(move.from * 1000) / 10"
              :min="0"
              :max="100"
              :step="1"
              @change="set(i, { from: ($event ?? 0) / 100 })"
            />
            <span class="quiet">to</span>
            <ValueField
              :label="`Works to: ${valueOf(move)?.text}`"
              unit="%"
              :value="Math.round(move.to * 1000) / 10"
              :min="0"
              :max="100"
              :step="1"
              @change="set(i, { to: ($event ?? 0) / 100 })"
            />
          </template>
          <button
            type="button"
            class="plain bare"
            :aria-label="`Take off ${valueOf(move)?.text ?? 'it'}`"
            @click="takeOff(i)"
          >
            Take off
          </button>
        </div>
      </div>
      <div class="line">
        <Picker
          :label="`Let ${control.name} move`"
          :choices="free.map((v) => ({ value: v.key, text: v.text }))"
          :value="null"
          empty="Let it move…"
          @choose="add"
        />
        <button type="button" class="plain bare" @click="$emit('remove')">Remove the control</button>
      </div>
    </template>
  </div>
</template>

<style scoped>
.control {
  min-width: 250px;
  flex: 0 1 290px;
}

.line {
  display: flex;
  align-items: center;
  gap: 8px;
}

.title {
  display: flex;
  align-items: center;
  gap: 5px;
  border: 0;
  background: none;
  padding: 2px 0;
  cursor: pointer;
  max-width: 130px;
  overflow: hidden;
  white-space: nowrap;
}

.slide {
  flex: 1;
  min-width: 70px;
}

.move {
  border-top: 1px solid var(--line-soft);
  padding: 4px 0;
}

.plum {
  color: var(--plum);
  font-size: 12px;
  margin: 2px 0;
}
</style>
