<script setup lang="ts">
import { ref } from 'vue'
import { pieceType } from './pieceType'
import type { OutputLine } from '@/api/types'

/** One output: its jacks, its name, and how loud the chosen piece arrives there. */
defineProps<{ line: OutputLine; called: string; level: string }>()
const emit = defineEmits<{ take: [piece: string] }>()
const isOver = ref(false)

function over(event: DragEvent) {
  if (!event.dataTransfer?.types.includes(pieceType)) return
  event.preventDefault()
  isOver.value = true
}

function drop(event: DragEvent) {
  isOver.value = false
  const piece = event.dataTransfer?.getData(pieceType)
  if (piece) emit('take', piece)
}
</script>

<template>
  <button
    type="button"
    class="output"
    :class="{ over: isOver, silent: line.channel === null, fresh: line.isNew, heard: level !== '' }"
    :aria-disabled="line.channel === null || line.isNew"
    :title="line.channel === null ? 'No channel takes this output' : 'Show the channel'"
    @dragover="over"
    @dragleave="isOver = false"
    @drop.prevent="drop"
  >
    <span class="jack">{{ line.jackLabel }}</span>
    <span class="called serif">{{ called }}</span>
    <span class="aside">{{
      level || (line.isNew ? 'new' : line.channel === null ? 'nobody' : line.number === 1 ? 'the rest' : '')
    }}</span>
  </button>
</template>

<style scoped>
.output {
  position: absolute;
  right: 0;
  display: flex;
  align-items: center;
  gap: 10px;
  padding: 0 12px;
  background: var(--raised);
  border: 1px solid var(--line);
  border-radius: 8px;
  cursor: pointer;
  text-align: left;
}

.output.over {
  border-color: var(--lamp);
}

.output[aria-disabled='true'] {
  cursor: default;
}

.output.silent {
  border-style: dashed;
  color: var(--text-3);
}

.output.fresh {
  border-color: var(--plum);
}

.output.heard {
  border-color: var(--lamp);
}

.jack {
  flex: none;
  white-space: nowrap;
  min-width: 34px;
  color: var(--text-2);
}

.called {
  flex: 1;
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  font-size: 14px;
}

.aside {
  font-size: 11.5px;
  color: var(--text-2);
}

@media (max-width: 900px) {
  .output {
    gap: 4px;
    padding: 0 6px;
  }

  .jack {
    width: 40px;
    font-size: 12px;
  }

  .called {
    font-size: 12.5px;
  }
}
</style>
