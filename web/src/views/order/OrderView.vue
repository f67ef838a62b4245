<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import AddChannelDialog from './AddChannelDialog.vue'
import DocumentTitle from './DocumentTitle.vue'
import OrderTree from './OrderTree.vue'
import ShortcutsDialog from './ShortcutsDialog.vue'
import SidePanel from './SidePanel.vue'
import type { DocumentKind } from '@/api/types'
import Icon from '@/parts/Icon.vue'
import { useDocument } from '@/state/document'
import { useListening } from '@/state/listening'

const props = defineProps<{ kind: DocumentKind; id: string }>()
const document = useDocument()
const listening = useListening()
const adding = ref(false)
const explaining = ref(false)
const search = ref('')
const everything = ref(false)

watch(
  () => [props.kind, props.id] as const,
  ([kind, id]) => void document.open(kind, id),
  { immediate: true },
)
useEventListener(window, 'keydown', onKey)

const states = computed(() => {
  const count = { 'on-stage': 0, 'behind-the-curtain': 0, 'in-the-wings': 0 }
  for (const row of document.ordered) count[row.channel.stages[document.act] ?? 'on-stage']++
  return count
})

function onKey(event: KeyboardEvent) {
  const target = event.target as HTMLElement
  if (/^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName) || window.document.querySelector('[role=dialog]')) return
  if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z') {
    event.preventDefault()
    void (event.shiftKey ? document.redo() : document.undo())
  } else if (event.key === ' ' && target.tagName !== 'BUTTON') {
    event.preventDefault()
    void listening.play()
  } else if (event.key === '?') {
    explaining.value = true
  } else if (event.key === 'n' && !event.ctrlKey && !event.metaKey && !event.altKey) {
    event.preventDefault()
    adding.value = true
  }
}
</script>

<template>
  <DocumentTitle />
  <main class="order">
    <section class="channels" aria-label="Channels">
      <div class="tools">
        <input
          v-model="search"
          class="field find"
          type="search"
          placeholder="Find a channel"
          aria-label="Find a channel"
        />
        <button type="button" class="plain add" @click="adding = true">
          <Icon name="plus" :size="14" /> Add a channel
        </button>
        <button type="button" class="plain bare" title="Shortcuts" aria-label="Shortcuts" @click="explaining = true">
          ?
        </button>
        <span class="gap" />
        <span class="quiet">{{ states['on-stage'] }} on stage</span>
        <span v-if="states['behind-the-curtain']" class="quiet"
          >{{ states['behind-the-curtain'] }} behind the curtain</span
        >
        <span v-if="states['in-the-wings']" class="wings">{{ states['in-the-wings'] }} in the wings</span>
        <button
          type="button"
          class="plain bare"
          :aria-pressed="everything"
          :class="{ on: everything }"
          @click="everything = !everything"
        >
          Show all
        </button>
      </div>
      <p v-if="document.refusal && !document.refusal.channel" class="trouble" role="alert">
        {{ document.refusal.sentence }}
        <button type="button" class="plain bare" @click="document.refusal = undefined">Close</button>
      </p>
      <p v-if="document.missing" class="nothing">
        There is no such {{ kind }}. <RouterLink to="/">Back to the library</RouterLink>
      </p>
      <OrderTree v-else-if="document.head?.id === id" :search="search" :everything="everything" />
      <p v-else class="nothing faint">Opening…</p>
    </section>
    <SidePanel v-if="document.head?.id === id" />
  </main>
  <AddChannelDialog v-model:open="adding" />
  <ShortcutsDialog v-model:open="explaining" />
</template>

<style scoped>
.order {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 318px;
  min-height: 0;
}

.channels {
  display: flex;
  flex-direction: column;
  min-height: 0;
}

.tools {
  display: flex;
  align-items: center;
  gap: 10px;
  padding: 9px 18px 7px;
}

.find {
  width: 200px;
}

.add {
  display: inline-flex;
  align-items: center;
  gap: 5px;
}

.gap {
  flex: 1;
}

.wings {
  color: var(--plum);
}

.trouble {
  margin: 0 18px 8px;
  color: var(--blocker);
}

.nothing {
  padding: 20px 18px;
}

@media (max-width: 900px) {
  .order {
    grid-template-columns: minmax(0, 1fr);
    overflow: auto;
  }

  .tools {
    flex-wrap: wrap;
  }
}
</style>
