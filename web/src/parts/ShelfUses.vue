<script setup lang="ts">
import Dialog from 'primevue/dialog'
import { computed, ref, watch } from 'vue'
import DialogEnds from './DialogEnds.vue'
import { api, asked, sentenceOf } from '@/api/client'
import type { ShelfItem, ShelfUse } from '@/api/types'
import { useDocument } from '@/state/document'
import { useShelf } from '@/state/shelf'

/** Where copies of an item stand, and which of them take the newer one. */
const open = defineModel<boolean>('open', { required: true })
const props = defineProps<{ item?: ShelfItem }>()
const emit = defineEmits<{ taken: [] }>()
const document = useDocument()
const shelf = useShelf()
const uses = ref<ShelfUse[]>()
const chosen = ref<Set<number>>(new Set())
const trouble = ref<string>()

const behind = computed(() => uses.value?.some((use) => use.edits.length) ?? false)

watch(open, async (is) => {
  if (!is || !props.item) return
  uses.value = trouble.value = undefined
  chosen.value = new Set()
  try {
    uses.value = await shelf.usesOf(props.item.id)
  } catch (error) {
    trouble.value = sentenceOf(error)
  }
})

function turn(at: number) {
  const next = new Set(chosen.value)
  if (!next.delete(at)) next.add(at)
  chosen.value = next
}

/** One document after the other, each on its newest revision; what cannot be taken there any more is said. */
async function take() {
  try {
    for (const at of chosen.value) {
      const use = uses.value![at]!
      if (use.document === document.head?.id) {
        if (!(await document.edit(use.edits))) throw new Error(document.refusal?.sentence)
        continue
      }
      const ask = { params: { path: { id: use.document } } }
      const { head } = await asked(api.GET('/api/documents/{id}', ask))
      await asked(
        api.POST('/api/documents/{id}/edits', { ...ask, body: { revision: head.revision, edits: use.edits as never } }),
      )
    }
    open.value = false
    emit('taken')
  } catch (error) {
    trouble.value = sentenceOf(error)
  }
}

function stateOf(use: ShelfUse) {
  if (!use.isBehind) return 'as on the shelf'
  return use.why ?? `has revision ${use.taken}`
}
</script>

<template>
  <Dialog
    v-model:visible="open"
    modal
    :header="item ? `Where ${item.name} is used` : 'Where it is used'"
    :style="{ width: '560px' }"
    :draggable="false"
  >
    <form class="form" @submit.prevent="take">
      <p v-if="uses?.length === 0" class="quiet">No template holds a copy of it yet.</p>
      <p v-else-if="behind" class="quiet">
        Take revision {{ item?.revision }} there too? What is not ticked stays as it is.
      </p>
      <ul v-if="uses?.length" aria-label="Copies">
        <li v-for="(use, at) in uses" :key="`${use.document} ${use.part}`">
          <label>
            <input type="checkbox" :disabled="!use.edits.length" :checked="chosen.has(at)" @change="turn(at)" />
            <b class="serif">{{ use.name }}</b>
            <span class="quiet">{{ use.part }}</span>
            <span :class="use.why ? 'wrong' : 'faint'">{{ stateOf(use) }}</span>
          </label>
          <ul v-if="chosen.has(at)" class="words">
            <li v-for="words in use.words" :key="words">{{ words }}</li>
          </ul>
        </li>
      </ul>
      <DialogEnds
        :trouble="trouble"
        :leave="behind ? 'Leave them' : 'Close'"
        keep="Take it there"
        :read-only="!behind"
        :disabled="chosen.size === 0"
        @leave="open = false"
      />
    </form>
  </Dialog>
</template>

<style scoped src="./dialogForm.css"></style>
<style scoped>
ul {
  max-height: 340px;
  margin: 0;
  padding: 0;
  overflow: auto;
  list-style: none;
}

li > label {
  display: flex;
  align-items: baseline;
  gap: 8px;
  padding: 4px 0;
}

input {
  accent-color: var(--lamp);
}

.words {
  padding: 0 0 6px 24px;
  color: var(--text-2);
}

.wrong {
  color: var(--blocker);
}
</style>
