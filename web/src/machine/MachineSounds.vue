<script setup lang="ts">
import { computed, ref, useTemplateRef } from 'vue'
import type { useBroughtSounds } from './useBroughtSounds'
import { chosenFiles, droppedFiles } from '@/files/droppedFiles'
import { counted } from '@/parts/counted'
import { kitsAccepted, kitsSaid } from '@/files/kitFiles'

/** Where a folder of sounds, or the file of a kit, is dropped or chosen, and how far it has come. */
const props = defineProps<{ brought: ReturnType<typeof useBroughtSounds> }>()
const all = defineModel<boolean>('all', { required: true })
const files = useTemplateRef('files')
const folder = useTemplateRef('folder')
const over = ref(false)

const { sounds, kit, refused, sent, toSend, busy } = props.brought

const held = computed(() =>
  [
    kit.value && `${kit.value.name}: ${counted(kit.value.kit.pieces.length, 'piece')}`,
    sounds.value.length && counted(sounds.value.length, 'sound'),
  ]
    .filter(Boolean)
    .join(', '),
)

async function drop(event: DragEvent) {
  over.value = false
  if (event.dataTransfer) await props.brought.bring(await droppedFiles(event.dataTransfer))
}

function choose(event: Event) {
  const field = event.target as HTMLInputElement
  void props.brought.bring(chosenFiles(field.files ?? []))
  field.value = ''
}
</script>

<template>
  <div
    class="sounds"
    :class="{ over }"
    role="group"
    aria-label="Sounds"
    @dragover.prevent="over = true"
    @dragleave="over = false"
    @drop.prevent="drop"
  >
    <div class="line">
      <p v-if="busy" class="quiet" role="status">Reading sound {{ sent + 1 }} of {{ toSend }}</p>
      <p v-else-if="sounds.length || kit" class="quiet" role="status">
        {{ held }}
        <button type="button" class="plain bare" @click="brought.clear()">take out</button>
      </p>
      <p v-else class="faint">Or drop sounds, or a kit’s file</p>
      <button
        type="button"
        class="plain"
        :title="`Sounds (WAVE, AIFF, FLAC), or a kit: ${kitsSaid}`"
        @click="files?.click()"
      >
        Files…
      </button>
      <button type="button" class="plain" @click="folder?.click()">A folder…</button>
    </div>
    <input
      ref="files"
      type="file"
      multiple
      :accept="kitsAccepted"
      hidden
      aria-label="Sound files, or the file of a kit"
      @change="choose"
    />
    <input ref="folder" type="file" webkitdirectory hidden aria-label="A folder of sound files" @change="choose" />
    <label v-if="sounds.length" class="tick"
      ><input v-model="all" type="checkbox" /> Names that say nothing become pads too</label
    >
    <div v-if="refused.length" class="refused" role="alert" tabindex="0" aria-label="Sounds that were not taken">
      <p v-for="line in refused" :key="line">{{ line }}</p>
    </div>
  </div>
</template>

<style scoped>
.sounds {
  display: grid;
  gap: 6px;
  padding: 8px 10px;
  border: 1px dashed var(--line);
  border-radius: 6px;
}

.over {
  border-color: var(--lamp);
}

p {
  margin: 0;
}

.line {
  display: flex;
  align-items: center;
  gap: 8px;
}

.line p {
  flex: 1;
}

.tick {
  display: flex;
  align-items: center;
  gap: 6px;
}

.refused {
  max-height: 80px;
  margin: 0;
  padding: 0;
  overflow: auto;
  color: var(--blocker);
  overflow-wrap: anywhere;
}
</style>
