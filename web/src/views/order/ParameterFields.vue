<script setup lang="ts">
import { computed } from 'vue'
import type { Parameter } from '@/api/types'
import ValueField from '@/parts/ValueField.vue'

/** The controls of a processor or instrument, each with its unit; a switch is a box to tick, a choice a list. What needs a
 * switch is shown while that is on. */
const props = defineProps<{
  owner: string
  parameters: (Parameter & { note?: string })[]
  settings: Record<string, number>
  /** Who holds a control, by its id. */
  heldBy?: (parameter: string) => string | undefined
}>()
const emit = defineEmits<{ change: [parameter: string, value: number | null] }>()

const isOn = (id: string) => (props.settings[id] ?? props.parameters.find((p) => p.id === id)?.default ?? 0) >= 0.5
const shown = computed(() => props.parameters.filter((p) => !p.needs || isOn(p.needs)))
</script>

<template>
  <div class="fields">
    <template v-for="p in shown" :key="p.id">
      <label
        v-if="p.unit === 'switch'"
        class="switch"
        :class="{ 'by-another': heldBy?.(p.id) }"
        :title="heldBy?.(p.id)"
      >
        <input
          type="checkbox"
          :checked="(settings[p.id] ?? p.default) >= 0.5"
          @change="emit('change', p.id, ($event.target as HTMLInputElement).checked ? 1 : 0)"
        />
        {{ p.name }}<small v-if="p.note" class="faint">{{ p.note }}</small>
      </label>
      <template v-else-if="p.unit === 'choice'">
        <span class="quiet"
          >{{ p.name }}<small v-if="p.note" class="faint">{{ p.note }}</small></span
        >
        <select
          class="field choice"
          :class="{ 'by-another': heldBy?.(p.id) }"
          :title="heldBy?.(p.id)"
          :aria-label="`${p.name} of ${owner}`"
          :value="settings[p.id] ?? p.default"
          @change="emit('change', p.id, Number(($event.target as HTMLSelectElement).value))"
        >
          <option v-for="(option, i) in p.options" :key="option" :value="i">{{ option }}</option>
        </select>
      </template>
      <template v-else>
        <span class="quiet"
          >{{ p.name }}<small v-if="p.note" class="faint">{{ p.note }}</small></span
        >
        <ValueField
          :label="`${p.name} of ${owner}`"
          :unit="p.symbol"
          :counts="p.unit"
          :held-by="heldBy?.(p.id)"
          :value="settings[p.id] ?? p.default"
          :min="p.min"
          :max="p.max"
          :step="p.step"
          @change="emit('change', p.id, $event)"
        />
      </template>
    </template>
  </div>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 2px 10px;
  align-items: baseline;
}

.fields :deep(.value) {
  justify-self: end;
}

.fields :deep(.unit) {
  min-width: 3.2ch;
  text-align: left;
}

small {
  display: block;
  font-size: 11.5px;
}

.choice {
  justify-self: end;
  max-width: 100%;
}

.switch {
  grid-column: 1 / 3;
  display: flex;
  align-items: center;
  gap: 7px;
  color: var(--text-2);
}

.by-another {
  color: var(--plum);
}
</style>
