<script setup lang="ts">
import Dialog from 'primevue/dialog'
import { computed, ref, watch } from 'vue'
import { sentenceOf } from '@/api/client'
import type { ShelfItem, ShelfKind, ShelfPart } from '@/api/types'
import KeepOnShelf from '@/parts/KeepOnShelf.vue'
import { useDocument } from '@/state/document'
import { useShelf } from '@/state/shelf'

/** Between the shelf and the outputs: a kit or its machine is kept, another kit is put on stage, these pieces on another machine. */
const open = defineModel<boolean>('open', { required: true })
const props = defineProps<{ channel?: string }>()
const emit = defineEmits<{ made: [channel: string] }>()
const document = useDocument()
const shelf = useShelf()
const trouble = ref<string>()
const keeping = ref(false)
const part = ref<ShelfPart>()

const player = computed(() => (props.channel ? document.rows.get(props.channel)?.channel : undefined))
const kits = computed(() => shelf.ofKind('kit'))
const machines = computed(() => shelf.ofKind('machine'))

watch(open, async (is) => {
  trouble.value = undefined
  if (is) await shelf.look().catch((error: unknown) => (trouble.value = sentenceOf(error)))
})

function keep(kind: ShelfKind) {
  if (!player.value || !document.head) return
  part.value = { document: document.head.id, kind, place: player.value.id, name: player.value.name }
  open.value = false
  keeping.value = true
}

async function take(item: ShelfItem, onto: string | null) {
  if (!document.head) return
  try {
    const taken = await shelf.taking(document.head.id, item.id, onto)
    if (!(await document.edit(taken.edits, taken.place))) throw new Error(document.refusal?.sentence)
    open.value = false
    emit('made', taken.place)
  } catch (error) {
    trouble.value = sentenceOf(error)
  }
}
</script>

<template>
  <Dialog v-model:visible="open" modal header="Shelf" :style="{ width: '600px' }" :draggable="false">
    <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
    <section v-if="player" aria-label="Keep">
      <h3>Keep from here</h3>
      <div class="ways">
        <button type="button" class="plain" autofocus @click="keep('kit')">{{ player.name }} as a kit…</button>
        <button type="button" class="plain" @click="keep('machine')">Its jacks as a machine…</button>
      </div>
    </section>
    <section aria-label="Kits">
      <h3>Kits</h3>
      <p v-if="!kits.length" class="faint">None is kept yet.</p>
      <ul v-else>
        <li v-for="item in kits" :key="item.id">
          <p>
            <b class="serif">{{ item.name }}</b> <span class="faint">{{ item.words }}</span>
          </p>
          <button type="button" class="plain" :aria-label="`Put on stage: ${item.name}`" @click="take(item, null)">
            Put on stage
          </button>
        </li>
      </ul>
    </section>
    <section v-if="player" aria-label="Machines">
      <h3>Machines</h3>
      <p v-if="!machines.length" class="faint">None is kept yet.</p>
      <ul v-else>
        <li v-for="item in machines" :key="item.id">
          <p>
            <b class="serif">{{ item.name }}</b> <span class="faint">{{ item.words }}</span>
          </p>
          <button
            type="button"
            class="plain"
            :aria-label="`Play these pieces by it: ${item.name}`"
            @click="take(item, player.id)"
          >
            Play these pieces by it
          </button>
        </li>
      </ul>
    </section>
  </Dialog>
  <KeepOnShelf v-model:open="keeping" :part="part" />
</template>

<style scoped>
section + section {
  margin-top: 16px;
}

h3 {
  margin: 0 0 6px;
  font-size: 15px;
}

p {
  margin: 0;
}

.trouble {
  color: var(--blocker);
}

.ways {
  display: flex;
  gap: 10px;
}

ul {
  max-height: 220px;
  margin: 0;
  padding: 0;
  overflow: auto;
  list-style: none;
}

li {
  display: flex;
  align-items: baseline;
  gap: 10px;
  padding: 3px 0;
}

li p {
  flex: 1;
}

li .plain {
  flex: none;
}

li span {
  margin-left: 6px;
}
</style>
