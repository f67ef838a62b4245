<script setup lang="ts">
import { computed } from 'vue'
import type { EqualiserSection, Insert, Parameter } from '@/api/types'
import ValueField from '@/parts/ValueField.vue'
import { useCatalogue } from '@/state/catalogue'
import { useDocument } from '@/state/document'

/** The sections of an equaliser side by side, each with its values to be typed. */
const props = defineProps<{ channel: string; insert: Insert; sections: readonly EqualiserSection[] }>()
const chosen = defineModel<string>('chosen', { required: true })
const document = useDocument()
const catalogue = useCatalogue()

const settings = computed(() => props.insert.settings as Record<string, number>)
const parameters = computed(() => catalogue.processors.get(props.insert.processor)?.parameters ?? [])
const of = (section: EqualiserSection) =>
  parameters.value.filter((p) => p.id.startsWith(`${section.id}-`) && p.unit !== 'choice')
const slopeOf = (section: EqualiserSection) => parameters.value.find((p) => p.id === `${section.id}-slope`)
const whole = computed(() => parameters.value.filter((p) => ['part', 'oversampled'].includes(p.id)))
const valueOf = (p: Parameter) => settings.value[p.id] ?? p.default
const isOff = (section: EqualiserSection) => section.hasSwitch && (settings.value[section.id] ?? 0) < 0.5

function set(parameter: string, value: number | null) {
  const edit = { type: 'set-parameter' as const, channel: props.channel, insert: props.insert.id, parameter, value }
  void document.edit([edit], props.channel)
}
</script>

<template>
  <div class="sections">
    <div
      v-for="s in sections"
      :key="s.id"
      class="section"
      :class="{ chosen: s.id === chosen }"
      @focusin="chosen = s.id"
    >
      <label class="name" :class="{ faint: !s.isOn }">
        <input
          v-if="s.hasSwitch"
          type="checkbox"
          :aria-label="`${s.name} is on`"
          :checked="!isOff(s)"
          @change="set(s.id, ($event.target as HTMLInputElement).checked ? 1 : 0)"
        />
        {{ s.name }}</label
      >
      <template v-if="!isOff(s)">
        <ValueField
          v-for="p in of(s)"
          :key="p.id"
          :label="p.name"
          :unit="p.symbol"
          :counts="p.unit"
          :held-by="document.heldBy(channel, `insert/${insert.id}/${p.id}`)"
          :value="valueOf(p)"
          :min="p.min"
          :max="p.max"
          :step="p.step"
          @change="set(p.id, $event)"
        />
        <select
          v-if="slopeOf(s)"
          class="field slope"
          :aria-label="slopeOf(s)!.name"
          :value="valueOf(slopeOf(s)!)"
          @change="set(slopeOf(s)!.id, Number(($event.target as HTMLSelectElement).value))"
        >
          <option v-for="(option, i) in slopeOf(s)!.options" :key="option" :value="i">{{ option }}</option>
        </select>
      </template>
      <span v-else class="faint">off</span>
    </div>
  </div>
  <div class="whole">
    <template v-for="p in whole" :key="p.id">
      <label v-if="p.unit === 'switch'" class="quiet"
        ><input
          type="checkbox"
          :checked="valueOf(p) >= 0.5"
          @change="set(p.id, ($event.target as HTMLInputElement).checked ? 1 : 0)"
        />
        {{ p.name }}</label
      >
      <label v-else class="quiet"
        >{{ p.name }}
        <select
          class="field"
          :value="valueOf(p)"
          @change="set(p.id, Number(($event.target as HTMLSelectElement).value))"
        >
          <option v-for="(option, i) in p.options" :key="option" :value="i">{{ option }}</option>
        </select></label
      >
    </template>
  </div>
</template>

<style scoped>
.slope {
  font-size: 11px;
  padding-inline: 4px 0;
  max-width: 100%;
}

.sections {
  display: grid;
  grid-template-columns: repeat(8, minmax(0, 1fr));
  gap: 8px;
  margin-top: 10px;
}

.section {
  border-top: 2px solid var(--line);
  padding-top: 5px;
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  gap: 1px;
  min-width: 0;
}

.section.chosen {
  border-color: var(--lamp);
}

.name {
  font-size: 12px;
  color: var(--text-2);
  display: flex;
  gap: 4px;
  align-items: center;
  white-space: nowrap;
}

.name.faint {
  color: var(--text-3);
}

.name input {
  margin: 0;
}

.section .field {
  max-width: 100%;
  font-size: 11px;
  padding: 2px 18px 2px 3px;
}

.whole {
  display: flex;
  gap: 18px;
  margin-top: 8px;
}

.whole .field {
  padding-block: 2px;
}

@media (max-width: 900px) {
  .sections {
    grid-template-columns: repeat(4, minmax(0, 1fr));
  }
}
</style>
