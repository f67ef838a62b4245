<script setup lang="ts">
import { ref } from 'vue'
import AddChannelDialog from './AddChannelDialog.vue'
import DocumentTitle from './DocumentTitle.vue'
import OrderTree from './OrderTree.vue'
import SidePanel from './SidePanel.vue'
import ToolLine from './ToolLine.vue'
import PutCopiedDialog from './PutCopiedDialog.vue'
import PutPieceDialog from './pieces/PutPieceDialog.vue'
import PrintsDialog from './prints/PrintsDialog.vue'
import { printsAsked } from './prints/printsAsked'
import type { Filter } from './filter'
import { orderHelp, orderShortcuts } from './orderKeymap'
import type { DocumentKind } from '@/api/types'
import ShortcutsDialog from '@/parts/ShortcutsDialog.vue'
import { useKeymap } from '@/parts/keymap'
import { useDocument } from '@/state/document'
import { useListening } from '@/state/listening'
import { useShown } from '@/state/useShown'
import DefaultsDialog from '@/strips/DefaultsDialog.vue'
import LineCheckDialog from '@/linecheck/LineCheckDialog.vue'

const props = defineProps<{ kind: DocumentKind; id: string }>()
const document = useDocument()
const listening = useListening()
const adding = ref(false)
const putting = ref(false)
const checking = ref(false)
const defaulting = ref(false)
const explaining = ref(false)
const search = ref('')
const filter = ref<Filter>('')
const everything = ref(false)
useShown(props)

useKeymap(orderShortcuts, {
  add: () => (adding.value = true),
  piece: () => (putting.value = true),
  undo: document.undo,
  redo: document.redo,
  play: listening.play,
  explain: () => (explaining.value = true),
})
</script>

<template>
  <DocumentTitle />
  <main class="order">
    <section class="channels" aria-label="Channels">
      <ToolLine
        v-model:search="search"
        v-model:filter="filter"
        v-model:everything="everything"
        @add="adding = true"
        @piece="putting = true"
        @check="checking = true"
        @prints="printsAsked = []"
        @defaults="defaulting = true"
        @explain="explaining = true"
      />
      <p v-if="document.refusal && !document.refusal.channel" class="trouble" role="alert">
        {{ document.refusal.sentence }}
        <button type="button" class="plain bare" @click="document.refusal = undefined">Close</button>
      </p>
      <p v-if="document.missing" class="nothing">
        There is no such {{ kind }}. <RouterLink to="/">Back to the library</RouterLink>
      </p>
      <OrderTree v-else-if="document.head?.id === id" :search="search" :filter="filter" :everything="everything" />
      <p v-else class="nothing faint">Opening…</p>
    </section>
    <SidePanel v-if="document.head?.id === id" />
  </main>
  <AddChannelDialog v-model:open="adding" />
  <PutPieceDialog v-model:open="putting" />
  <PutCopiedDialog />
  <PrintsDialog />
  <DefaultsDialog v-model:open="defaulting" />
  <LineCheckDialog v-model:open="checking" />
  <ShortcutsDialog v-model:open="explaining" place="the running order" :shortcuts="orderHelp" />
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

  .channels {
    height: 62vh;
  }
}
</style>
