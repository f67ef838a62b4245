<script setup lang="ts">
import Dialog from 'primevue/dialog'
import { computed, ref, watch } from 'vue'
import DialogEnds from './DialogEnds.vue'
import ShelfUses from './ShelfUses.vue'
import { sentenceOf } from '@/api/client'
import type { ShelfItem, ShelfPart } from '@/api/types'
import { useDocument } from '@/state/document'
import { kindWords, useShelf } from '@/state/shelf'

/** Keeps a part of this template by name, as something new or in the place of what the shelf has. */
const open = defineModel<boolean>('open', { required: true })
const props = defineProps<{ part?: ShelfPart }>()
const document = useDocument()
const shelf = useShelf()
const name = ref('')
const inPlaceOf = ref('')
const trouble = ref<string>()
const replaced = ref<ShelfItem>()
const telling = ref(false)

const others = computed(() => (props.part ? shelf.ofKind(props.part.kind) : []))
const origin = computed(() =>
  document.head?.copies.find((copy) => copy.kind === props.part?.kind && copy.place === props.part?.place),
)

/** What is on the shelf, and with it where the part came from: whoever presses before it is known is kept waiting. */
let looking: Promise<void> | undefined
watch(open, (is) => is && (looking = look()))

async function look() {
  trouble.value = undefined
  name.value = props.part?.name ?? ''
  inPlaceOf.value = ''
  try {
    await shelf.look()
  } catch (error) {
    trouble.value = sentenceOf(error)
  }
  // What came from the shelf goes back to where it came from, unless somebody says otherwise.
  inPlaceOf.value = others.value.find((item) => item.id === origin.value?.item)?.id ?? ''
}

async function keep() {
  await looking
  if (!props.part || !document.head) return
  try {
    if (inPlaceOf.value) {
      replaced.value = await shelf.replace(inPlaceOf.value, { ...props.part, name: null })
      telling.value = true
    } else {
      const kept = await shelf.keep({ ...props.part, name: name.value.trim() || null })
      await document.edit(kept.edits)
    }
    open.value = false
  } catch (error) {
    trouble.value = sentenceOf(error)
  }
}
</script>

<template>
  <Dialog v-model:visible="open" modal header="Keep on the shelf" :style="{ width: '420px' }" :draggable="false">
    <form v-if="part" class="form" @submit.prevent="keep">
      <label
        >{{ kindWords[part.kind]
        }}<select v-model="inPlaceOf" class="field">
          <option value="">as something new</option>
          <option v-for="item in others" :key="item.id" :value="item.id">in place of {{ item.name }}</option>
        </select></label
      >
      <label v-if="!inPlaceOf">Name<input v-model="name" class="field" maxlength="80" autofocus /></label>
      <p class="faint">
        It can be used in every template then. This template keeps its own copy<template v-if="inPlaceOf"
          >; where the one before is used, it is offered</template
        >.
      </p>
      <DialogEnds
        :trouble="trouble"
        leave="Not now"
        keep="Keep it"
        :disabled="!inPlaceOf && !name.trim()"
        @leave="open = false"
      />
    </form>
  </Dialog>
  <ShelfUses v-model:open="telling" :item="replaced" />
</template>

<style scoped src="./dialogForm.css"></style>
