<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import ParentDialog from './ParentDialog.vue'
import { parentOf } from './parentCalls'
import type { ParentView } from '@/api/types'
import { useDocument } from '@/state/document'

/** Says that the template which this one is based on was changed; where nothing changed, nothing is said. */
const document = useDocument()
const parent = shallowRef<ParentView>()
const looking = ref(false)
const count = computed(() => parent.value?.changes.length ?? 0)

/** Its own edits change how it stands towards what is offered, so it is asked anew when somebody looks. */
const basis = computed(() => (document.head ? `${document.head.id} ${JSON.stringify(document.head.parent)}` : ''))
watch(basis, look, { immediate: true })

async function look() {
  const id = document.head?.id
  if (!id || !document.head?.parent) return void (parent.value = undefined)
  try {
    const seen = await parentOf(id)
    if (document.head?.id === id) parent.value = seen
  } catch {
    // What is offered is no part of the work at hand: it is said when somebody asks for it.
    parent.value = undefined
  }
}

async function open() {
  await look()
  looking.value = true
}
</script>

<template>
  <button
    v-if="parent && count"
    type="button"
    class="plain bare mark"
    :aria-label="`${count} offered: changes in ${parent.name}`"
    :title="`What changed in ${parent.name}`"
    @click="open"
  >
    {{ count }} offered
  </button>
  <ParentDialog v-if="parent" v-model:open="looking" :parent="parent" />
</template>

<style scoped>
.mark {
  color: var(--plum);
  white-space: nowrap;
}
</style>
