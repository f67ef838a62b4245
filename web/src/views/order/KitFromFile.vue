<script setup lang="ts">
import { ref, useTemplateRef } from 'vue'
import { settled } from './kitCalls'
import { sentenceOf } from '@/api/client'
import type { Channel, Edit, KitFile } from '@/api/types'
import { chosenFiles } from '@/files/droppedFiles'
import { kitAmong, kitsAccepted, kitsSaid, leftBeside, sendKit } from '@/files/kitFiles'
import Icon from '@/parts/Icon.vue'
import { useDocument } from '@/state/document'

/** Puts a kit's file in; what the file holds besides is said before. */
const props = defineProps<{ channel: Channel }>()
const document = useDocument()
const file = useTemplateRef('file')
const trouble = ref<string>()
/** A kit that was read and is not put in yet, because not all of its file could be, or its jacks are others. */
const waiting = ref<KitFile>()
const from = ref<'file' | 'here' | 'own'>('file')
const jacks = ref(8)
const inPairs = ref(false)
const mostJacks = 64

async function read(files: FileList | null) {
  if (!files?.length) return
  trouble.value = waiting.value = undefined
  try {
    const address = `/api/documents/${document.head!.id}/channels/${props.channel.id}/kit-file`
    const found = kitAmong(chosenFiles(files))
    const { kit } = found
    if (!kit) throw new Error(`This is no kit. One is ${kitsSaid}.`)
    const answer = await sendKit<KitFile>(address, kit)
    answer.leftOut.push(...leftBeside(found))
    from.value = 'file'
    jacks.value = answer.jacks?.number ?? 8
    if (answer.leftOut.length || answer.jacks) waiting.value = answer
    else await putIn(answer.edits)
  } catch (error) {
    trouble.value = sentenceOf(error)
  } finally {
    // The same file again is a choice too.
    if (file.value) file.value.value = ''
  }
}

/** As the file has it, or over the jacks that were chosen. */
async function settle(read: KitFile) {
  try {
    const choice = { from: from.value, jacks: jacks.value, inPairs: inPairs.value }
    const { id } = document.head!
    await putIn(from.value === 'file' ? read.edits : (await settled(id, props.channel.id, read.kit, choice)).edits)
  } catch (error) {
    trouble.value = sentenceOf(error)
  }
}

async function putIn(edits: Edit[]) {
  waiting.value = undefined
  const stored = await document.edit(edits, props.channel.id)
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
    multiple
    :accept="kitsAccepted"
    hidden
    :aria-label="`A kit: ${kitsSaid}`"
    @change="read(($event.target as HTMLInputElement).files)"
  />
  <div v-if="waiting" class="waiting">
    <template v-if="waiting.leftOut.length">
      <p role="alert">This cannot be put in:</p>
      <ul>
        <li v-for="what in waiting.leftOut" :key="what">{{ what }}</li>
      </ul>
    </template>
    <fieldset v-if="waiting.jacks">
      <legend>Its jacks are not those of {{ channel.name }}</legend>
      <label><input v-model="from" type="radio" value="file" /> {{ waiting.jacks.inFile }}, as in the file</label>
      <label
        ><input v-model="from" type="radio" value="here" /> {{ waiting.jacks.here }}, as they are here, planned
        anew</label
      >
      <label><input v-model="from" type="radio" value="own" /> others, planned anew</label>
      <span v-if="from === 'own'" class="own">
        <input
          v-model.number="jacks"
          class="field"
          type="number"
          min="1"
          :max="mostJacks"
          aria-label="Number of jacks"
        />
        <select v-model="inPairs" class="field" aria-label="They are">
          <option :value="false">single</option>
          <option :value="true">in pairs</option>
        </select>
      </span>
    </fieldset>
    <p class="choice">
      <button type="button" class="plain" @click="settle(waiting)">
        {{ waiting.leftOut.length ? 'Put the kit in all the same' : 'Put the kit in' }}
      </button>
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

fieldset {
  display: grid;
  gap: 4px;
  margin: 0 0 8px;
  padding: 0;
  border: 0;
}

legend {
  margin-bottom: 4px;
  padding: 0;
}

label {
  display: flex;
  align-items: baseline;
  gap: 8px;
}

label input {
  flex: none;
}

.own {
  display: grid;
  grid-template-columns: 72px 110px;
  gap: 8px;
  padding-left: 22px;
}

.choice {
  display: flex;
  gap: 8px;
}
</style>
