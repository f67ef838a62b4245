<script setup lang="ts">
import Dialog from 'primevue/dialog'
import { computed, ref, watch } from 'vue'
import { taking } from './parentCalls'
import { sentenceOf } from '@/api/client'
import type { ParentView } from '@/api/types'
import DialogEnds from '@/parts/DialogEnds.vue'
import { useDocument } from '@/state/document'

/** What changed in the template that this one is based on: chosen line by line, never taken by itself. */
const props = defineProps<{ parent: ParentView }>()
const open = defineModel<boolean>('open', { required: true })
const document = useDocument()
const chosen = ref<number[]>([])
const trouble = ref<string>()

const standing = (of: string) => props.parent.changes.filter((c) => c.standing === of)
const groups = computed(() =>
  [
    { title: 'Where you have set nothing of your own', changes: standing('open') },
    { title: 'Where you have set something of your own, and names and colours', changes: standing('own') },
    { title: 'What cannot be taken here', changes: standing('impossible') },
  ].filter((g) => g.changes.length),
)

watch(open, (now) => {
  if (!now) return
  trouble.value = undefined
  chosen.value = standing('open').map((c) => c.number)
})

/** @param numbers what is taken; the others are left, and not offered again */
async function decide(numbers: number[]) {
  if (!document.head) return
  trouble.value = undefined
  try {
    const edits = await taking(document.head.id, props.parent.revision, numbers)
    if (await document.edit(edits)) open.value = false
    else trouble.value = document.refusal?.sentence
  } catch (error) {
    trouble.value = sentenceOf(error)
  }
}
</script>

<template>
  <Dialog
    v-model:visible="open"
    modal
    :header="`What changed in ${parent.name}`"
    :style="{ width: '560px' }"
    :draggable="false"
  >
    <form class="form" @submit.prevent="decide(chosen)">
      <fieldset v-for="group in groups" :key="group.title">
        <legend>{{ group.title }}</legend>
        <label v-for="change in group.changes" :key="change.number" class="line">
          <input v-model="chosen" type="checkbox" :value="change.number" :disabled="change.standing === 'impossible'" />
          <span
            >{{ change.words }}<small v-if="change.why" class="quiet">{{ change.why }}</small></span
          >
        </label>
      </fieldset>
      <p class="quiet">What is left now is not offered again. One undo takes all of it back.</p>
      <DialogEnds
        :trouble="trouble"
        leave="Later"
        :keep="`Take ${chosen.length} over`"
        :disabled="chosen.length === 0"
        @leave="open = false"
      >
        <button type="button" class="plain" @click="decide([])">Leave all of them</button>
      </DialogEnds>
    </form>
  </Dialog>
</template>

<style scoped src="@/parts/dialogForm.css"></style>
<style scoped>
fieldset {
  margin: 0;
  padding: 0;
  border: 0;
}

legend {
  padding: 0 0 4px;
  font: 500 15px/1.3 var(--serif);
}

.form .line {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 9px;
  align-items: start;
  padding: 3px 0;
  color: var(--text);
}

small {
  display: block;
  font-size: 12px;
}
</style>
