<script setup lang="ts">
import Dialog from 'primevue/dialog'
import { ref, watch } from 'vue'
import type { Edit, ReviewLine, Reviews } from '@/api/types'
import { useDocument } from '@/state/document'

/** What most songs of this template have done to it, each with its evidence, and with what would spare the next one the same. */
defineProps<{ said?: Reviews }>()
const emit = defineEmits<{ again: [] }>()
const open = defineModel<boolean>('open', { required: true })
const document = useDocument()
/** Left for now; it is said again when somebody looks again. */
const left = ref<string[]>([])

watch(open, (now) => now && (left.value = []))

async function does(edits: unknown) {
  if (await document.edit(edits as Edit[])) emit('again')
}

const titles = (review: ReviewLine) =>
  review.songs.map((song) => (song.words ? `${song.title} (${song.words})` : song.title)).join(', ')
</script>

<template>
  <Dialog v-model:visible="open" modal header="What its songs say" :style="{ width: '620px' }" :draggable="false">
    <p class="quiet top">
      {{ said?.songs ?? 0 }} songs began from it. What at least three of them, and more than half, have done alike is
      said here; no song is changed by it.
    </p>
    <p v-if="said && said.reviews.every((r) => left.includes(r.key))" class="quiet">They have no more to say.</p>
    <ul aria-label="What its songs say">
      <li v-for="review in said?.reviews.filter((r) => !left.includes(r.key))" :key="review.key">
        <div class="said">
          <b class="serif">{{ review.sentence }}</b>
          <small class="quiet">{{ titles(review) }}</small>
          <small class="quiet">Taken in: {{ review.words.join('; ') }}.</small>
        </div>
        <div class="ways">
          <button type="button" class="plain" @click="does(review.edits)">Take it in</button>
          <button type="button" class="plain" @click="left.push(review.key)">Leave it</button>
          <button type="button" class="plain bare" @click="does([review.leave])">Do not say it again</button>
        </div>
      </li>
    </ul>
    <p v-if="document.refusal" class="trouble" role="alert">{{ document.refusal.sentence }}</p>
  </Dialog>
</template>

<style scoped>
.top {
  margin: 0 0 6px;
}

ul {
  list-style: none;
  margin: 0;
  padding: 0;
}

li {
  display: grid;
  gap: 8px;
  padding: 12px 0;
  border-top: 1px solid var(--line-soft);
}

.said {
  display: grid;
  gap: 2px;
}

b {
  font-weight: 500;
  font-size: 15px;
}

small {
  font-size: 12px;
}

.ways {
  display: flex;
  gap: 10px;
}

.trouble {
  color: var(--blocker);
}
</style>
