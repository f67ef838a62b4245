<script setup lang="ts">
import { computed, ref } from 'vue'
import KeepOnShelf from '@/parts/KeepOnShelf.vue'
import type { Edit, ShelfPart } from '@/api/types'
import { useDocument } from '@/state/document'
import { useShelf } from '@/state/shelf'

/** The patches of one instrument or processor: taken up, kept under a name, forgotten. */
const props = defineProps<{
  channel: string
  /** None for the instrument of the channel. */
  insert?: string
  of: string
  settings: Record<string, number>
  now?: string | null
}>()
const document = useDocument()
const naming = ref(false)
const name = ref('')
const patches = computed(() => document.head?.patches.filter((p) => p.of === props.of) ?? [])
const about = computed(() => ({ channel: props.channel, insert: props.insert ?? null }))
const send = (...edits: Edit[]) => document.edit(edits, props.channel)
const taking = (patch: string): Edit => ({ type: 'take-patch', ...about.value, name: patch })

const shelf = useShelf()
const keeping = ref(false)
const shelved = computed(() => shelf.ofKind('patch').filter((item) => item.of === props.of))
const part = computed<ShelfPart | undefined>(() =>
  used.value && document.head
    ? { document: document.head.id, kind: 'patch', place: `${props.of}/${used.value}`, name: used.value }
    : undefined,
)
/** By its name where that is known, by its settings otherwise. */
const used = computed(() => props.now ?? patches.value.find((p) => sameSettings(p.settings, props.settings))?.name)
if (!shelf.items) void shelf.look().catch(() => undefined)

/** The patch that new ones of the kind begin with. */
const first = computed(() => document.head?.firstPatches[props.of])

function begin() {
  void document.edit([
    { type: 'set-first-patch', of: props.of, patch: first.value === used.value ? null : (used.value ?? null) },
  ])
}

function sameSettings(one: Record<string, number>, other: Record<string, number>) {
  const keys = Object.keys(one)
  return keys.length > 0 && keys.length === Object.keys(other).length && keys.every((key) => one[key] === other[key])
}

function choose(event: Event) {
  const list = event.target as HTMLSelectElement
  const { value } = list
  if (value.startsWith('(shelf)')) void fromShelf(value.slice('(shelf)'.length))
  else if (value === '(keep)') naming.value = true
  else if (value === '(rest)') void send({ type: 'set-settings', ...about.value, settings: {}, patch: null })
  else if (value) void send(taking(value))
  list.value = used.value ?? ''
}

/** What the shelf has becomes a patch of this template, and is used. */
async function fromShelf(item: string) {
  const taken = await shelf.taking(document.head!.id, item)
  await send(...taken.edits, taking(taken.place.slice(taken.place.indexOf('/') + 1)))
}

async function keep() {
  const title = name.value.trim()
  if (!title || !(await send({ type: 'keep-patch', ...about.value, name: title }, taking(title)))) return
  naming.value = false
  name.value = ''
}
</script>

<template>
  <form v-if="naming" class="patch" @submit.prevent="keep">
    <input
      v-model="name"
      class="field"
      maxlength="40"
      placeholder="Name of the patch"
      aria-label="Name of the patch"
      autofocus
      @keydown.stop
      @keydown.escape="naming = false"
    />
    <button type="submit" class="plain" :disabled="name.trim() === ''">Keep</button>
  </form>
  <div v-else class="patch">
    <span class="quiet">Patch</span>
    <select class="field" aria-label="Patch" :value="used ?? ''" @change="choose">
      <option value="">{{ patches.length ? 'none' : 'none kept yet' }}</option>
      <option v-for="p in patches" :key="p.name" :value="p.name">{{ p.name }}</option>
      <optgroup v-if="shelved.length" label="On the shelf">
        <option v-for="item in shelved" :key="item.id" :value="`(shelf)${item.id}`">{{ item.name }}</option>
      </optgroup>
      <option value="(rest)">everything at its default</option>
      <option value="(keep)">keep this as…</option>
    </select>
    <button
      v-if="used && patches.some((p) => p.name === used)"
      type="button"
      class="plain bare"
      :class="{ on: first === used }"
      :aria-pressed="first === used"
      title="Every new one begins with this patch, wherever it is added"
      @click="begin"
    >
      for new ones
    </button>
    <button
      v-if="used && patches.some((p) => p.name === used)"
      type="button"
      class="plain bare"
      :aria-label="`The patch ${used} to the shelf`"
      @click="keeping = true"
    >
      to the shelf
    </button>
    <button
      v-if="used && patches.some((p) => p.name === used)"
      type="button"
      class="plain bare"
      @click="document.edit([{ type: 'remove-patch', of, name: used }])"
    >
      forget
    </button>
    <KeepOnShelf v-model:open="keeping" :part="part" />
  </div>
</template>

<style scoped>
.patch {
  display: flex;
  align-items: center;
  gap: 8px;
  margin: 2px 0 4px;
}

.field {
  flex: 1;
  padding-block: 3px;
}
</style>
