<script setup lang="ts">
import { computed, ref } from 'vue'
import { takingOut } from './piecesCalls'
import { sentenceOf } from '@/api/client'
import type { ShelfPart } from '@/api/types'
import KeepOnShelf from '@/parts/KeepOnShelf.vue'
import { useDocument } from '@/state/document'

/** Keeps what is chosen as a set piece, and says of which set piece it is. */
const props = defineProps<{ channels: readonly string[] }>()
const document = useDocument()
const keeping = ref(false)
const trouble = ref<string>()

const part = computed<ShelfPart>(() => ({
  document: document.head?.id ?? '',
  kind: 'set-piece',
  place: props.channels.join(' '),
  name: document.rows.get(props.channels[0] ?? '')?.channel.name ?? null,
}))
const copy = computed(() =>
  document.head?.copies.find(
    (c) => c.kind === 'set-piece' && props.channels.some((id) => Object.values(c.became).includes(id)),
  ),
)
const count = computed(() => Object.values(copy.value?.became ?? {}).filter((id) => document.rows.has(id)).length)
const top = computed(() => document.rows.get(copy.value?.place ?? '')?.channel.name ?? copy.value?.place)

async function takeOut() {
  if (!document.head || !copy.value) return
  trouble.value = undefined
  try {
    const { edits } = await takingOut(document.head.id, copy.value.place)
    if (!(await document.edit(edits))) trouble.value = document.refusal?.sentence
  } catch (error) {
    trouble.value = sentenceOf(error)
  }
}
</script>

<template>
  <p class="piece">
    <span v-if="copy" class="quiet"
      >Of the set piece {{ top }}, {{ count === 1 ? '1 channel' : `${count} channels` }}
      <button type="button" class="plain bare" title="And nothing else; undo brings it back" @click="takeOut">
        Take it out
      </button>
    </span>
    <button type="button" class="plain bare" title="To be put into other templates" @click="keeping = true">
      Keep as a set piece…
    </button>
    <span v-if="trouble" class="trouble" role="alert">{{ trouble }}</span>
  </p>
  <KeepOnShelf v-model:open="keeping" :part="part" />
</template>

<style scoped>
.piece {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  justify-content: space-between;
  gap: 4px 12px;
  margin: 6px 0 0;
}

/* In line with the facts above it. */
button {
  padding-inline: 0;
}

.trouble {
  color: var(--blocker);
}
</style>
