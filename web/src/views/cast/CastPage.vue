<script setup lang="ts">
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import type { CastCompletion, CastMark } from '@/api/types'

/** The page on which a list is typed: what is not understood is lit, and what may follow is offered. */
const text = defineModel<string>({ required: true })
const props = defineProps<{ marks: readonly CastMark[]; completions: readonly CastCompletion[] }>()
const emit = defineEmits<{ caret: [at: { line: number; column: number }]; set: [] }>()
const page = useTemplateRef<HTMLTextAreaElement>('page')
const behind = useTemplateRef<HTMLElement>('behind')
const chosen = ref(0)
const offering = ref(false)
const offered = computed(() => (offering.value ? props.completions : []))
watch(
  () => props.completions,
  () => (chosen.value = 0),
)

/** Each line in pieces, lit or not. */
const lines = computed(() =>
  text.value.split('\n').map((line, number) => {
    const lit = props.marks.filter((m) => m.at.line === number).sort((a, b) => a.at.start - b.at.start)
    const pieces: { text: string; lit: boolean }[] = []
    let from = 0
    for (const { at } of lit) {
      if (at.start < from) continue
      pieces.push({ text: line.slice(from, at.start), lit: false })
      pieces.push({ text: line.slice(at.start, at.start + at.length), lit: true })
      from = at.start + at.length
    }
    return [...pieces, { text: line.slice(from), lit: false }]
  }),
)

function tell() {
  const field = page.value
  if (!field) return
  const before = field.value.slice(0, field.selectionStart).split('\n')
  emit('caret', { line: before.length - 1, column: before.at(-1)!.length })
}

function typed() {
  offering.value = true
  tell()
}

function scrolled() {
  if (behind.value && page.value) behind.value.scrollTop = page.value.scrollTop
}

/** Written as if it had been typed, so that the page's own undo knows it. */
function write(written: string, replaces = 0) {
  const field = page.value!
  const at = field.selectionStart
  field.setRangeText(written, at - replaces, field.selectionEnd, 'end')
  text.value = field.value
  void nextTick(tell)
}

function take(completion: CastCompletion) {
  write(completion.text, completion.replaces)
  page.value?.focus()
  offering.value = completion.text.endsWith(' ')
}

function onKey(event: KeyboardEvent) {
  event.stopPropagation()
  if (event.key === 'Enter' && (event.ctrlKey || event.metaKey)) emit('set')
  else if (offered.value.length && event.key === 'Tab' && !event.shiftKey) take(offered.value[chosen.value]!)
  else if (offered.value.length && event.key === 'Escape') offering.value = false
  else if (offered.value.length && (event.key === 'ArrowDown' || event.key === 'ArrowUp') && event.altKey)
    chosen.value = (chosen.value + (event.key === 'ArrowDown' ? 1 : offered.value.length - 1)) % offered.value.length
  else if (event.key === 'Enter') {
    // A line begins where the one above it does.
    const indent = /^[ \t]*/.exec(text.value.slice(0, page.value!.selectionStart).split('\n').at(-1)!)![0]
    write(`\n${indent}`)
  } else return
  event.preventDefault()
}

defineExpose({ focus: () => page.value?.focus() })
</script>

<template>
  <div class="sheet">
    <div class="page">
      <div ref="behind" class="behind" aria-hidden="true">
        <div v-for="(pieces, n) in lines" :key="n" class="line">
          <span class="number">{{ n + 1 }}</span><template v-for="(piece, i) in pieces" :key="i"
            ><mark v-if="piece.lit">{{ piece.text }}</mark
            ><template v-else>{{ piece.text }}</template></template
          >&#8203;
        </div>
      </div>
      <textarea
        ref="page"
        v-model="text"
        spellcheck="false"
        autocomplete="off"
        autocapitalize="off"
        aria-label="Cast list"
        aria-describedby="cast-help"
        @input="typed"
        @keydown="onKey"
        @keyup="tell"
        @click="tell"
        @scroll="scrolled"
        @blur="offering = false"
      ></textarea>
    </div>
    <ul v-if="offered.length" class="offered" role="listbox" aria-label="It may go on with">
      <li
        v-for="(completion, i) in offered"
        :key="completion.text"
        role="option"
        :aria-selected="i === chosen"
        :class="{ on: i === chosen }"
        @mousedown.prevent="take(completion)"
      >
        {{ completion.text }}
      </li>
    </ul>
    <p id="cast-help" class="faint help">
      <template v-if="offered.length">Tab takes the lit one, Alt with arrows goes to others.</template>
      <template v-else>Ctrl and Enter set the stage.</template>
    </p>
  </div>
</template>

<style scoped>
.sheet {
  display: flex;
  flex-direction: column;
  flex: 1;
  min-height: 0;
}

.short {
  flex: none;
}

.short .page {
  flex: none;
  min-height: 60px;
}

.page {
  position: relative;
  flex: 1;
  min-height: 180px;
}

.behind,
textarea {
  position: absolute;
  inset: 0;
  margin: 0;
  padding: 4px 8px 4px 34px;
  border: 0;
  overflow: auto;
  font: 400 14px/24px var(--sans);
  white-space: pre-wrap;
  overflow-wrap: break-word;
  tab-size: 4;
}

.behind {
  color: transparent;
  pointer-events: none;
  scrollbar-color: transparent transparent;
}

.line {
  position: relative;
}

.number {
  position: absolute;
  left: -34px;
  width: 22px;
  text-align: right;
  font-size: 12px;
  color: var(--text-3);
}

mark {
  color: transparent;
  background: none;
  border-bottom: 2px solid var(--blocker);
}

textarea {
  width: 100%;
  height: 100%;
  resize: none;
  background: none;
  color: var(--text);
  outline: 1px solid var(--line);
}

.offered {
  list-style: none;
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin: 6px 0 0;
  padding: 0;
}

.offered li {
  padding: 2px 8px;
  border: 1px solid var(--line);
  border-radius: 6px;
  color: var(--text-2);
  cursor: pointer;
}

.offered .on {
  color: var(--lamp);
  border-color: var(--lamp);
}

.help {
  margin: 6px 0 0;
}
</style>
