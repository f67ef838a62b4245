<script setup lang="ts">
import { computed, ref } from 'vue'
import { useDocument } from '@/state/document'

/** The patches of one instrument or processor: taken up, kept under a name, forgotten. */
const props = defineProps<{ of: string; settings: Record<string, number>; now?: string | null }>()
const emit = defineEmits<{ use: [settings: Record<string, number>, name: string | null] }>()
const document = useDocument()
const naming = ref(false)
const name = ref('')
const patches = computed(() => document.head?.patches.filter((p) => p.of === props.of) ?? [])

function choose(event: Event) {
  const list = event.target as HTMLSelectElement
  const { value } = list
  if (value === '(keep)') naming.value = true
  else if (value === '(rest)') emit('use', {}, null)
  else {
    const patch = patches.value.find((p) => p.name === value)
    if (patch) emit('use', patch.settings, patch.name)
  }
  list.value = props.now ?? ''
}

async function keep() {
  const title = name.value.trim()
  if (!title) return
  const patch = { of: props.of, name: title, settings: props.settings }
  if (!(await document.edit([{ type: 'put-patch', patch }]))) return
  emit('use', props.settings, title)
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
    <select class="field" aria-label="Patch" :value="now ?? ''" @change="choose">
      <option value="">{{ patches.length ? 'none' : 'none kept yet' }}</option>
      <option v-for="p in patches" :key="p.name" :value="p.name">{{ p.name }}</option>
      <option value="(rest)">everything at its default</option>
      <option value="(keep)">keep this as…</option>
    </select>
    <button
      v-if="now && patches.some((p) => p.name === now)"
      type="button"
      class="plain bare"
      @click="document.edit([{ type: 'remove-patch', of, name: now }])"
    >
      forget
    </button>
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
