<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { sentenceOf } from '@/api/client'
import type { Edit, Preview } from '@/api/types'
import { useDocument } from '@/state/document'
import { previewOf } from '@/state/documentCalls'

/** A prepared mend: pressed, it says what it would do; pressed again, it does it. */
const props = defineProps<{ name: string; edits: Edit[] }>()
const document = useDocument()
const preview = ref<Preview>()
const trouble = ref<string>()
const mostShown = 5
const wanted = computed(() => JSON.stringify(props.edits))

function look() {
  if (preview.value) preview.value = undefined
  else void ask()
}

async function ask() {
  trouble.value = undefined
  const asked = wanted.value
  try {
    const answer = await previewOf(document.head!.id, document.act, props.edits)
    // What would be done may have changed meanwhile.
    if (asked === wanted.value) preview.value = answer
    else await ask()
  } catch (error) {
    preview.value = undefined
    trouble.value = sentenceOf(error)
  }
}

/** What is told is what would be done: another tab may have changed it. */
watch(wanted, () => {
  if (preview.value) void ask()
})

async function mend() {
  preview.value = undefined
  if (!(await document.edit(props.edits))) trouble.value = document.refusal?.sentence
}
</script>

<template>
  <button type="button" class="plain mend" :aria-expanded="!!preview" @click="look">{{ name }}</button>
  <div v-if="preview" class="preview">
    <ul>
      <li v-for="(word, i) in preview.words.slice(0, mostShown)" :key="i">{{ word }}</li>
      <li v-if="preview.words.length > mostShown">and {{ preview.words.length - mostShown }} more</li>
    </ul>
    <p v-if="preview.removes.length" class="proven">
      {{ preview.removes.length === 1 ? 'This finding goes' : `${preview.removes.length} findings go` }}.
    </p>
    <p v-for="finding in preview.setsOff" :key="finding" class="new">New: {{ finding }}</p>
    <button type="button" class="plain" @click="mend">Do it</button>
    <button type="button" class="plain bare" @click="preview = undefined">Leave it</button>
  </div>
  <p v-if="trouble" class="new" role="alert">{{ trouble }}</p>
</template>

<style scoped>
.mend {
  color: var(--lamp);
  border-color: color-mix(in srgb, var(--lamp) 45%, transparent);
}

.preview {
  flex-basis: 100%;
  background: var(--raised);
  border-radius: 8px;
  padding: 8px 12px;
}

ul {
  margin: 0 0 6px;
  padding-left: 16px;
}

p {
  margin: 0 0 6px;
}

.proven {
  color: var(--proven);
}

.new {
  color: var(--blocker);
}
</style>
