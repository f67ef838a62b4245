<script setup lang="ts">
import { inkOf } from '@/look/ink'
import { useCatalogue } from '@/state/catalogue'

/** The hues that a family can take, and taking that of what it feeds. */
defineProps<{ label: string; hue: number | null | undefined }>()
defineEmits<{ choose: [hueDegrees: number | null] }>()
const catalogue = useCatalogue()
</script>

<template>
  <div class="hues" role="group" :aria-label="label">
    <button
      v-for="swatch in catalogue.known.hues"
      :key="swatch.degrees"
      type="button"
      class="inked"
      :style="inkOf(swatch.colour)"
      :aria-pressed="hue === swatch.degrees"
      :aria-label="swatch.name"
      :title="swatch.name"
      @click="$emit('choose', swatch.degrees)"
    />
    <button
      type="button"
      class="plain bare none"
      :aria-pressed="hue === null"
      :class="{ on: hue === null }"
      title="It takes the hue of what it feeds"
      @click="$emit('choose', null)"
    >
      as above
    </button>
  </div>
</template>

<style scoped>
.hues {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px;
}

.inked {
  width: 15px;
  height: 15px;
  padding: 0;
  border: 0;
  border-radius: 50%;
  background: var(--family);
  cursor: pointer;
}

.inked[aria-pressed='true'] {
  outline: 2px solid var(--text);
  outline-offset: 1px;
}

.none {
  font-size: 12px;
}
</style>
