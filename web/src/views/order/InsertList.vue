<script setup lang="ts">
import { ref } from 'vue'
import { freshId } from './channelDraft'
import InsertCard from './InsertCard.vue'
import type { Channel } from '@/api/types'
import { useCatalogue } from '@/state/catalogue'
import { useDocument } from '@/state/document'

const props = defineProps<{ channel: Channel }>()
const document = useDocument()
const catalogue = useCatalogue()
const opened = ref<string>()

async function add(processor: string) {
  if (!processor) return
  const id = freshId(processor, (taken) => props.channel.inserts.some((i) => i.id === taken))
  const insert = { id, processor, settings: {}, parkedIn: [], key: null }
  if (await document.edit([{ type: 'add-insert', channel: props.channel.id, insert, place: null }], props.channel.id))
    opened.value = id
}
</script>

<template>
  <section>
    <h3>
      Strip
      <select
        class="field add"
        aria-label="Add a processor"
        value=""
        @change="add(($event.target as HTMLSelectElement).value)"
      >
        <option value="">Add…</option>
        <option v-for="p in catalogue.known.processors" :key="p.id" :value="p.id">{{ p.name }}</option>
      </select>
    </h3>
    <InsertCard
      v-for="(insert, i) in channel.inserts"
      :key="insert.id"
      :channel="channel"
      :insert="insert"
      :place="i"
      :open="opened === insert.id"
      @toggle="opened = opened === insert.id ? undefined : insert.id"
    />
    <p v-if="channel.inserts.length === 0" class="faint">
      Nothing in the strip: the source goes to the fader as it is.
    </p>
  </section>
</template>

<style scoped>
.add {
  padding: 2px 22px 2px 8px;
  font: 400 12px var(--sans);
}

p {
  margin: 0;
}
</style>
