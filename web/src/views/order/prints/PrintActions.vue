<script setup lang="ts">
import { computed } from 'vue'
import { swapping } from './swapping'
import { usePrinting } from './usePrinting'
import type { Channel } from '@/api/types'
import { useDocument } from '@/state/document'

/** Renders an instrument onto the channel that takes its print, and lets one stand in for the other. */
const props = defineProps<{ channel: Channel; twin: Channel }>()
const document = useDocument()
const printing = usePrinting()

const holdsPrint = (twin?: Channel) => twin?.starters.some((s) => s.through) ?? false
const isPrinted = computed(() => holdsPrint(props.twin))
const stateOf = (channel: Channel) => channel.stages?.[document.act] ?? 'on-stage'
const playsPrint = computed(() => stateOf(props.channel) === 'in-the-wings' && stateOf(props.twin) !== 'in-the-wings')

/** Its other outputs rest when it does: they are brought along. */
const outputs = computed(() =>
  document.ordered.flatMap(({ channel }) =>
    channel.source?.type === 'output' && channel.source.instrument === props.channel.id ? [channel] : [],
  ),
)

/** They would fall silent with it. */
const unprinted = computed(() => {
  const heard = outputs.value.filter((c) => stateOf(c) !== 'in-the-wings')
  return heard.filter((c) => !holdsPrint(document.rows.get((c.printTwin as string | null) ?? '')?.channel))
})

/** One rests in the wings while the other plays. */
function swap() {
  const pairs = [props.channel, ...outputs.value].flatMap((c) =>
    c.printTwin ? [{ channel: c.id, twin: c.printTwin }] : [],
  )
  void document.edit(swapping(pairs, document.act, !playsPrint.value), props.channel.id)
}
</script>

<template>
  <button
    v-if="!playsPrint"
    type="button"
    class="plain bare"
    :disabled="printing.busy.value"
    :title="`Renders the whole timeline onto the print channel${outputs.length ? ', and its outputs onto theirs' : ''}`"
    @click="printing.print({ channels: [channel.id] }, channel.id)"
  >
    {{ printing.busy.value ? 'printing…' : isPrinted ? 'print again' : 'print now' }}
  </button>
  <button
    v-if="isPrinted"
    type="button"
    class="plain bare"
    :disabled="!playsPrint && unprinted.length > 0"
    :title="
      !playsPrint && unprinted.length
        ? `${unprinted[0]!.name} has no print and would fall silent: print again first`
        : 'In this act'
    "
    @click="swap"
  >
    {{ playsPrint ? 'play the instrument' : 'play the print' }}
  </button>
  <span v-if="printing.failed.value" class="trouble" role="alert">{{ printing.message.value }}</span>
</template>

<style scoped>
.trouble {
  color: var(--blocker);
}
</style>
