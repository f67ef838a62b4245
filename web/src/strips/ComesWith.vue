<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import { ref, watch } from 'vue'
import { madeOf } from './stripCalls'
import type { ChannelWish } from '@/api/types'
import { useDocument } from '@/state/document'

/** What a channel that is wished for gets by itself, asked of the server while the wish is written. */
const props = defineProps<{ wish: ChannelWish; count: number }>()
const document = useDocument()
const parts = ref<string[]>([])
let turn = 0

const ask = useDebounceFn(async () => {
  const id = document.head?.id
  if (!id) return
  const mine = ++turn
  try {
    const made = await madeOf(id, props.wish)
    if (mine === turn) parts.value = made.comesWith
  } catch {
    // A wish that cannot be yet comes with nothing; adding it says why.
    if (mine === turn) parts.value = []
  }
}, 120)
watch(() => JSON.stringify(props.wish), ask, { immediate: true })
</script>

<template>
  <div class="comes" role="status">
    <span class="quiet"
      >{{ count > 1 ? `${count} channels, each` : '' }}
      {{
        parts.length
          ? count > 1
            ? 'with'
            : 'Comes with'
          : count > 1
            ? 'with nothing on it'
            : 'Comes with nothing on it'
      }}</span
    >
    <ul v-if="parts.length">
      <li v-for="part in parts" :key="part">{{ part }}</li>
    </ul>
  </div>
</template>

<style scoped>
.comes {
  min-height: 96px;
}

ul {
  margin: 3px 0 0;
  padding-left: 16px;
}
</style>
