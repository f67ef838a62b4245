<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import ReviewsDialog from './ReviewsDialog.vue'
import { reviewsOf } from './parentCalls'
import type { Reviews } from '@/api/types'
import { useDocument } from '@/state/document'

/** Says that most songs of a template have done the same to it; where they have not, nothing is said. */
const document = useDocument()
const said = shallowRef<Reviews>()
const looking = ref(false)
const count = computed(() => said.value?.reviews.length ?? 0)
const word = computed(() => (count.value === 1 ? 'review' : 'reviews'))

watch(() => (document.kind === 'template' ? document.head?.id : undefined), look, { immediate: true })

async function look() {
  const id = document.kind === 'template' ? document.head?.id : undefined
  said.value = undefined
  if (!id) return
  const heard = await reviewsOf(id).catch(() => undefined)
  if (document.head?.id === id) said.value = heard
}

async function open() {
  await look()
  looking.value = true
}
</script>

<template>
  <button
    v-if="count"
    type="button"
    class="plain bare mark"
    :aria-label="`${count} ${word}: what its songs say`"
    title="What most of its songs have done alike"
    @click="open"
  >
    {{ count }} {{ word }}
  </button>
  <ReviewsDialog v-model:open="looking" :said="said" @again="look" />
</template>

<style scoped>
.mark {
  color: var(--plum);
  white-space: nowrap;
}
</style>
