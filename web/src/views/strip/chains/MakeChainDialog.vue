<script setup lang="ts">
import Dialog from 'primevue/dialog'
import { computed, ref, watch } from 'vue'
import { newChain } from './chains'
import type { Channel } from '@/api/types'
import DialogEnds from '@/parts/DialogEnds.vue'
import { useDocument } from '@/state/document'
import { useInsertTitles } from './useInsertTitles'

/** Makes some of a channel's inserts one thing. */
const open = defineModel<boolean>('open', { required: true })
const props = defineProps<{ channel: Channel }>()
const emit = defineEmits<{ made: [chain: string] }>()
const document = useDocument()
const { titleOf } = useInsertTitles()
const name = ref('')
const chosen = ref<Set<string>>(new Set())

const taken = computed(() => new Set(props.channel.chains.flatMap((c) => c.inserts as string[])))
const free = computed(() => props.channel.inserts.filter((i) => !taken.value.has(i.id)))

watch(open, (now) => {
  if (!now) return
  name.value = ''
  chosen.value = new Set(free.value.filter((i) => !i.keptForAutomation).map((i) => i.id))
  document.refusal = undefined
})

function turn(insert: string, on: boolean) {
  chosen.value = new Set(on ? [...chosen.value, insert] : [...chosen.value].filter((i) => i !== insert))
}

async function make() {
  const inserts = free.value.map((i) => i.id).filter((id) => chosen.value.has(id))
  const chain = newChain(props.channel, name.value.trim(), inserts)
  if (!(await document.edit([{ type: 'put-chain', channel: props.channel.id, chain }], props.channel.id))) return
  open.value = false
  emit('made', chain.id)
}
</script>

<template>
  <Dialog v-model:visible="open" modal header="Make a chain" :style="{ width: '400px' }" :draggable="false">
    <form class="form" @submit.prevent="make">
      <p class="quiet">
        A chain is several inserts as one thing: up to eight controls of its own move what is inside, and the shelf
        keeps it whole.
      </p>
      <label
        >Name<input v-model="name" class="field" maxlength="40" placeholder="what it does to the sound" autofocus
      /></label>
      <fieldset>
        <legend>Of</legend>
        <label v-for="insert in free" :key="insert.id" class="switch"
          ><input
            type="checkbox"
            :checked="chosen.has(insert.id)"
            @change="turn(insert.id, ($event.target as HTMLInputElement).checked)"
          />
          {{ titleOf(channel, insert) }}</label
        >
      </fieldset>
      <DialogEnds
        :trouble="document.refusal?.sentence"
        leave="Not now"
        keep="Make it"
        :disabled="!name.trim() || chosen.size === 0"
        @leave="open = false"
      />
    </form>
  </Dialog>
</template>

<style scoped src="@/parts/dialogForm.css"></style>
