<script setup lang="ts">
import { computed } from 'vue'
import { useManyEdits } from './useManyEdits'
import type { ChannelRow } from '@/api/types'
import { useDocument } from '@/state/document'

/** The spares that wait under a bus, and taking the next of them for a new part. */
const props = defineProps<{ row: ChannelRow }>()
const document = useDocument()
const many = useManyEdits()
const waiting = computed(
  () => document.ordered.filter((r) => r.channel.spare && r.channel.destination === props.row.channel.id).length,
)
</script>

<template>
  <template v-if="document.can(row).sums && waiting">
    <dt>Spares</dt>
    <dd>
      {{ waiting }} waiting
      <button type="button" class="plain bare" @click="many.takeSpare(row)">use one for a new part</button>
    </dd>
  </template>
</template>

<style scoped src="./facts.css"></style>
