<script setup lang="ts">
import type { Channel, StageState } from '@/api/types'
import { useDocument } from '@/state/document'
import { nextState, useTurns } from '@/state/useTurns'

/** Where a channel stands in each act: one mark an act, each press one state on. */
const props = defineProps<{ channel: Channel }>()
const document = useDocument()
const turns = useTurns()
const states: Record<StageState, { name: string; means: string }> = {
  'on-stage': { name: 'on stage', means: 'shown, running' },
  'behind-the-curtain': { name: 'behind the curtain', means: 'hidden, running' },
  'in-the-wings': { name: 'in the wings', means: 'hidden, resting' },
}
const stateIn = (act: string) => props.channel.stages[act] ?? 'on-stage'
</script>

<template>
  <dt>Stands</dt>
  <dd class="acts">
    <button
      v-for="act in document.head?.acts"
      :key="act.id"
      type="button"
      class="plain bare"
      :class="[stateIn(act.id), { lit: act.id === document.act }]"
      :aria-label="`${channel.name} in ${act.name}: ${states[stateIn(act.id)].name}`"
      :title="`In ${act.name} ${states[stateIn(act.id)].name}: ${states[stateIn(act.id)].means}. Press for ${states[nextState[stateIn(act.id)]].name}.`"
      @click="turns.stand(channel.id, act.id)"
    >
      <svg width="11" height="11" viewBox="0 0 12 12" aria-hidden="true">
        <circle cx="6" cy="6" r="4.6" fill="none" stroke="currentColor" stroke-width="1.3" />
        <circle v-if="stateIn(act.id) === 'on-stage'" cx="6" cy="6" r="4.6" fill="currentColor" />
        <path
          v-else-if="stateIn(act.id) === 'behind-the-curtain'"
          d="M6 1.4a4.6 4.6 0 0 0 0 9.2z"
          fill="currentColor"
        />
      </svg>
      {{ act.name }}
    </button>
  </dd>
</template>

<style scoped src="./facts.css"></style>
<style scoped>
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 2px;
  margin-left: -6px;
}

.plain {
  display: inline-flex;
  align-items: center;
  gap: 4px;
  font-size: 12px;
}

.lit {
  color: var(--text);
  font-weight: 600;
}

.in-the-wings {
  color: var(--plum);
}
</style>
