<script setup lang="ts">
import { useDropZone } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import type { Schemas } from '@/api/types'
import { soundsAccepted } from '@/files/soundFiles'
import Picker from '@/parts/Picker.vue'
import { secondsText } from '@/parts/decibels'

/** Where recordings of the test are dropped, and which channel each is taken for. */
const props = defineProps<{
  plan?: Schemas['TestPlanView'] | undefined
  recordings: Schemas['PlacedView'][]
  /** What is being done, in words. */
  doing?: string | undefined
  progress: number
}>()
const emit = defineEmits<{ bring: [files: File[]]; say: [recording: number, channel: string | null] }>()

const none = ''
const file = useTemplateRef('file')
const zone = useTemplateRef('zone')
const { isOverDropZone } = useDropZone(zone, { onDrop: (files) => files && emit('bring', files) })

const choices = computed(() => [
  { value: none, text: 'none of the channels' },
  ...(props.plan?.channels.map((c) => ({ value: c.id, text: c.name })) ?? []),
  // On some channels nothing is heard, and they are recorded all the same.
  ...props.recordings
    .filter((r) => r.channel !== null && !props.plan?.channels.some((c) => c.id === r.channel))
    .map((r) => ({ value: r.channel!, text: r.channelName! })),
])
const nameOf = (id: string) => props.plan?.channels.find((c) => c.id === id)?.name ?? id
const how = (r: Schemas['PlacedView']) =>
  ({
    word: 'as you said',
    name: 'by its name',
    content: 'by its sound',
    nothing: r.likely.length ? `may be ${(r.likely as string[]).map(nameOf).join(' or ')}` : 'not known',
  })[r.by]

function chosen() {
  emit('bring', [...(file.value?.files ?? [])])
  if (file.value) file.value.value = ''
}
</script>

<template>
  <div ref="zone" class="zone" :class="{ over: isOverDropZone }">
    <button type="button" class="plain" :disabled="doing !== undefined" @click="file?.click()">
      {{ recordings.length ? 'Bring more files…' : 'Choose files…' }}
    </button>
    <span class="quiet">or drop them here: WAVE, AIFF or FLAC, one a channel</span>
    <input
      ref="file"
      type="file"
      multiple
      :accept="soundsAccepted"
      hidden
      aria-label="Recordings of the test"
      @change="chosen"
    />
  </div>
  <p v-if="doing" class="doing">
    <progress max="1" :value="progress" :aria-label="doing" /> <span class="quiet">{{ doing }}</span>
  </p>
  <ul v-if="recordings.length" aria-label="Recordings">
    <li v-for="r in recordings" :key="r.place">
      <span class="file" :title="r.name">{{ r.name }}</span>
      <small class="quiet">{{ secondsText(r.seconds) }} · {{ r.sampleRateHz / 1000 }} kHz</small>
      <Picker
        :label="`What ${r.name} is`"
        :choices="choices"
        :value="r.channel ?? (r.by === 'word' ? none : null)"
        empty="Which channel?"
        @choose="(c) => emit('say', r.place, c === none ? null : c)"
      />
      <small :class="r.by === 'nothing' ? 'lacks' : 'quiet'">{{ how(r) }}</small>
    </li>
  </ul>
</template>

<style scoped>
.zone {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 10px;
  align-items: center;
  padding: 10px;
  border: 1px dashed var(--line);
  border-radius: 6px;
}

.over {
  border-color: var(--lamp);
}

.doing {
  display: grid;
  gap: 4px;
  margin-top: 8px;
}

progress {
  width: 100%;
  height: 5px;
}

ul {
  margin: 10px 0 0;
  padding: 0;
  list-style: none;
}

li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 152px;
  gap: 0 10px;
  align-items: center;
  padding: 5px 0;
  border-top: 1px solid var(--line-soft);
}

.file {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

/* The picker stands on the right of both lines. */
li :deep(.picker) {
  grid-column: 2;
  grid-row: 1 / span 2;
}

li small {
  grid-column: 1;
  font-size: 11.5px;
}

li small:last-child {
  grid-column: 2;
}

.lacks {
  color: var(--plum);
}
</style>
