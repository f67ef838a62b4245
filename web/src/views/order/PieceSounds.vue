<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { Channel } from '@/api/types'
import Icon from '@/parts/Icon.vue'
import { useDocument } from '@/state/document'
import { usePads } from '@/state/pads'
import { lengthOf, useSounds } from '@/state/sounds'

/** What each piece of a kit sounds like: the stand-in's own voice, or a sound from the shelf. */
const props = defineProps<{ channel: Channel }>()
const document = useDocument()
const pads = usePads()
const shelf = useSounds()
const open = ref(false)

const source = computed(() => (props.channel.source?.type === 'instrument' ? props.channel.source : undefined))
const pieces = computed(() => source.value?.kit?.pieces ?? [])
// A kit's file brings sounds of its own: what is asked for and not known yet may be on the shelf by now.
watch(
  () => pieces.value.map((p) => p.sample?.content).join(),
  () => void shelf.look(),
  { immediate: true },
)
const own = computed(() => pieces.value.filter((p) => p.sample).length)

function put(piece: string, content: string) {
  const sound = shelf.sounds.find((m) => m.content === content) ?? null
  void document.edit([{ type: 'set-piece-sound', channel: props.channel.id, piece, sound }], props.channel.id)
}

/** Also what is not on this machine's shelf, so that the list says what the template asks for. */
function choices(piece: (typeof pieces.value)[number]) {
  const here = shelf.sounds.map((m) => ({ content: m.content, text: `${m.title}, ${lengthOf(m)}` }))
  const asked = piece.sample
  return asked && !shelf.sounds.some((m) => m.content === asked.content)
    ? [{ content: asked.content, text: `${asked.title} (not here)` }, ...here]
    : here
}
</script>

<template>
  <section>
    <h3>
      <button type="button" class="head" :aria-expanded="open" @click="open = !open">
        <Icon :name="open ? 'fold' : 'unfold'" :size="13" />Sounds of the pieces
        <span class="about">{{
          own ? `${own} of ${pieces.length} from the shelf` : `${pieces.length} stand-in voices`
        }}</span>
      </button>
    </h3>
    <template v-if="open">
      <div v-for="piece in pieces" :key="piece.note" class="line">
        <button type="button" class="plain bare name" :title="`Hear ${piece.name}`" @click="pads.press(piece.note)">
          {{ piece.name }}
        </button>
        <select
          class="field"
          :aria-label="`Sound of ${piece.name}`"
          :value="piece.sample?.content ?? ''"
          @change="put(piece.name, ($event.target as HTMLSelectElement).value)"
        >
          <option value="">its own voice</option>
          <option v-for="c in choices(piece)" :key="c.content" :value="c.content">{{ c.text }}</option>
        </select>
      </div>
      <p v-if="shelf.sounds.length === 0" class="faint">
        The shelf is empty: keep a sound from the listening bar, or drop a sound file (WAVE, AIFF) on an audio channel.
      </p>
    </template>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  align-items: baseline;
  gap: 6px;
  width: 100%;
  padding: 0;
  border: 0;
  background: none;
  font: inherit;
  text-align: left;
  cursor: pointer;
}

.about {
  flex: 1;
  font: 400 12px var(--sans);
  color: var(--text-3);
  text-align: right;
}

.line {
  display: flex;
  align-items: center;
  gap: 6px;
}

.name {
  width: 120px;
  text-align: left;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.field {
  flex: 1;
  min-width: 0;
  padding-block: 2px;
}
</style>
