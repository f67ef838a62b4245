<script setup lang="ts">
import { computed } from 'vue'
import type { Channel } from '@/api/types'
import { useCatalogue } from '@/state/catalogue'
import { useDocument } from '@/state/document'
import PrintActions from './PrintActions.vue'

/** An instrument's print, and whether this channel waits as a spare. */
const props = defineProps<{ channel: Channel }>()
const document = useDocument()
const catalogue = useCatalogue()
const mayPrint = computed(() => ['instrument', 'split'].includes(props.channel.kind))
const mayWait = computed(() => catalogue.can(props.channel.kind).mayBeSpare)
const twin = computed(() => document.rows.get((props.channel.printTwin as string | null) ?? ''))
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
          print to it no more
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
</template>

<style scoped src="../facts.css"></style>
