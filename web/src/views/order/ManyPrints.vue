<script setup lang="ts">
import { computed, ref } from 'vue'
import { printOf } from './printing'
import { useManyEdits } from './useManyEdits'
import { sentenceOf } from '@/api/client'
import { useDocument } from '@/state/document'

/** Prints every chosen instrument that has a channel for it, one after the other; one step to undo. */
const document = useDocument()
const many = useManyEdits()
const done = ref<number>()
const trouble = ref<string>()

const printed = computed(() =>
  many.rows.value.flatMap(({ channel }) => {
    const twin = document.rows.get(channel.printTwin ?? '')?.channel
    return twin ? [{ channel, twin }] : []
  }),
)
const withoutTwin = computed(() =>
  many.rows.value.filter((r) => r.channel.kind === 'instrument' && !r.channel.printTwin),
)

async function print() {
  const [head, act, all] = [document.head, document.act, printed.value]
  if (!head) return
  trouble.value = undefined
  done.value = 0
  try {
    const edits = []
    for (const { channel, twin } of all) {
      edits.push(await printOf(head.id, act, channel, twin))
      done.value++
    }
    // Another document may be open by now.
    if (document.head?.id === head.id) await document.edit(edits)
  } catch (error) {
    trouble.value = sentenceOf(error)
  } finally {
    done.value = undefined
  }
}

function makeTwins() {
  void document.edit(withoutTwin.value.map((r) => ({ type: 'add-print-twin', channel: r.channel.id })))
}
</script>

<template>
  <template v-if="printed.length || withoutTwin.length">
    <dt>Prints</dt>
    <dd class="value">
      <button
        v-if="printed.length"
        type="button"
        class="plain"
        :disabled="done !== undefined"
        title="Renders the whole timeline of each onto its print channel"
        @click="print"
      >
        {{ done === undefined ? `Print ${printed.length}` : `printing ${done + 1} of ${printed.length}…` }}
      </button>
      <button v-if="withoutTwin.length" type="button" class="plain" @click="makeTwins">
        Print channels for {{ withoutTwin.length }}
      </button>
      <span v-if="trouble" class="trouble" role="alert">{{ trouble }}</span>
    </dd>
  </template>
</template>

<style scoped src="./facts.css"></style>
<style scoped>
.trouble {
  color: var(--blocker);
}
</style>
