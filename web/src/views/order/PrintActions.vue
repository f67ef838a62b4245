<script setup lang="ts">
import { computed, ref } from 'vue'
import { printOf } from './printing'
import { sentenceOf } from '@/api/client'
import type { Channel } from '@/api/types'
import { useDocument } from '@/state/document'

/** Renders an instrument onto the channel that takes its print, and lets one stand in for the other. */
const props = defineProps<{ channel: Channel; twin: Channel }>()
const document = useDocument()
const working = ref(false)
const trouble = ref<string>()

const isPrinted = computed(() => props.twin.starters.some((s) => s.through))
const stateOf = (channel: Channel) => channel.stages?.[document.act] ?? 'on-stage'
const playsPrint = computed(() => stateOf(props.channel) === 'in-the-wings' && stateOf(props.twin) !== 'in-the-wings')

async function print() {
  const head = document.head
  if (!head) return
  working.value = true
  trouble.value = undefined
  try {
    const print = await printOf(head.id, document.act, props.channel, props.twin)
    if (document.head?.id === head.id) await document.edit([print], props.channel.id)
  } catch (error) {
    trouble.value = sentenceOf(error)
  } finally {
    working.value = false
  }
}

/** One rests in the wings while the other plays. */
function swap() {
  const stage = (channel: string, state: 'on-stage' | 'in-the-wings') =>
    ({ type: 'set-stage', channel, act: document.act, state }) as const
  const [plays, rests] = playsPrint.value ? [props.channel, props.twin] : [props.twin, props.channel]
  void document.edit([stage(plays.id, 'on-stage'), stage(rests.id, 'in-the-wings')], props.channel.id)
}
</script>

<template>
  <button
    v-if="!playsPrint"
    type="button"
    class="plain bare"
    :disabled="working"
    title="Renders the whole timeline onto the print channel"
    @click="print"
  >
    {{ working ? 'printing…' : isPrinted ? 'print again' : 'print now' }}
  </button>
  <button v-if="isPrinted" type="button" class="plain bare" title="In this act" @click="swap">
    {{ playsPrint ? 'play the instrument' : 'play the print' }}
  </button>
  <span v-if="trouble" class="trouble" role="alert">{{ trouble }}</span>
</template>

<style scoped>
.trouble {
  color: var(--blocker);
}
</style>
