<script setup lang="ts">
import Dialog from 'primevue/dialog'
import { ref, watch } from 'vue'
import DialogEnds from '@/parts/DialogEnds.vue'
import Icon from '@/parts/Icon.vue'
import { useDocument } from '@/state/document'

const open = defineModel<boolean>('open', { required: true })
const document = useDocument()
const acts = ref<{ id: string; name: string }[]>([])

watch(open, (now) => {
  if (!now) return
  acts.value = document.head?.acts.map((act) => ({ ...act })) ?? []
  document.refusal = undefined
})

function add() {
  const taken = new Set(acts.value.map((act) => act.id))
  for (let n = acts.value.length + 1; ; n++)
    if (!taken.has(`act-${n}`)) return void acts.value.push({ id: `act-${n}`, name: '' })
}

function earlier(i: number) {
  const [act] = acts.value.splice(i, 1)
  acts.value.splice(i - 1, 0, act!)
}

async function keep() {
  const named = acts.value.map((act) => ({ ...act, name: act.name.trim() }))
  if (!(await document.edit([{ type: 'set-acts', acts: named }]))) return
  if (!named.some((act) => act.id === document.act)) document.act = named[0]!.id
  open.value = false
}
</script>

<template>
  <Dialog v-model:visible="open" modal header="Acts" :style="{ width: '400px' }" :draggable="false">
    <form class="form" @submit.prevent="keep">
      <p class="quiet">
        An act says what is on stage, behind the curtain or in the wings. The first is the one in which one writes.
      </p>
      <div v-for="(act, i) in acts" :key="act.id" class="act">
        <input
          v-model="act.name"
          class="field"
          required
          maxlength="40"
          :aria-label="`Name of act ${i + 1}`"
          :autofocus="i === 0"
        />
        <button
          type="button"
          class="plain bare"
          :disabled="i === 0"
          :aria-label="`${act.name} earlier`"
          @click="earlier(i)"
        >
          <Icon name="up" :size="14" />
        </button>
        <button
          type="button"
          class="plain bare"
          :disabled="acts.length === 1"
          :aria-label="`Remove ${act.name}`"
          @click="acts.splice(i, 1)"
        >
          <Icon name="close" :size="14" />
        </button>
      </div>
      <button type="button" class="plain more" @click="add">Add an act</button>
      <DialogEnds :trouble="document.refusal?.sentence" leave="Leave it" keep="Keep it" @leave="open = false" />
    </form>
  </Dialog>
</template>

<style scoped src="@/parts/dialogForm.css"></style>
<style scoped>
.act {
  display: flex;
  gap: 4px;
}

.act .field {
  flex: 1;
}

.more {
  justify-self: start;
}
</style>
