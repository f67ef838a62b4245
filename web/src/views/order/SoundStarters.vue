<script setup lang="ts">
import { onMounted, ref, useTemplateRef } from 'vue'
import { sentenceOf } from '@/api/client'
import type { AudioStarter, Channel, Media } from '@/api/types'
import { sendSound, soundsAccepted } from '@/files/soundFiles'
import Icon from '@/parts/Icon.vue'
import ValueField from '@/parts/ValueField.vue'
import { useCatalogue } from '@/state/catalogue'
import { useDocument } from '@/state/document'
import { lengthOf, useSounds } from '@/state/sounds'
import LoopFitLine from './LoopFitLine.vue'

/** Uploaded sound that waits on an audio or direct channel: loops, one-shots, references. */
const props = defineProps<{ channel: Channel }>()
const document = useDocument()
const catalogue = useCatalogue()
const file = useTemplateRef('file')
const over = ref(false)
const trouble = ref<string>()
const shelf = useSounds()

onMounted(shelf.look)

function put(starter: AudioStarter) {
  return document.edit([{ type: 'put-starter', channel: props.channel.id, starter }], props.channel.id)
}

/** Under the sound's own title, or with a number where that is taken. */
async function lay(sound: Media) {
  const taken = (name: string) => props.channel.starters.some((s) => s.name === name)
  let name = sound.title
  for (let n = 2; taken(name); n++) name = `${sound.title.slice(0, 74)} ${n}`
  await put({ name, sound, loops: catalogue.can(props.channel.kind).feedsASum ?? false, level: 0, sections: [] })
}

async function bring(files: FileList | null | undefined) {
  over.value = false
  const chosen = files?.[0]
  if (!chosen) return
  trouble.value = undefined
  try {
    const title = encodeURIComponent(chosen.name.replace(/\.\w+$/, ''))
    const sound = await sendSound<Media>(`/api/media?title=${title}`, chosen)
    shelf.add(sound)
    await lay(sound)
  } catch (error) {
    trouble.value = sentenceOf(error)
  }
}

function fromShelf(event: Event) {
  const list = event.target as HTMLSelectElement
  const sound = shelf.sounds.find((m) => m.content === list.value)
  list.value = ''
  if (sound) void lay(sound)
}

function remove(name: string) {
  void document.edit([{ type: 'remove-starter', channel: props.channel.id, name }], props.channel.id)
}
</script>

<template>
  <section
    :class="{ over }"
    @dragover.prevent="over = true"
    @dragleave="over = false"
    @drop.prevent="bring($event.dataTransfer?.files)"
  >
    <h3>
      Sounds
      <button type="button" class="plain bare small" @click="file?.click()">
        <Icon name="file" :size="13" /> Sound file
      </button>
    </h3>
    <input
      ref="file"
      type="file"
      :accept="soundsAccepted"
      hidden
      aria-label="A sound: WAVE, AIFF or FLAC"
      @change="bring(($event.target as HTMLInputElement).files)"
    />
    <div v-for="s in channel.starters" :key="s.name">
      <div class="line">
        <span class="to" :title="s.name">{{ s.name }}</span>
        <span class="faint">{{ lengthOf(s.sound) }}</span>
        <span v-if="s.through" class="faint" title="Once, over the ends of sections">through</span>
        <button
          v-else
          type="button"
          class="plain bare"
          :class="{ on: s.loops }"
          :aria-pressed="s.loops"
          :title="
            s.loops ? 'Plays again and again; press to have it once' : 'Plays once in each section; press to loop it'
          "
          @click="put({ ...s, loops: !s.loops })"
        >
          Loop
        </button>
        <ValueField
          :label="`Level of ${s.name}`"
          form="level"
          unit="dB"
          :value="s.level"
          :min="-60"
          :max="6"
          :step="0.5"
          @change="put({ ...s, level: $event })"
        />
        <button type="button" class="plain bare" :aria-label="`Remove ${s.name}`" @click="remove(s.name)">
          <Icon name="close" :size="13" />
        </button>
      </div>
      <LoopFitLine v-if="s.loops" :starter="s" @change="put" />
    </div>
    <p v-if="channel.starters.length === 0" class="faint">
      Drop a WAVE, AIFF or FLAC file here: a loop, a one-shot, a reference.
    </p>
    <select v-if="shelf.sounds.length" class="field" aria-label="Take a sound from the shelf" @change="fromShelf">
      <option value="">a sound that is here already…</option>
      <option v-for="m in shelf.sounds" :key="m.content" :value="m.content">{{ m.title }}, {{ lengthOf(m) }}</option>
    </select>
    <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
  </section>
</template>

<style scoped>
.over {
  outline: 2px dashed var(--lamp);
  outline-offset: 4px;
  border-radius: 4px;
}

.line {
  display: flex;
  align-items: baseline;
  gap: 6px;
}

.to {
  flex: 1;
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.small {
  font: 400 12px var(--sans);
}

.field {
  width: 100%;
  margin-top: 4px;
  padding-block: 3px;
}

p {
  margin: 2px 0 0;
}

.trouble {
  color: var(--blocker);
}
</style>
