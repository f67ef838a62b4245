<script setup lang="ts">
import Dialog from 'primevue/dialog'
import DialogEnds from '@/parts/DialogEnds.vue'
import { ref, watch } from 'vue'
import { choiceOf, keyChoices, keyFromChoice } from '@/parts/keys'
import type { Edit } from '@/api/types'
import { useDocument } from '@/state/document'
import { useCatalogue } from '@/state/catalogue'

const catalogue = useCatalogue()
const open = defineModel<boolean>('open', { required: true })
const document = useDocument()
const name = ref('')
const category = ref('')
const tags = ref('')
const note = ref('')
const key = ref('')

watch(open, (now) => {
  const head = document.head
  if (!now || !head) return
  name.value = head.name
  category.value = head.category
  tags.value = head.tags.join(', ')
  note.value = head.note
  key.value = choiceOf(head.key)
  document.refusal = undefined
})

async function keep() {
  const edits: Edit[] = [
    {
      type: 'describe',
      name: name.value.trim(),
      category: category.value.trim(),
      tags: tags.value.split(',').map((t) => t.trim()).filter(Boolean),
      note: note.value,
    }, // prettier-ignore
  ]
  if (key.value !== choiceOf(document.head?.key)) edits.push({ type: 'set-musical-key', key: keyFromChoice(key.value) })
  if (await document.edit(edits)) open.value = false
}
</script>

<template>
  <Dialog v-model:visible="open" modal header="What it is for" :style="{ width: '460px' }" :draggable="false">
    <form class="form" @submit.prevent="keep">
      <label>Name<input v-model="name" class="field" required maxlength="80" autofocus /></label>
      <div class="pair">
        <label>Category<input v-model="category" class="field" maxlength="80" /></label>
        <label
          >Key<select v-model="key" class="field">
            <option value="">waits for the song</option>
            <option v-for="choice in keyChoices(catalogue.known.keys)" :key="choice.value" :value="choice.value">
              {{ choice.text }}
            </option>
          </select></label
        >
      </div>
      <label>Tags, with commas between<input v-model="tags" class="field" /></label>
      <label
        >Prompt note: how it is to be used<textarea v-model="note" class="field" rows="5" maxlength="4000" />
      </label>
      <DialogEnds :trouble="document.refusal?.sentence" leave="Leave it" keep="Keep it" @leave="open = false" />
    </form>
  </Dialog>
</template>

<style scoped src="@/parts/dialogForm.css"></style>
