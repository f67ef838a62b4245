<script setup lang="ts">
import Dialog from 'primevue/dialog'
import { ref, useTemplateRef, watch } from 'vue'
import { sentenceOf, upload } from '@/api/client'
import type { Schemas } from '@/api/types'
import DialogEnds from '@/parts/DialogEnds.vue'
import { useDocument } from '@/state/document'

/** A table of inputs or outputs that was filled in elsewhere: what it changes is shown before it is done. */
const props = defineProps<{ id: string }>()
const open = defineModel<boolean>('open', { required: true })
const document = useDocument()
const view = ref<Schemas['PatchingView']>()
const name = ref('')
const trouble = ref<string>()
const file = useTemplateRef('file')

watch(open, () => (view.value = trouble.value = undefined))

async function read(files: FileList | null) {
  const [chosen] = files ?? []
  if (!chosen) return
  view.value = trouble.value = undefined
  name.value = chosen.name
  try {
    view.value = await upload(`/api/documents/${props.id}/patching`, chosen, 'text/csv')
  } catch (error) {
    trouble.value = sentenceOf(error)
  }
  if (file.value) file.value.value = ''
}

async function take() {
  if (!view.value) return
  if (await document.edit(view.value.edits)) open.value = false
  else trouble.value = document.refusal?.sentence
}
</script>

<template>
  <Dialog v-model:visible="open" modal header="Read a patching table" :style="{ width: '560px' }" :draggable="false">
    <form class="form" @submit.prevent="take">
      <p class="quiet">
        The input list or the output patching, as it was taken away here and filled in elsewhere. Channels are known by
        their names; columns that are not there change nothing.
      </p>
      <div>
        <button type="button" class="plain" @click="file?.click()">Choose a CSV file</button>
        <input
          ref="file"
          type="file"
          accept=".csv,text/csv"
          hidden
          aria-label="A patching table"
          @change="read(($event.target as HTMLInputElement).files)"
        />
        <span v-if="view" class="quiet name">{{ name }}</span>
      </div>
      <template v-if="view">
        <h3>
          {{ view.words.length === 0 ? 'It says what is patched already.' : 'What it changes' }}
          <span v-if="view.words.length" class="faint">{{ view.words.length }}</span>
        </h3>
        <ul v-if="view.words.length" class="long">
          <li v-for="(words, i) in view.words" :key="i">{{ words }}</li>
        </ul>
        <template v-if="view.leftOut.length">
          <h3>
            Not taken <span class="faint">{{ view.leftOut.length }}</span>
          </h3>
          <ul class="long">
            <li v-for="words in view.leftOut" :key="words" class="quiet">{{ words }}</li>
          </ul>
        </template>
      </template>
      <DialogEnds
        :trouble="trouble"
        leave="Cancel"
        keep="Patch it so"
        :disabled="!view?.edits.length"
        @leave="open = false"
      />
    </form>
  </Dialog>
</template>

<style scoped src="../../parts/dialogForm.css"></style>

<style scoped>
.name {
  margin-left: 10px;
}

h3 {
  font-size: 14px;
}

h3 span {
  font: 400 13px var(--sans);
}

.long {
  margin: 0;
  padding-left: 18px;
  max-height: 240px;
  overflow: auto;
}
</style>
