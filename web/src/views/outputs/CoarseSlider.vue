<script setup lang="ts">
import { computed } from 'vue'
import type { PlanView } from '@/api/types'
import { counted } from '@/parts/counted'

/** Moves through the computed plans, from one output for all to one for each. */
const props = defineProps<{ plans: PlanView[]; looked?: number; standing: number; used: number }>()
const emit = defineEmits<{ look: [place: number | undefined] }>()
const place = computed(() => props.looked ?? (props.standing >= 0 ? props.standing : undefined))
const says = computed(() =>
  place.value === undefined ? 'As set by hand' : counted(props.plans[place.value]!.outputs, 'output'),
)
/** A press that does not move the thumb is a choice too: what was set by hand has no place of its own. */
function look(event: Event) {
  const chosen = Number((event.target as HTMLInputElement).value)
  if (chosen !== place.value) emit('look', chosen)
}

const left = (i: number) => (props.plans.length < 2 ? 0 : (100 * i) / (props.plans.length - 1))
</script>

<template>
  <div class="slider">
    <span class="faint">Coarse</span>
    <div class="track">
      <i
        v-for="(plan, i) in plans"
        :key="plan.outputs"
        :class="{ standing: i === standing }"
        :style="{ left: `${left(i)}%` }"
      >
        <b :class="{ on: i === place }" @click="emit('look', i)">{{ plan.outputs }}</b>
      </i>
      <input
        type="range"
        min="0"
        :max="plans.length - 1"
        step="1"
        :value="place ?? Math.min(plans.length - 1, Math.max(0, used - 1))"
        :class="{ byHand: place === undefined }"
        aria-label="Coarse to fine: outputs"
        :aria-valuetext="says"
        @input="look"
        @pointerup="look"
      />
    </div>
    <span class="faint">Fine</span>
  </div>
</template>

<style scoped>
.slider {
  display: flex;
  align-items: center;
  gap: 14px;
  flex: 1;
  min-width: 200px;
  max-width: 460px;
}

.track {
  position: relative;
  flex: 1;
  height: 38px;
}

i {
  position: absolute;
  top: 9px;
  width: 1px;
  height: 6px;
  background: var(--text-3);
  font-style: normal;
}

i.standing {
  background: var(--proven);
  width: 3px;
  margin-left: -1px;
}

b {
  position: absolute;
  top: 10px;
  left: 50%;
  transform: translateX(-50%);
  font-weight: 400;
  font-size: 11px;
  color: var(--text-3);
  z-index: 1;
  padding: 2px 4px;
  cursor: pointer;
}

b.on {
  color: var(--lamp);
}

input {
  position: absolute;
  inset: 2px -8px auto;
  width: calc(100% + 16px);
  margin: 0;
}

input.byHand {
  accent-color: var(--text-3);
}
</style>
