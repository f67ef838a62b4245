<script setup lang="ts">
import Dialog from 'primevue/dialog'
import { computed, ref, watch } from 'vue'
import DialogEnds from './DialogEnds.vue'
import { api, asked, sentenceOf } from '@/api/client'
import type { ShelfItem, ShelfUse } from '@/api/types'
import { useDocument } from '@/state/document'
import { useShelf } from '@/state/shelf'

/** Where copies of an item stand, and which of them take the newer one. */
const open = defineModel<boolean>('open', { required: true })
const props = defineProps<{ item?: ShelfItem }>()
const emit = defineEmits<{ taken: [] }>()
const document = useDocument()
const shelf = useShelf()
const uses = ref<ShelfUse[]>()
const chosen = ref<Set<number>>(new Set())
/** Of each copy of a set piece which of its changes are taken, by their numbers. */
const changes = ref<Record<number, number[]>>({})
const trouble = ref<string>()

const behind = computed(() => uses.value?.some((use) => use.edits.length) ?? false)

watch(open, async (is) => {
  if (!is || !props.item) return
  uses.value = trouble.value = undefined
  chosen.value = new Set()
  try {
    uses.value = await shelf.usesOf(props.item.id)
    const open = (use: ShelfUse) => use.changes.filter((c) => c.standing === 'open').map((c) => c.number)
    changes.value = Object.fromEntries(uses.value.map((use, at) => [at, open(use)]))
  } catch (error) {
    trouble.value = sentenceOf(error)
  }
})

function turn(at: number) {
  const next = new Set(chosen.value)
  if (!next.delete(at)) next.add(at)
  chosen.value = next
}

/** What is to be done to a copy: of a set piece what was chosen, and in the end the note that it is of the newer one. */
function editsFor(at: number) {
  const use = uses.value![at]!
  const taken = use.changes.filter((c) => changes.value[at]!.includes(c.number)).map((c) => c.edit)
  return use.changes.length ? [...taken, use.edits.at(-1)!] : use.edits
}

const standings = {
  open: '',
  own: 'you have set something of your own there',
  impossible: 'cannot be taken here',
}

/** One document after the other, each on its newest revision; what cannot be taken there any more is said. */
async function take() {
  try {
    for (const at of chosen.value) {
      const use = uses.value![at]!
      if (use.document === document.head?.id) {
        if (!(await document.edit(editsFor(at)))) throw new Error(document.refusal?.sentence)
        continue
      }
      const ask = { params: { path: { id: use.document } } }
      const { head } = await asked(api.GET('/api/documents/{id}', ask))
      await asked(
        api.POST('/api/documents/{id}/edits', {
          ...ask,
          body: { revision: head.revision, edits: editsFor(at) as never },
        }),
      )
    }
    open.value = false
    emit('taken')
  } catch (error) {
    trouble.value = sentenceOf(error)
  }
}

function stateOf(use: ShelfUse) {
  if (!use.isBehind) return 'as on the shelf'
  return use.why ?? `has revision ${use.taken}`
}
</script>

<template>
  <Dialog
    v-model:visible="open"
    modal
    :header="item ? `Where ${item.name} is used` : 'Where it is used'"
    :style="{ width: '560px' }"
    :draggable="false"
  >
    <form class="form" @submit.prevent="take">
      <p v-if="uses?.length === 0" class="quiet">No template holds a copy of it yet.</p>
      <p v-else-if="behind" class="quiet">
        Take revision {{ item?.revision }} there too? What is not ticked stays as it is.
      </p>
      <ul v-if="uses?.length" aria-label="Copies">
        <li v-for="(use, at) in uses" :key="`${use.document} ${use.part}`">
          <label>
            <input type="checkbox" :disabled="!use.edits.length" :checked="chosen.has(at)" @change="turn(at)" />
            <b class="serif">{{ use.name }}</b>
            <span class="quiet">{{ use.part }}</span>
            <span :class="use.why ? 'wrong' : 'faint'">{{ stateOf(use) }}</span>
          </label>
          <div v-if="chosen.has(at) && use.changes.length" class="words">
            <label v-for="change in use.changes" :key="change.number" class="change">
              <input
                v-model="changes[at]"
                type="checkbox"
                :value="change.number"
                :disabled="change.standing === 'impossible'"
              />
              <span
                >{{ change.words }}
                <small v-if="change.standing !== 'open'" class="quiet">{{
                  change.why ?? standings[change.standing]
                }}</small></span
              >
            </label>
          </div>
          <ul v-else-if="chosen.has(at)" class="words">
            <li v-for="words in use.words" :key="words">{{ words }}</li>
          </ul>
        </li>
      </ul>
      <DialogEnds
        :trouble="trouble"
        :leave="behind ? 'Leave them' : 'Close'"
        keep="Take it there"
        :read-only="!behind"
        :disabled="chosen.size === 0"
        @leave="open = false"
      />
    </form>
  </Dialog>
</template>

<style scoped src="./dialogForm.css"></style>
<style scoped>
ul {
  max-height: 340px;
  margin: 0;
  padding: 0;
  overflow: auto;
  list-style: none;
}

li > label {
  display: flex;
  align-items: baseline;
  gap: 8px;
  padding: 4px 0;
}

.words {
  padding: 0 0 6px 24px;
  color: var(--text-2);
}

.change {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 8px;
  align-items: start;
  padding: 2px 0;
}

.change small {
  display: block;
  font-size: 12px;
}

.wrong {
  color: var(--blocker);
}
</style>
