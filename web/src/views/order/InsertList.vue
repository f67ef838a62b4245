<script setup lang="ts">
import { computed, ref } from 'vue'
import InsertCard from './InsertCard.vue'
import type { Channel } from '@/api/types'
import AddMenu from '@/parts/AddMenu.vue'
import { useCatalogue } from '@/state/catalogue'
import { useDocument } from '@/state/document'

const props = defineProps<{ channel: Channel }>()
const document = useDocument()
const catalogue = useCatalogue()
const opened = ref<string>()
const choices = computed(() => catalogue.known.processors.map((p) => ({ value: p.id, text: p.name })))

async function add(processor: string) {
  const { id, inserts } = props.channel
  if (!(await document.edit([{ type: 'make-insert', channel: id, processor, place: null }], id))) return
  const known = new Set(inserts.map((i) => i.id))
  opened.value = document.rows.get(id)?.channel.inserts.find((i) => !known.has(i.id))?.id
}
</script>

<template>
  <section>
    <AddMenu title="Strip" label="Add a processor" :choices="choices" @add="add" />
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
p {
  margin: 0;
}
</style>
