<script setup lang="ts">
import type { LineRow, Part } from '@/api/types'

/** One piece: its name, what was said of its place, and whether it arrived. */
import { pieceType } from './pieceType'

defineProps<{ piece: Part; row?: LineRow; on: boolean; lit: boolean }>()
</script>

<template>
  <button
    type="button"
    class="piece"
    draggable="true"
    :class="{ on, lit }"
    :aria-pressed="on"
    :title="piece.note === null ? 'A far microphone' : `Note ${piece.note}: press to hear where it arrives`"
    @dragstart="$event.dataTransfer?.setData(pieceType, piece.name)"
  >
    <span class="name">{{ piece.name }}</span>
    <span v-if="piece.microphone.stay === 'alone'" class="pin" title="Keeps an output to itself">alone</span>
    <span v-else-if="piece.microphone.stay === 'on-first'" class="pin" title="Stays on the first output">first</span>
    <span v-if="row" class="check" :class="{ wrong: row.verdict !== 'arrived' }">{{
      row.verdict === 'arrived' ? 'heard' : 'wrong'
    }}</span>
    <i class="dot" />
  </button>
</template>

<style scoped>
.piece {
  position: absolute;
  display: flex;
  align-items: center;
  gap: 6px;
  padding: 0 4px 0 8px;
  background: none;
  border: 0;
  border-radius: 6px;
  text-align: left;
  cursor: pointer;
}

.piece.lit {
  color: var(--lamp);
}

.name {
  flex: 1;
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.pin,
.check {
  font-size: 10.5px;
  color: var(--plum);
}

.check {
  color: var(--proven);
}

.check.wrong {
  color: var(--blocker);
}

.dot {
  width: 7px;
  height: 7px;
  border-radius: 4px;
  background: oklch(var(--family-light) 0.09 var(--hue));
}

.piece:hover,
.piece.on {
  background: var(--hover);
}
</style>
