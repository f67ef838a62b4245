<script setup lang="ts">
import { computed } from 'vue'
import type { StudioDevice } from '@/api/types'
import ValueField from '@/parts/ValueField.vue'

/** One device as a studio knows it. */
const props = defineProps<{ device: StudioDevice }>()
const emit = defineEmits<{ change: [part: Partial<StudioDevice>]; remove: [] }>()
const usualRate = 48000
const own = computed(() => props.device.device.latency)
const rate = computed(() => props.device.latency?.rateHz ?? own.value?.rateHz ?? usualRate)
const share = computed(() => props.device.weight?.sharePercent ?? props.device.device.weight?.sharePercent ?? null)

function measure(frames: number | null) {
  emit('change', { latency: frames === null ? null : { frames, rateHz: rate.value } })
}
</script>

<template>
  <tr :class="{ away: !device.isHere }">
    <td>{{ device.device.name }}</td>
    <td class="quiet roomy">{{ device.device.maker }}</td>
    <td class="quiet roomy">{{ device.device.format }}</td>
    <td>
      <ValueField
        :label="`Latency of ${device.device.name} as measured here, in frames`"
        unit="frames"
        :value="device.latency?.frames ?? own?.frames ?? null"
        :min="0"
        :max="1000000"
        :step="1"
        @change="measure"
      />
      <span class="faint">{{ device.latency ? 'measured' : own ? 'as it says' : 'unknown' }}</span>
    </td>
    <td class="roomy">
      <template v-if="share != null">{{ share.toFixed(1) }} %</template><span v-else class="faint">unknown</span>
    </td>
    <td>
      <label
        ><input
          type="checkbox"
          :checked="device.isHere"
          :aria-label="`${device.device.name} is there`"
          @change="$emit('change', { isHere: ($event.target as HTMLInputElement).checked })"
        />
        {{ device.isHere ? '' : 'missing' }}</label
      >
    </td>
    <td class="right">
      <button type="button" class="plain bare" :aria-label="`Forget ${device.device.name}`" @click="$emit('remove')">
        Forget
      </button>
    </td>
  </tr>
</template>

<style scoped src="../../look/table.css"></style>
<style scoped>
.faint {
  margin-left: 6px;
}

.away label {
  color: var(--blocker);
}
</style>
