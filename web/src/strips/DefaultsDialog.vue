<script setup lang="ts">
import Dialog from 'primevue/dialog'
import { ref } from 'vue'
import { changeOf, defaultsOf } from './stripCalls'
import { sentenceOf } from '@/api/client'
import type { DefaultStripView, StripScope } from '@/api/types'
import { useDocument } from '@/state/document'
import { useReading } from '@/state/useReading'

/** What new channels of each sort come with in this template. */
const open = defineModel<boolean>('open', { required: true })
const document = useDocument()
const { answer: defaults, trouble: unread } = useReading({ when: () => open.value, ask: defaultsOf })
const trouble = ref<string>()

/** Channels that are there keep what they have. */
async function forget(scope: StripScope) {
  if (!document.head) return
  trouble.value = undefined
  try {
    const change = await changeOf(document.head.id, scope, null)
    await document.edit([change.edit])
  } catch (error) {
    trouble.value = sentenceOf(error)
  }
}

const counted = (view: DefaultStripView) =>
  [view.following && `${view.following} follow`, view.altered.length && `${view.altered.length} altered`]
    .filter(Boolean)
    .join(', ')
</script>

<template>
  <Dialog
    v-model:visible="open"
    modal
    header="What new channels come with"
    :style="{ width: '720px' }"
    :draggable="false"
  >
    <p class="quiet">
      What says most about a channel goes first; what it leaves unsaid is said by the next. To change one, set a channel
      as you want it and make its strip the default.
    </p>
    <p v-if="trouble ?? unread" class="trouble" role="alert">{{ trouble ?? unread }}</p>
    <table v-if="defaults?.length">
      <thead>
        <tr>
          <th scope="col">New</th>
          <th scope="col">come with</th>
          <th scope="col">Here</th>
          <th scope="col"><span class="unseen">Forget it</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="view in defaults" :key="view.words">
          <th scope="row">{{ view.words }}</th>
          <td>
            <div v-for="part in view.comesWith" :key="part">{{ part }}</div>
          </td>
          <td class="quiet">{{ counted(view) }}</td>
          <td>
            <button
              type="button"
              class="plain bare"
              :aria-label="`Forget: the default for ${view.words}`"
              @click="forget(view.scope)"
            >
              Forget
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <p v-else class="faint">No defaults: new channels come with nothing on them.</p>
  </Dialog>
</template>

<style scoped>
table {
  width: 100%;
  border-collapse: collapse;
}

th,
td {
  text-align: left;
  vertical-align: top;
  padding: 6px 12px 6px 0;
  border-top: 1px solid var(--line-soft);
  font-weight: 400;
}

thead th {
  color: var(--text-3);
  border: 0;
}

tbody th {
  width: 200px;
  font-weight: 600;
}

@media (max-width: 700px) {
  thead {
    display: none;
  }

  tr {
    display: grid;
    grid-template-columns: 1fr auto;
    border-top: 1px solid var(--line-soft);
    padding: 6px 0;
  }

  tbody th,
  td {
    width: auto;
    border: 0;
    padding: 2px 0;
  }

  td:nth-child(2) {
    grid-row: 2;
    grid-column: 1 / -1;
  }
}

.trouble {
  color: var(--blocker);
}
</style>
