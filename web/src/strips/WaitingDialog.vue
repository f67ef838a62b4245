<script setup lang="ts">
import Dialog from 'primevue/dialog'
import { computed, ref } from 'vue'
import { cameTo, waitingIn } from './stripCalls'
import { sentenceOf } from '@/api/client'
import type { WaitingInsert } from '@/api/types'
import { choiceOf, keyChoices, keyFromChoice } from '@/parts/keys'
import { useCatalogue } from '@/state/catalogue'
import { useDocument } from '@/state/document'
import { useReading } from '@/state/useReading'

/** Everything that waits, and the word that it has come. */
const open = defineModel<boolean>('open', { required: true })
const document = useDocument()
const catalogue = useCatalogue()
const { answer: waiting, trouble: unread } = useReading({ when: () => open.value, ask: waitingIn })
const trouble = ref<string>()

const forKey = computed(() => (waiting.value ?? []).filter((w) => w.what === 'song-key'))
const forPeople = computed(() => (waiting.value ?? []).filter((w) => w.what !== 'song-key'))
const key = computed(() => choiceOf(document.head?.key))
const whom = (w: WaitingInsert) => w.note || (w.what === 'person' ? 'a person' : 'something')

async function came(choice: string, ready: WaitingInsert[]) {
  if (!document.head) return
  trouble.value = undefined
  try {
    const { edits } = await cameTo(document.head.id, keyFromChoice(choice), ready)
    if (edits.length) await document.edit(edits)
  } catch (error) {
    trouble.value = sentenceOf(error)
  }
}

function go(w: WaitingInsert) {
  open.value = false
  document.choose(w.channel)
}
</script>

<template>
  <Dialog v-model:visible="open" modal header="What waits" :style="{ width: '480px' }" :draggable="false">
    <p v-if="trouble ?? unread" class="trouble" role="alert">{{ trouble ?? unread }}</p>
    <p v-if="!waiting?.length" class="quiet">Nothing waits.</p>
    <section v-if="forKey.length">
      <h3>
        For the song’s key
        <select
          class="field"
          aria-label="The song’s key"
          :value="key"
          @change="came(($event.target as HTMLSelectElement).value, [])"
        >
          <option value="">waits</option>
          <option v-for="choice in keyChoices(catalogue.known.keys)" :key="choice.value" :value="choice.value">
            {{ choice.text }}
          </option>
        </select>
      </h3>
      <p class="quiet">
        {{
          key
            ? 'There is a key, so they work; where they are too late to sing through they are parked.'
            : 'They are idle until there is a key.'
        }}
      </p>
      <ul>
        <li v-for="w in forKey" :key="w.channel + w.insert">
          <button type="button" class="plain bare" @click="go(w)">{{ w.title }} on {{ w.name }}</button>
        </li>
      </ul>
    </section>
    <section v-if="forPeople.length">
      <h3>For somebody’s word</h3>
      <ul>
        <li v-for="w in forPeople" :key="w.channel + w.insert">
          <button type="button" class="plain bare" @click="go(w)">{{ w.title }} on {{ w.name }}</button>
          <span class="quiet">waits for {{ whom(w) }}</span>
          <span class="gap" />
          <button
            type="button"
            class="plain"
            :aria-label="`It is ready: ${w.title} on ${w.name}`"
            @click="came(key, [w])"
          >
            It is ready
          </button>
        </li>
      </ul>
    </section>
  </Dialog>
</template>

<style scoped>
h3 {
  display: flex;
  align-items: center;
  gap: 10px;
  margin-top: 8px;
}

ul {
  list-style: none;
  margin: 0;
  padding: 0;
}

li {
  display: flex;
  align-items: center;
  gap: 8px;
  padding: 3px 0;
}

.gap {
  flex: 1;
}

.trouble {
  color: var(--blocker);
}
</style>
