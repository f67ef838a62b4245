<script setup lang="ts">
import Dialog from 'primevue/dialog'
import { computed, ref, watch } from 'vue'
import { api, asked, sentenceOf } from '@/api/client'
import type { CameBack, Edit } from '@/api/types'
import DialogEnds from '@/parts/DialogEnds.vue'

/** A song that was worked on elsewhere and is known again: what was done to it, line by line. */
const props = defineProps<{ back: CameBack }>()
const emit = defineEmits<{ done: [song: string]; anew: []; leave: [] }>()
const left = ref<Set<number>>(new Set())
const trouble = ref<string>()

// What was set here meanwhile is not overwritten unless somebody says so.
watch(
  () => props.back,
  (back) => (left.value = new Set(back.changes.flatMap((c, i) => (c.standing === 'open' ? [] : [i])))),
  { immediate: true },
)
const chosen = computed(() => props.back.changes.filter((_, i) => !left.value.has(i)))

function turn(index: number) {
  const next = new Set(left.value)
  if (!next.delete(index)) next.add(index)
  left.value = next
}

async function take() {
  try {
    const edits = chosen.value.flatMap((c) => c.edits as Edit[])
    const ask = { params: { path: { id: props.back.song } }, body: { revision: props.back.revision, edits } }
    if (edits.length) await asked(api.POST('/api/documents/{id}/edits', ask))
    emit('done', props.back.song)
  } catch (error) {
    trouble.value = sentenceOf(error)
  }
}
</script>

<template>
  <Dialog
    :visible="true"
    modal
    :header="`${back.title} has come back`"
    :style="{ width: '600px' }"
    :draggable="false"
    @update:visible="emit('leave')"
  >
    <form class="form" @submit.prevent="take">
      <p class="quiet">
        <template v-if="back.changes.length">
          This project was made of the song and worked on elsewhere. What is ticked becomes the song’s newest state; one
          undo takes it back.
        </template>
        <template v-else>This project was made of the song, and nothing that it can say was changed.</template>
      </p>
      <ul v-if="back.changes.length">
        <li v-for="(change, i) in back.changes" :key="i">
          <label :class="{ out: left.has(i) }">
            <input
              type="checkbox"
              :checked="!left.has(i)"
              :disabled="change.standing === 'impossible'"
              @change="turn(i)"
            />
            {{ change.words }}
          </label>
          <small v-if="change.standing === 'own'" class="quiet">set otherwise here meanwhile</small>
          <small v-if="change.why" class="quiet">{{ change.why }}</small>
        </li>
      </ul>
      <DialogEnds :trouble="trouble" leave="Leave it" keep="Take it into the song" @leave="emit('leave')">
        <button type="button" class="plain" @click="emit('anew')">Bring it in as a song of its own</button>
      </DialogEnds>
    </form>
  </Dialog>
</template>

<style scoped src="../../parts/dialogForm.css"></style>

<style scoped>
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  max-height: 340px;
  overflow: auto;
}

li {
  padding: 3px 0;
}

label {
  display: flex;
  gap: 8px;
  align-items: baseline;
  color: var(--text);
}

.out {
  color: var(--text-3);
}

small {
  display: block;
  padding-left: 22px;
}
</style>
