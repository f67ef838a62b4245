<script setup lang="ts">
import Dialog from 'primevue/dialog'
import { computed, ref, watch } from 'vue'
import JointList from './JointList.vue'
import { puttingIn, type PutInPlan } from './piecesCalls'
import { sentenceOf } from '@/api/client'
import type { ShelfItem } from '@/api/types'
import DialogEnds from '@/parts/DialogEnds.vue'
import { useDocument } from '@/state/document'
import { useListening } from '@/state/listening'
import { useShelf } from '@/state/shelf'

/** Puts a set piece in: called by its name or its key, joined with what is here, heard before if wanted. */
const open = defineModel<boolean>('open', { required: true })
const document = useDocument()
const listening = useListening()
const shelf = useShelf()
const called = ref('')
const chosen = ref<string>()
const plan = ref<PutInPlan>()
const said = ref<Record<string, string>>({})
const trouble = ref<string>()
const hearing = ref(false)

const pieces = computed(() => shelf.ofKind('set-piece'))
/** A key that is typed is that piece before all that are called so. */
const found = computed(() => {
  const text = called.value.trim().toLowerCase()
  const byKey = pieces.value.filter((p) => text && p.key === text)
  return [...byKey, ...pieces.value.filter((p) => !byKey.includes(p) && p.name.toLowerCase().includes(text))]
})
const piece = computed(() => found.value.find((p) => p.id === chosen.value) ?? found.value[0])

/** What is on the shelf and how the chosen one would stand here: whoever presses before it is known is kept waiting. */
let looking: Promise<unknown> | undefined
watch(open, (now) => {
  if (!now) return quiet()
  ;[called.value, chosen.value, plan.value, trouble.value] = ['', undefined, undefined, undefined]
  looking = shelf.look().catch((error: unknown) => (trouble.value = sentenceOf(error)))
})
watch(
  () => [open.value, piece.value?.id, piece.value?.revision, document.head?.revision] as const,
  ([now, id], [, before]) => {
    if (!now || !id) return (plan.value = undefined)
    if (id !== before) said.value = {}
    looking = ask(id)
  },
)

async function ask(id: string) {
  trouble.value = undefined
  try {
    const found = await puttingIn(document.head!.id, id, said.value)
    if (piece.value?.id === id) plan.value = found
    if (hearing.value) tryIt()
  } catch (error) {
    plan.value = undefined
    trouble.value = sentenceOf(error)
  }
}

function join(outside: string, to: string) {
  said.value = { ...said.value, [outside]: to }
  looking = ask(piece.value!.id)
}

function choose(item: ShelfItem) {
  chosen.value = item.id
}

/** The keys go through the list while the cursor stays in the field. */
function step(by: 1 | -1) {
  const at = found.value.findIndex((p) => p.id === piece.value?.id)
  const next = found.value[at + by]
  if (next) choose(next)
}

async function hear() {
  hearing.value = !hearing.value
  if (!hearing.value) return quiet()
  tryIt()
  if (!listening.playing) await listening.play()
}

function tryIt() {
  if (!plan.value || !piece.value) return
  listening.trying = { name: `the set piece ${piece.value.name}`, edits: plan.value.edits }
}

function quiet() {
  if (hearing.value || listening.trying?.name.startsWith('the set piece')) listening.trying = undefined
  hearing.value = false
}

async function put() {
  let last
  while (looking !== last) await (last = looking)
  const ready = plan.value
  if (!ready) return
  quiet()
  if (await document.edit(ready.edits)) {
    open.value = false
    document.choose(ready.place)
  } else trouble.value = document.refusal?.sentence
}
</script>

<template>
  <Dialog v-model:visible="open" modal header="Put in a set piece" :style="{ width: '620px' }" :draggable="false">
    <form class="form" @submit.prevent="put">
      <p v-if="shelf.items && pieces.length === 0" class="quiet">
        No set piece is kept yet. Choose a bus, or several channels, and keep them on the shelf as a set piece: they can
        be put into every template then.
      </p>
      <template v-else>
        <label
          >Its name, or its key<input
            v-model="called"
            class="field"
            maxlength="80"
            autofocus
            @input="chosen = undefined"
            @keydown.down.prevent="step(1)"
            @keydown.up.prevent="step(-1)"
        /></label>
        <ul class="pieces" role="listbox" aria-label="Set pieces">
          <li
            v-for="item in found"
            :key="item.id"
            role="option"
            :aria-selected="item.id === piece?.id"
            :class="{ on: item.id === piece?.id }"
            @click="choose(item)"
          >
            <span>{{ item.name }}</span>
            <span class="quiet words">{{ item.words }}</span>
            <kbd v-if="item.key" :title="`Typed here, ${item.key} calls it`">{{ item.key }}</kbd>
          </li>
          <li v-if="found.length === 0" class="faint">None is called so.</li>
        </ul>
      </template>
      <template v-if="plan">
        <h3>What joins where</h3>
        <p v-if="plan.joints.length === 0" class="faint">It was joined with nothing.</p>
        <JointList :joints="plan.joints" @join="join" />
        <p v-for="note in plan.left" :key="note" class="quiet">{{ note }}</p>
      </template>
      <DialogEnds
        :trouble="trouble"
        leave="Not now"
        keep="Put it in"
        :disabled="shelf.items !== undefined && !piece"
        @leave="open = false"
      >
        <button v-if="plan" type="button" class="plain" :aria-pressed="hearing" @click="hear">
          {{ hearing ? 'Without it again' : 'Hear it here' }}
        </button>
      </DialogEnds>
    </form>
  </Dialog>
</template>

<style scoped src="@/parts/dialogForm.css"></style>
<style scoped>
.pieces {
  list-style: none;
  margin: 0;
  padding: 0;
  max-height: 168px;
  overflow: auto;
  border: 1px solid var(--line-soft);
  border-radius: 8px;
}

.pieces li {
  display: flex;
  align-items: baseline;
  gap: 12px;
  padding: 5px 10px;
  cursor: pointer;
}

.pieces li.on {
  background: var(--lamp-wash);
}

.words {
  flex: 1;
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

kbd {
  font: inherit;
  padding: 0 6px;
  border: 1px solid var(--line);
  border-radius: 4px;
  color: var(--text-2);
}

h3 {
  font-size: 14px;
  margin: 4px 0 0;
}
</style>
