<script setup lang="ts">
import { computed, ref } from 'vue'
import { strikeGroups } from './strikeGroups'
import type { StrikeGroup, StrikeLine } from '@/api/types'

/** One group of a strike: its lines, each ticked where it goes. */
const props = defineProps<{ group: StrikeGroup; lines: StrikeLine[] }>()
defineEmits<{ turn: [key: string] }>()

const few = 8
const unfolded = ref(false)
const shown = computed(() =>
  unfolded.value || props.lines.length <= few + 1 ? props.lines : props.lines.slice(0, few),
)
const going = computed(() => props.lines.filter((l) => l.goes).reduce((sum, l) => sum + l.count, 0))
const isFact = computed(() => props.group === 'names' || props.group === 'odd')
</script>

<template>
  <section :aria-label="strikeGroups[group].title">
    <h2>
      {{ strikeGroups[group].title }}
      <span class="faint">{{ isFact ? lines.length : going }}</span>
    </h2>
    <p v-if="strikeGroups[group].about" class="quiet">{{ strikeGroups[group].about }}</p>
    <ul>
      <li
        v-for="line in shown"
        :key="line.key"
        :class="{ stays: !line.goes && !isFact, fixed: !line.mayTurn && !isFact }"
      >
        <label v-if="line.mayTurn">
          <input type="checkbox" :checked="line.goes" @change="$emit('turn', line.key)" />
          <span class="words">{{ line.words }}</span>
        </label>
        <span v-else class="words">{{ line.words }}</span>
        <small v-if="line.why" class="quiet">{{ line.why }}</small>
      </li>
    </ul>
    <button v-if="shown.length < lines.length" type="button" class="plain bare" @click="unfolded = true">
      {{ lines.length - shown.length }} more
    </button>
  </section>
</template>

<style scoped>
section {
  margin-bottom: 18px;
  break-inside: avoid;
}

h2 {
  font-size: 16px;
}

h2 span {
  font: 400 13px var(--sans);
}

p {
  margin: 0 0 2px;
  font-size: 12px;
}

ul {
  list-style: none;
  margin: 4px 0 0;
  padding: 0;
}

li {
  display: flex;
  flex-wrap: wrap;
  gap: 0 10px;
  align-items: baseline;
  min-height: 24px;
  padding: 1px 0;
}

/* A reason that has no room behind its line begins under the words, not under the box. */
li:has(label),
.fixed {
  padding-left: 28px;
}

label {
  margin-left: -28px;
  display: flex;
  gap: 8px;
  align-items: baseline;
}

input {
  position: relative;
  top: 2px;
}

.stays .words {
  color: var(--text-3);
}

small {
  font-size: 12px;
}
</style>
