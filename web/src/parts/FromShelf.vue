<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { sentenceOf } from '@/api/client'
import type { ShelfKind } from '@/api/types'
import { useDocument } from '@/state/document'
import { useShelf } from '@/state/shelf'

/** Takes an item of one kind from the shelf, where there is any, and says what of it found no place. */
const props = defineProps<{ kind: ShelfKind; label: string; onto: string | null }>()
const emit = defineEmits<{ trouble: [sentence: string | undefined] }>()
const document = useDocument()
const shelf = useShelf()
const items = computed(() => shelf.ofKind(props.kind))
const left = ref<string[]>([])
onMounted(() => void shelf.look().catch(() => undefined))

async function take(event: Event) {
  const list = event.target as HTMLSelectElement
  const item = list.value
  list.value = ''
  if (!item || !document.head) return
  emit('trouble', undefined)
  try {
    const taken = await shelf.taking(document.head.id, item, props.onto)
    left.value = taken.left
    if (!(await document.edit(taken.edits))) emit('trouble', document.refusal?.sentence)
  } catch (error) {
    emit('trouble', sentenceOf(error))
  }
}
</script>

<template>
  <template v-if="items.length">
    <select class="field" :aria-label="label" @keydown.stop @change="take">
      <option value="">From the shelf…</option>
      <option v-for="item in items" :key="item.id" :value="item.id">{{ item.name }} ({{ item.words }})</option>
    </select>
    <p v-for="sentence in left" :key="sentence" class="quiet" role="status">{{ sentence }}</p>
  </template>
</template>
