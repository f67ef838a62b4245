<script setup lang="ts">
import { computed, onScopeDispose, ref, watch } from 'vue'
import ReturnPanel from './ReturnPanel.vue'
import SendGrid from './SendGrid.vue'
import { loopsOf, returnsOf } from './returnsCalls'
import { alone } from './sendEdits'
import { sendsHelp } from './sendsKeymap'
import { sentenceOf } from '@/api/client'
import type { DocumentKind, Returns } from '@/api/types'
import { documentShortcuts, useKeymap } from '@/parts/keymap'
import ShortcutsDialog from '@/parts/ShortcutsDialog.vue'
import { useDocument } from '@/state/document'
import { useListening } from '@/state/listening'
import { useReading } from '@/state/useReading'
import { useShown } from '@/state/useShown'
import DocumentTitle from '@/views/order/DocumentTitle.vue'

/** Who sends to which return, and what each return makes of it. */
const props = defineProps<{ kind: DocumentKind; id: string }>()
const document = useDocument()
const listening = useListening()
const returns = ref<Returns>()
const trouble = ref<string>()
const explaining = ref(false)
const withBuses = ref(false)
const cell = ref<{ channel: string; target: string }>()
useShown(props)
useKeymap(documentShortcuts, {
  undo: document.undo,
  redo: document.redo,
  play: listening.play,
  explain: () => (explaining.value = true),
})

const onStage = computed(() =>
  document.ordered.filter((r) => (r.channel.stages[document.act] ?? 'on-stage') !== 'in-the-wings'),
)
const channels = computed(() => onStage.value.filter((r) => document.can(r).sends))
const sentTo = computed(() => new Set(document.ordered.flatMap((r) => r.channel.sends.map((s) => s.to as string))))
const targets = computed(() =>
  onStage.value.filter(
    (r) =>
      document.can(r).takesSends && (r.channel.kind === 'return' || withBuses.value || sentTo.value.has(r.channel.id)),
  ),
)

/** What shapes the returns; who sends to them does not. */
const shaping = computed(() =>
  JSON.stringify([
    document.head?.id,
    document.act,
    listening.section,
    document.head?.key,
    document.head?.timeline,
    ...document.returns.map((r) => [
      r.channel.id,
      r.channel.name,
      r.channel.format,
      r.channel.inserts,
      r.channel.stages,
    ]),
  ]),
)
watch(
  shaping,
  async (asked) => {
    if (document.head?.id !== props.id) return
    try {
      const found = await returnsOf(props.id, document.act, listening.section ?? null)
      if (asked === shaping.value) returns.value = found
      trouble.value = undefined
    } catch (error) {
      trouble.value = sentenceOf(error)
    }
  },
  { immediate: true },
)

/** Without them a send that would come back to itself is refused, with the loop that it closes. */
const { answer: loops } = useReading({ when: () => document.head?.id === props.id, ask: loopsOf })
const shown = computed(
  () => returns.value?.returns.find((r) => r.channel === cell.value?.target) ?? returns.value?.returns[0],
)

const nameOf = (id: string) => document.rows.get(id)?.channel.name ?? id
const chosenSend = computed(() => {
  const { channel, target } = cell.value ?? {}
  return document.rows.get(channel ?? '')?.channel.sends.find((s) => s.to === target)
})

async function hearAlone(channel: string, target: string) {
  listening.listenTo(target)
  listening.trying = { name: `${channel} alone to ${target}`, edits: alone(document.rows, channel, target) }
  heard.value = `${nameOf(channel)} alone, in ${nameOf(target)}`
  if (!listening.playing) await listening.play()
}
const heard = ref<string>()

function hearAll() {
  heard.value = undefined
  listening.trying = undefined
}
onScopeDispose(hearAll)
watch(
  () => listening.trying,
  (trying) => (heard.value = trying ? heard.value : undefined),
)
</script>

<template>
  <DocumentTitle />
  <main v-if="document.head?.id === id" class="sided">
    <section class="plan" aria-label="Who sends where">
      <div class="head">
        <h2>Sends</h2>
        <button
          v-if="cell && chosenSend"
          type="button"
          class="plain"
          title="Everything else that is sent there is closed while you listen"
          @click="hearAlone(cell.channel, cell.target)"
        >
          Hear {{ nameOf(cell.channel) }} in {{ nameOf(cell.target) }} alone
        </button>
        <span v-if="heard" role="status" class="quiet"
          >You hear {{ heard }}. <button type="button" class="plain bare" @click="hearAll">All again</button></span
        >
        <span class="gap" />
        <label class="quiet"><input v-model="withBuses" type="checkbox" /> every bus</label>
        <button type="button" class="plain bare" title="Shortcuts" aria-label="Shortcuts" @click="explaining = true">
          ?
        </button>
      </div>
      <p v-if="trouble ?? document.refusal?.sentence" class="trouble" role="alert">
        {{ trouble ?? document.refusal?.sentence }}
      </p>
      <p v-if="targets.length === 0" class="empty quiet">
        There is no return yet. Add one in the running order: a hall, a plate, an echo; whoever shall be heard in it
        sends to it from here.
      </p>
      <SendGrid
        v-else
        :channels="channels"
        :targets="targets"
        :loops="loops ?? new Map()"
        @chosen="(channel, target) => (cell = { channel, target })"
        @alone="hearAlone"
      />
    </section>
    <aside class="side" aria-label="The chosen return">
      <ReturnPanel v-if="returns && shown" :shown="shown" :returns="returns" />
    </aside>
  </main>
  <p v-else-if="document.missing" class="nothing">
    There is no such {{ kind }}. <RouterLink to="/">Back to the library</RouterLink>
  </p>
  <p v-else class="nothing faint">Opening…</p>
  <ShortcutsDialog v-model:open="explaining" place="the sends" :shortcuts="sendsHelp" />
</template>

<style scoped src="@/parts/sidedPage.css"></style>
<style scoped>
.plan {
  display: flex;
  flex-direction: column;
  min-height: 0;
}

.head {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 14px;
  padding: 12px 18px 4px;
}

h2 {
  font-size: 19px;
  margin: 0;
}

.side {
  padding-top: 14px;
}

.trouble {
  margin: 0 18px 6px;
  color: var(--blocker);
}

.empty {
  max-width: 56ch;
  padding: 20px 18px;
}
</style>
