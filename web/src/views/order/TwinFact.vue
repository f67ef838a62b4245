<script setup lang="ts">
import { computed } from 'vue'
import type { Channel } from '@/api/types'
import { useDocument } from '@/state/document'
import PrintActions from './PrintActions.vue'
import { useManyEdits } from './useManyEdits'

/** An instrument's print, and spares: this channel as one, or the next one under this bus. */
const props = defineProps<{ channel: Channel }>()
const document = useDocument()
const many = useManyEdits()
const mayPrint = computed(() => ['instrument', 'output'].includes(props.channel.source?.type ?? ''))
const mayWait = computed(() => ['audio', 'instrument'].includes(props.channel.kind))
const isSum = computed(() => ['bus', 'main'].includes(props.channel.kind))
const twin = computed(() => document.rows.get((props.channel.printTwin as string | null) ?? ''))
const waiting = computed(
  () => document.ordered.filter((r) => r.channel.spare && r.channel.destination === props.channel.id).length,
)

function take() {
  const row = document.rows.get(props.channel.id)
  if (row) void many.takeSpare(row, `Part ${row.feeders - waiting.value + 1}`)
}
</script>

<template>
  <template v-if="mayPrint">
    <dt>Print</dt>
    <dd>
      <template v-if="twin">
        <button type="button" class="plain bare" @click="document.choose(twin.channel.id)">
          {{ twin.channel.name }}
        </button>
        <button
          type="button"
          class="plain bare"
          @click="document.edit([{ type: 'set-print-twin', channel: channel.id, twin: null }], channel.id)"
        >
          part them
        </button>
        <PrintActions :channel="channel" :twin="twin.channel" />
      </template>
      <button
        v-else
        type="button"
        class="plain bare"
        title="An audio channel that records this instrument, waiting in the wings"
        @click="document.edit([{ type: 'add-print-twin', channel: channel.id }], channel.id)"
      >
        make a channel for it
      </button>
    </dd>
  </template>
  <template v-if="mayWait">
    <dt>Spare</dt>
    <dd>
      <label class="switch"
        ><input
          type="checkbox"
          :checked="channel.spare"
          @change="
            document.edit(
              [{ type: 'set-spare', channel: channel.id, spare: ($event.target as HTMLInputElement).checked }],
              channel.id,
            )
          "
        />
        waits for the next part</label
      >
    </dd>
  </template>
  <template v-if="isSum && waiting">
    <dt>Spares</dt>
    <dd>
      {{ waiting }} waiting
      <button type="button" class="plain bare" @click="take">take the next</button>
    </dd>
  </template>
</template>

<style scoped src="./facts.css"></style>
