<script setup lang="ts">
import Dialog from 'primevue/dialog'
import { ref, watch } from 'vue'
import { sentenceOf } from '@/api/client'
import type { LogEntry } from '@/api/types'
import { useDocument } from '@/state/document'
import { differenceOf, nameRevision, revisionsOf } from '@/state/documentCalls'

/** What was done, in words; two states compared; the way back to one. */
const open = defineModel<boolean>('open', { required: true })
const document = useDocument()
const entries = ref<LogEntry[]>([])
const whole = ref(false)
const compared = ref<{ from: number; to: number; words: string[] }>()
const naming = ref<number>()
const trouble = ref<string>()
const ways = { edit: '', undo: 'Taken back: ', redo: 'Done again: ', origin: '' }

async function attempt(work: () => Promise<unknown>) {
  trouble.value = undefined
  try {
    await work()
  } catch (error) {
    trouble.value = sentenceOf(error)
  }
}

function more(fresh: boolean) {
  const { head } = document
  if (!head) return
  return attempt(async () => {
    const next = await revisionsOf(head.id, fresh ? undefined : entries.value.at(-1)?.number)
    entries.value = fresh ? next : [...entries.value, ...next]
    whole.value = next.some((e) => e.number === 0)
  })
}

function compare(entry: LogEntry) {
  const { head } = document
  if (!head) return
  return attempt(async () => (compared.value = await differenceOf(head.id, entry.number, head.revision)))
}

function name(entry: LogEntry, event: Event) {
  const text = (event.target as HTMLInputElement).value.trim()
  naming.value = undefined
  if (text === (entry.name ?? '')) return
  return attempt(async () => {
    await nameRevision(document.head!.id, entry.number, text || null)
    await more(true)
  })
}

async function back(entry: LogEntry) {
  if (await document.goBack(entry.number)) await more(true)
  else trouble.value = document.refusal?.sentence
  document.refusal = undefined
  compared.value = undefined
}

function when(entry: LogEntry) {
  const at = new Date(entry.atUtc)
  const today = at.toDateString() === new Date().toDateString()
  return at.toLocaleString(
    'en-GB',
    today
      ? { hour: '2-digit', minute: '2-digit' }
      : { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' },
  )
}

watch(open, (now) => {
  compared.value = naming.value = undefined
  if (now) void more(true)
})
</script>

<template>
  <Dialog v-model:visible="open" modal header="History" :style="{ width: '640px' }" :draggable="false">
    <section v-if="compared" class="compared" aria-live="polite">
      <h3>From revision {{ compared.from }} to now</h3>
      <p v-if="compared.words.length === 0" class="quiet">Nothing differs.</p>
      <ul>
        <li v-for="(word, i) in compared.words" :key="i">{{ word }}</li>
      </ul>
      <button type="button" class="plain" @click="compared = undefined">Close the comparison</button>
    </section>
    <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
    <ol>
      <li
        v-for="entry in entries"
        :key="entry.number"
        class="entry"
        :class="{ now: entry.number === document.head?.revision }"
      >
        <span class="number">{{ entry.number }}</span>
        <div class="said">
          <input
            v-if="naming === entry.number"
            class="field"
            maxlength="80"
            :value="entry.name ?? ''"
            :aria-label="`Name of revision ${entry.number}`"
            autofocus
            @keydown.stop
            @keydown.enter="name(entry, $event)"
            @keydown.escape="naming = undefined"
            @blur="naming === entry.number && name(entry, $event)"
          />
          <b v-else-if="entry.name" class="serif">{{ entry.name }}</b>
          <span :title="entry.words.join('\n')"
            >{{ ways[entry.kind] }}{{ entry.words.slice(0, 3).join('; ') || 'an edit'
            }}{{ entry.words.length > 3 ? ` and ${entry.words.length - 3} more` : '' }}</span
          >
        </div>
        <span class="faint">{{ when(entry) }}</span>
        <span class="ways">
          <button type="button" class="plain bare" @click="naming = entry.number">
            {{ entry.name ? 'rename' : 'name' }}
          </button>
          <template v-if="entry.number !== document.head?.revision">
            <button
              type="button"
              class="plain bare"
              :aria-label="`Compare revision ${entry.number} with now`"
              @click="compare(entry)"
            >
              compare
            </button>
            <button
              type="button"
              class="plain bare"
              :aria-label="`Go back to revision ${entry.number}`"
              @click="back(entry)"
            >
              go back
            </button>
          </template>
        </span>
      </li>
    </ol>
    <button v-if="!whole && entries.length" type="button" class="plain" @click="more(false)">Earlier</button>
  </Dialog>
</template>

<style scoped>
ol,
ul {
  list-style: none;
  margin: 0 0 10px;
  padding: 0;
}

.entry {
  display: grid;
  grid-template-columns: 34px minmax(0, 1fr) auto 172px;
  gap: 10px;
  align-items: baseline;
  padding: 5px 0;
  border-bottom: 1px solid var(--line-soft);
}

.number {
  text-align: right;
  color: var(--text-3);
}

.now .number {
  color: var(--lamp);
  font-weight: 650;
}

.said {
  display: grid;
  overflow-wrap: anywhere;
}

.ways {
  display: flex;
  white-space: nowrap;
}

.compared {
  background: var(--raised);
  border-radius: 8px;
  padding: 10px 14px;
  margin-bottom: 12px;
  max-height: 260px;
  overflow: auto;
}

.compared h3 {
  font-size: 15px;
  margin-bottom: 6px;
}

.trouble {
  color: var(--blocker);
}
</style>
