<script setup lang="ts">
import Dialog from 'primevue/dialog'
import { computed, ref, watch } from 'vue'
import { swapOf } from './outputCalls'
import { sentenceOf } from '@/api/client'
import type { KitSwap } from '@/api/types'
import DialogEnds from '@/parts/DialogEnds.vue'
import { useCatalogue } from '@/state/catalogue'
import { useDocument } from '@/state/document'

/** Another kit on the splits that are there: first what stays, moves, is new and is left empty, then the swap. */
const open = defineModel<boolean>('open', { required: true })
const props = defineProps<{ channel: string }>()
const document = useDocument()
const catalogue = useCatalogue()
const instrument = ref('')
const swap = ref<KitSwap>()
const trouble = ref<string>()

const now = computed(() => {
  const source = document.rows.get(props.channel)?.channel.source
  return source?.type === 'instrument' ? source : undefined
})
const kits = computed(() => catalogue.known.instruments.filter((i) => i.kit && i.id !== now.value?.instrument))
const stays = computed(
  () => swap.value?.pieces.filter((p) => ['role', 'family', 'near-family', 'said'].includes(p.reason)) ?? [],
)
const joins = computed(() => swap.value?.pieces.filter((p) => p.reason === 'joins') ?? [])
const fresh = computed(() => swap.value?.pieces.filter((p) => p.reason === 'new' || p.reason === 'first') ?? [])
const nameOf = (id: string) => document.rows.get(id)?.channel.name ?? id
const list = (names: string[]) => names.join(', ') || 'none'

watch(open, (is) => is && (instrument.value = kits.value[0]?.id ?? ''))
watch([open, instrument], async ([isOpen, wanted]) => {
  swap.value = trouble.value = undefined
  if (!isOpen || !wanted || !document.head) return
  try {
    const answer = await swapOf(document.head.id, props.channel, wanted)
    // An answer about a kit that was chosen before comes too late.
    if (open.value && instrument.value === wanted) swap.value = answer
  } catch (error) {
    trouble.value = sentenceOf(error)
  }
})

async function apply() {
  if (swap.value && (await document.edit(swap.value.edits, props.channel))) open.value = false
  else trouble.value = document.refusal?.sentence
}
</script>

<template>
  <Dialog v-model:visible="open" modal header="Swap the kit" :style="{ width: '520px' }">
    <form class="swap" @submit.prevent="apply">
      <label>
        <span>Another kit</span>
        <select v-model="instrument" class="field" autofocus>
          <option v-for="kit in kits" :key="kit.id" :value="kit.id">{{ kit.name }}, {{ kit.about }}</option>
        </select>
      </label>
      <dl v-if="swap">
        <dt>Stay</dt>
        <dd>{{ list(stays.map((p) => p.name)) }}</dd>
        <dt>Join others</dt>
        <dd>{{ list(joins.map((p) => `${p.name} with ${p.inPlaceOf?.toLowerCase()}`)) }}</dd>
        <dt>New</dt>
        <dd>{{ list(fresh.map((p) => (p.reason === 'first' ? `${p.name} with the rest` : p.name))) }}</dd>
        <dt>Left empty</dt>
        <dd>{{ list(swap.empty.map(nameOf)) }}</dd>
        <dt>Gone</dt>
        <dd>{{ list(swap.gone) }}</dd>
      </dl>
      <p v-if="swap" class="quiet">Every split keeps its strip, its level, its sends and its output.</p>
      <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
      <DialogEnds leave="Leave it" keep="Swap" :disabled="!swap" @leave="open = false" />
    </form>
  </Dialog>
</template>

<style scoped>
.swap {
  display: grid;
  gap: 12px;
}

label {
  display: grid;
  gap: 4px;
}

dl {
  display: grid;
  grid-template-columns: 90px minmax(0, 1fr);
  gap: 6px 10px;
  margin: 0;
}

dt {
  color: var(--text-2);
}

dd {
  margin: 0;
}

p {
  margin: 0;
}

.trouble {
  color: var(--blocker);
}
</style>
