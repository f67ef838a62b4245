<script setup lang="ts">
import { computed, nextTick, ref, toRef, useTemplateRef } from 'vue'
import { useRouter } from 'vue-router'
import BriefForm from './BriefForm.vue'
import CastPage from './CastPage.vue'
import CastRows from './CastRows.vue'
import { castHelp } from './castKeymap'
import { useCast } from './useCast'
import type { DocumentKind } from '@/api/types'
import { documentShortcuts, useKeymap } from '@/parts/keymap'
import ShortcutsDialog from '@/parts/ShortcutsDialog.vue'
import { useDocument } from '@/state/document'
import { useListening } from '@/state/listening'
import { useShown } from '@/state/useShown'
import DocumentTitle from '@/views/order/DocumentTitle.vue'

/** A page of names on one side, the running order that it makes on the other. */
const props = defineProps<{ kind: DocumentKind; id: string }>()
const document = useDocument()
const listening = useListening()
const router = useRouter()
const explaining = ref(false)
const page = useTemplateRef('page')
const brief = useTemplateRef('brief')
useShown(props)
useKeymap(documentShortcuts, {
  undo: document.undo,
  redo: document.redo,
  play: listening.play,
  explain: () => (explaining.value = true),
})

const { text, caret, example, stage, trouble, setting, sound, untouched, set } = useCast(toRef(props, 'id'))
const orderPath = computed(() => (props.kind === 'song' ? `/songs/${props.id}/order` : `/templates/${props.id}`))
/** An empty page teaches by its example; who wants it begins with it. */
const isEmpty = computed(() => text.value.trim() === '')
const marks = computed(() => stage.value?.marks ?? [])
const counts = computed(() => {
  const fresh = stage.value?.rows.filter((r) => r.state === 'new') ?? []
  const changed = stage.value?.rows.filter((r) => r.state === 'changed').length ?? 0
  const of = (count: number, one: string) => (count === 1 ? `1 ${one}` : `${count} ${one}s`)
  return [
    fresh.length ? `${of(fresh.length, 'channel')} new` : '',
    changed ? `${changed} changed` : '',
    stage.value?.gone.length ? `${of(stage.value.gone.length, 'channel')} going` : '',
  ].filter(Boolean)
})

async function setStage() {
  // Whoever is quick answers and types on before it is shown what comes of it.
  await brief.value?.settled()
  await nextTick()
  if (setting.value || untouched()) return
  if (await set()) await router.push(orderPath.value)
}

/** A list of one's own is not written over by answers. */
const briefing = ref(false)
const briefed = ref('')
const mayBrief = computed(() => isEmpty.value || text.value === briefed.value)

/** What was answered stays while somebody looks at the list. */
const asked = ref(false)

function turn() {
  asked.value = true
  briefing.value = !briefing.value
}

function answer(list: string) {
  text.value = briefed.value = list
  sound.value = true
}

function begin() {
  text.value = example.value
  page.value?.focus()
}
</script>

<template>
  <DocumentTitle />
  <main class="cast">
    <section class="list" aria-labelledby="cast-title">
      <div class="head">
        <h2 id="cast-title">Cast list</h2>
        <span class="quiet">a line is a bus, with what stands under it</span>
        <button type="button" class="plain bare" aria-label="Shortcuts" title="Shortcuts" @click="explaining = true">
          ?
        </button>
      </div>
      <BriefForm v-if="asked" v-show="briefing" ref="brief" @list="answer" />
      <CastPage
        v-show="!briefing"
        ref="page"
        v-model="text"
        :class="{ short: isEmpty }"
        :marks="marks"
        :completions="stage?.completions ?? []"
        @caret="caret = $event"
        @set="setStage"
      />
      <pre v-if="isEmpty && example && !briefing" class="example">{{ example }}</pre>
      <div class="ways">
        <button v-if="isEmpty && example && !briefing" type="button" class="plain" @click="begin">
          Begin with this example
        </button>
        <button v-if="briefing || mayBrief" type="button" class="plain" @click="turn">
          {{ briefing ? 'To the list' : 'Ask me instead' }}
        </button>
      </div>
      <ul v-if="marks.length" class="marks" aria-label="Not understood">
        <li v-for="mark in marks.slice(0, 6)" :key="`${mark.at.line}.${mark.at.start}.${mark.sentence}`">
          Line {{ mark.at.line + 1 }}: {{ mark.sentence }}
        </li>
        <li v-if="marks.length > 6" class="faint">and {{ marks.length - 6 }} more</li>
      </ul>
    </section>
    <section class="becomes" aria-labelledby="becomes-title">
      <div class="head">
        <h2 id="becomes-title">What it becomes</h2>
        <span class="quiet" role="status">{{ counts.join(' · ') || 'nothing new' }}</span>
      </div>
      <div class="rows" tabindex="0" role="region" aria-label="The running order that it makes">
        <CastRows v-if="stage" :rows="stage.rows" :gone="stage.gone" />
        <p v-else-if="!trouble" class="faint">Reading…</p>
        <ul v-if="stage?.left.length" class="left" aria-label="Left as it is">
          <li v-for="sentence in stage.left" :key="sentence">{{ sentence }}</li>
        </ul>
      </div>
      <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
      <div class="ends">
        <button type="button" class="loud" :disabled="setting || counts.length === 0" @click="setStage">
          {{ setting ? 'Setting the stage…' : 'Set the stage' }}
        </button>
        <RouterLink class="plain" :to="orderPath">To the running order</RouterLink>
        <span class="quiet">Duckers are solved when the stage is set. One undo takes all of it back.</span>
      </div>
    </section>
  </main>
  <ShortcutsDialog v-model:open="explaining" place="the cast list" :shortcuts="castHelp" />
</template>

<style scoped>
.cast {
  display: grid;
  grid-template-columns: minmax(320px, 5fr) 8fr;
  min-height: 0;
}

section {
  display: flex;
  flex-direction: column;
  min-height: 0;
  padding: 14px 18px 12px;
}

.becomes {
  border-left: 1px solid var(--line-soft);
  background: var(--panel);
}

.head {
  display: flex;
  align-items: baseline;
  justify-content: space-between;
  gap: 12px;
  margin-bottom: 8px;
}

h2 {
  font-size: 17px;
}

.rows {
  flex: 1;
  overflow: auto;
  min-height: 0;
}

.example {
  margin: 0 0 8px 34px;
  color: var(--text-3);
  font: 400 13px/21px var(--sans);
  white-space: pre-wrap;
}

.ways {
  display: flex;
  gap: 10px;
  padding-top: 8px;
}

.marks,
.left {
  margin: 8px 0 0;
  padding: 8px 0 0 18px;
  border-top: 1px solid var(--line-soft);
  color: var(--text-2);
}

.marks {
  list-style: none;
  padding-left: 0;
}

.trouble {
  color: var(--blocker);
}

.ends {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 12px;
  padding-top: 10px;
}

.ends .plain {
  text-decoration: none;
}

@media (max-width: 900px) {
  .cast {
    grid-template-columns: minmax(0, 1fr);
    overflow: auto;
  }

  .list {
    min-height: 60vh;
  }

  .becomes {
    border-left: 0;
  }
}
</style>
