<script setup lang="ts">
import { ref, useTemplateRef } from 'vue'
import { sentenceOf, upload } from '@/api/client'
import type { Channel, Edit } from '@/api/types'
import Icon from '@/parts/Icon.vue'
import { useDocument } from '@/state/document'

/** Puts a kit's file in; what the file holds besides is said before. */
const props = defineProps<{ channel: Channel }>()
const document = useDocument()
const file = useTemplateRef('file')
const trouble = ref<string>()
/** A kit that was read and is not put in yet, because not all of its file could be. */
const waiting = ref<Read>()

interface Read {
  edits: Edit[]
  leftOut: string[]
}

async function read(files: FileList | null) {
  const chosen = files?.[0]
  if (!chosen) return
  trouble.value = waiting.value = undefined
  try {
    const address = `/api/documents/${document.head!.id}/channels/${props.channel.id}/kit-file`
    const answer = await upload<Read>(address, chosen)
    if (answer.leftOut.length) waiting.value = answer
    else await putIn(answer)
  } catch (error) {
    trouble.value = sentenceOf(error)
  } finally {
    // The same file again is a choice too.
    if (file.value) file.value.value = ''
  }
}

async function putIn(read: Read) {
  waiting.value = undefined
  const stored = await document.edit(read.edits, props.channel.id)
  if (!stored) trouble.value = document.refusal?.sentence
}
</script>

<template>
  <button type="button" class="plain bare" @click="file?.click()">
    <Icon name="file" :size="13" /> Kit from a file
  </button>
  <input
    ref="file"
    type="file"
    accept=".csv,.midnam,.mid,.midi,.zip,text/csv,audio/midi,application/zip"
    hidden
    aria-label="A kit: a table (CSV), a MIDI name document, a MIDI file with its hits, or an SFZ with its samples in a ZIP"
    @change="read(($event.target as HTMLInputElement).files)"
  />
  <div v-if="waiting" class="waiting" role="alert">
    <p>This cannot be put in:</p>
    <ul>
      <li v-for="what in waiting.leftOut" :key="what">{{ what }}</li>
    </ul>
    <p class="choice">
      <button type="button" class="plain" @click="putIn(waiting)">Put the kit in all the same</button>
      <button type="button" class="plain bare" @click="waiting = undefined">Leave it</button>
    </p>
  </div>
  <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
</template>

<style scoped>
.waiting {
  flex-basis: 100%;
  margin-bottom: 8px;
  padding: 8px 10px;
  border-left: 2px solid var(--lamp);
  background: var(--raised);
}

.waiting ul {
  max-height: 140px;
  margin: 4px 0 8px;
  padding-left: 16px;
  overflow: auto;
  color: var(--text-2);
  overflow-wrap: anywhere;
}

.waiting p {
  margin: 0;
}

.choice {
  display: flex;
  gap: 8px;
}
</style>
