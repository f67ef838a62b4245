<script setup lang="ts">
import { computed, ref } from 'vue'
import MakeChainDialog from './MakeChainDialog.vue'
import type { Channel } from '@/api/types'

/** The way to a chain, where an insert is free to be part of one. */
const props = defineProps<{ channel: Channel }>()
const making = ref(false)
const isFree = computed(() => {
  const taken = new Set(props.channel.chains.flatMap((c) => c.inserts as string[]))
  return props.channel.inserts.some((i) => !taken.has(i.id))
})
</script>

<template>
  <button v-if="isFree" type="button" class="plain bare make" @click="making = true">Make a chain of these…</button>
  <MakeChainDialog v-model:open="making" :channel="channel" />
</template>

<style scoped>
.make {
  font-size: 12px;
}
</style>
