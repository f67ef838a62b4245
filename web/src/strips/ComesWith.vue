<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { comesWith } from './stripCalls'
import type { ChannelWish } from '@/api/types'
import { useDocument } from '@/state/document'

/** What channels that are wished for get by themselves, asked of the server while the wish is written. */
const props = defineProps<{ wishes: readonly ChannelWish[] }>()
const document = useDocument()
const groups = ref<{ names: string[]; parts: string[] }[]>([])
let turn = 0

const ask = useDebounceFn(async () => {
  const id = document.head?.id
  if (!id) return
  const mine = ++turn
  // A wish that cannot be yet comes with nothing; adding it says why.
  const found = await comesWith(id, props.wishes).catch(() => [])
  if (mine === turn) groups.value = found
}, 120)
watch(() => JSON.stringify(props.wishes), ask, { immediate: true })

const parts = computed(() => (groups.value.length === 1 ? groups.value[0]!.parts : []))
const opening = computed(() => {
  const count = props.wishes.length
  if (groups.value.length > 1) return `${count} channels come with`
  if (!parts.value.length) return count > 1 ? `${count} channels with nothing on them` : 'Comes with nothing on it'
  return count > 1 ? `${count} channels, each with` : 'Comes with'
})
</script>

<template>
  <div class="comes" role="status">
    <span class="quiet">{{ opening }}</span>
    <ul v-if="parts.length">
      <li v-for="part in parts" :key="part">{{ part }}</li>
    </ul>
    <dl v-else-if="groups.length > 1">
      <template v-for="group in groups" :key="group.names[0]">
        <dt>{{ group.names.join(', ') }}</dt>
        <dd>{{ group.parts.join('; ') || 'nothing on it' }}</dd>
      </template>
    </dl>
  </div>
</template>

<style scoped>
/* What is told comes while somebody writes: what stands below stays where it is. */
.comes {
  height: 118px;
  overflow-y: auto;
}

ul {
  margin: 3px 0 0;
  padding-left: 16px;
}

dl {
  margin: 3px 0 0;
}

dt {
  font-weight: 500;
}

dd {
  margin: 0 0 4px;
  color: var(--text-2);
}
</style>
