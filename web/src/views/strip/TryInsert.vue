<script setup lang="ts">
import { computed, onScopeDispose, watch } from 'vue'
import type { Channel } from '@/api/types'
import { useInsertChoices } from '@/devices/useInsertChoices'
import Picker from '@/parts/Picker.vue'
import { useDocument } from '@/state/document'
import { useListening } from '@/state/listening'

/** A processor that is heard at the end of the strip without being in it, until somebody adds it or leaves it. */
const props = defineProps<{ channel: Channel }>()
const document = useDocument()
const listening = useListening()
const choices = useInsertChoices()
const name = computed(() => listening.trying?.name)

async function hear(choice: string) {
  const text = choices.all.value.find((c) => c.value === choice)?.text ?? choice
  listening.listenTo(props.channel.id)
  listening.trying = { name: text, edits: [choices.making(props.channel.id, choice)] }
  if (!listening.playing) await listening.play()
}

function leave() {
  listening.trying = undefined
}

async function add() {
  const edits = listening.trying?.edits ?? []
  leave()
  await document.edit(edits, props.channel.id)
}

watch(() => props.channel.id, leave)
onScopeDispose(leave)
</script>

<template>
  <div class="try">
    <template v-if="name">
      <span role="status"
        >You hear <b>{{ name }}</b> on {{ channel.name }}, and it is not in the strip.</span
      >
      <button type="button" class="plain on" @click="add">Add it</button>
      <button type="button" class="plain" @click="leave">Leave it</button>
    </template>
    <Picker
      v-else
      class="which"
      label="Try a processor without adding it"
      :choices="choices.all.value"
      :value="null"
      empty="Try one without adding it…"
      @choose="hear"
    />
  </div>
</template>

<style scoped>
.try {
  display: flex;
  align-items: center;
  gap: 10px;
}

.which {
  font-size: 12px;
  max-width: 230px;
}
</style>
