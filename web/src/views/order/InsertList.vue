<script setup lang="ts">
import { nextTick, ref, useTemplateRef } from 'vue'
import InsertCard from './InsertCard.vue'
import type { Channel } from '@/api/types'
import { useInsertChoices } from '@/devices/useInsertChoices'
import DefaultLine from '@/strips/DefaultLine.vue'
import AddMenu from '@/parts/AddMenu.vue'
import { useDocument } from '@/state/document'

const props = defineProps<{ channel: Channel }>()
const document = useDocument()
const opened = ref<string>()
const list = useTemplateRef('list')
const choices = useInsertChoices()

async function add(choice: string) {
  const { id, inserts } = props.channel
  if (!(await document.edit([choices.making(id, choice)], id))) return
  const known = new Set(inserts.map((i) => i.id))
  opened.value = document.rows.get(id)?.channel.inserts.find((i) => !known.has(i.id))?.id
  await nextTick()
  list.value?.querySelector('[aria-expanded=true]')?.closest('.card')?.scrollIntoView({ block: 'nearest' })
}
</script>

<template>
  <section ref="list">
    <AddMenu title="Strip" label="Add a processor" :choices="choices.all.value" @add="add" />
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
    <DefaultLine :channel="channel.id" />
  </section>
</template>

<style scoped>
p {
  margin: 0;
}
</style>
