<script setup lang="ts">
import type { Channel, StageState } from '@/api/types'
import { useDocument } from '@/state/document'

/** Where a channel stands in each act. */
const props = defineProps<{ channel: Channel }>()
const document = useDocument()

function stage(act: string, event: Event) {
  const state = (event.target as HTMLSelectElement).value as StageState
  void document.edit([{ type: 'set-stage', channel: props.channel.id, act, state }], props.channel.id)
}
</script>

<template>
  <template v-for="act in document.head?.acts" :key="act.id">
    <dt :class="{ lit: act.id === document.act }">In {{ act.name }}</dt>
    <dd>
      <select
        class="field"
        :value="channel.stages[act.id] ?? 'on-stage'"
        :aria-label="`${channel.name} in ${act.name}`"
        title="On stage: shown, running. Behind the curtain: hidden, running. In the wings: hidden, resting."
        @change="stage(act.id, $event)"
      >
        <option value="on-stage">on stage</option>
        <option value="behind-the-curtain">behind the curtain</option>
        <option value="in-the-wings">in the wings</option>
      </select>
    </dd>
  </template>
</template>

<style scoped src="./facts.css"></style>
<style scoped>
.lit {
  color: var(--lamp);
}
</style>
