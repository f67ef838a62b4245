<script setup lang="ts">
import { bringBack } from './keepingCalls'
import { sentenceOf } from '@/api/client'
import { ref } from 'vue'
import type { RemovedThing } from '@/api/types'

/** Says what was just removed, with the way back beside it. */
const props = defineProps<{ thing: Pick<RemovedThing, 'kind' | 'id' | 'name'> }>()
const emit = defineEmits<{ back: []; close: [] }>()
const trouble = ref<string>()

async function back() {
  try {
    await bringBack(props.thing)
    emit('back')
  } catch (error) {
    trouble.value = sentenceOf(error)
  }
}
</script>

<template>
  <p class="notice" role="status">
    <span>{{ trouble ?? `${thing.name} is removed. It can come back for thirty days.` }}</span>
    <button type="button" class="plain" @click="back">Bring it back</button>
    <button type="button" class="plain bare" @click="$emit('close')">Close</button>
  </p>
</template>

<style scoped>
.notice {
  display: flex;
  align-items: center;
  gap: 12px;
  margin: 0 0 16px;
  padding: 8px 14px;
  background: var(--raised);
  border-radius: 8px;
}

.notice span {
  flex: 1;
}
</style>
