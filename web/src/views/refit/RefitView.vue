<script setup lang="ts">
import { computed, onMounted, ref, toRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import RefitLoudness from './RefitLoudness.vue'
import RefitTable from './RefitTable.vue'
import { useRefit } from './useRefit'
import { useSumLoudness } from './useSumLoudness'
import { api, asked, sentenceOf } from '@/api/client'
import type { DocumentKind, RefitWish, Summary } from '@/api/types'
import Picker from '@/parts/Picker.vue'
import PlaceHeader from '@/parts/PlaceHeader.vue'
import { useDocument } from '@/state/document'
import { useShown } from '@/state/useShown'

/** An old song or template brought onto a template's buses: proposed line by line, done by one batch. */
const props = defineProps<{ kind: DocumentKind; id: string }>()
const document = useDocument()
const router = useRouter()
const templates = ref<Summary[]>([])
const plan = ref<string>()
const trouble = ref<string>()
useShown(props)

const isHere = computed(() => document.head?.id === props.id)
const revision = computed(() => (isHere.value ? document.head!.revision : undefined))
const { view, wish, trouble: refused, choices, settled, say, place } = useRefit(toRef(props, 'id'), plan, revision)
const loudness = useSumLoudness()
watch(view, loudness.forget)

const plans = computed(() =>
  templates.value.filter((t) => t.id !== props.id).map((t) => ({ value: t.id, text: t.name })),
)
const main = computed(() => document.ordered.find((r) => r.channel.kind === 'main')?.channel)
const counted = computed(() => view.value?.lines.filter((l) => l.kind === 'moves').length ?? 0)
const lost = computed(() => view.value?.lines.filter((l) => l.kind === 'no-place').length ?? 0)

const strips: { value: RefitWish['strips']; text: string }[] = [
  { value: 'where-empty', text: 'where a bus has none' },
  { value: 'all', text: 'in place of what is there' },
  { value: 'none', text: 'none' },
]
const sends: { value: RefitWish['sends']; text: string }[] = [
  { value: 'closed', text: 'in place, closed' },
  { value: 'as-planned', text: 'as the plan has them' },
  { value: 'none', text: 'none' },
]
const home = computed(() => (props.kind === 'song' ? `/songs/${props.id}/order` : `/templates/${props.id}`))

function measure() {
  if (view.value) void loudness.measure(props.id, view.value.act, view.value.edits)
}

async function refit() {
  const proposed = await settled()
  if (!proposed) return
  if (await document.edit(proposed.edits)) await router.push(home.value)
  else trouble.value = document.refusal?.sentence
}

onMounted(async () => {
  try {
    templates.value = await asked(api.GET('/api/templates'))
  } catch (error) {
    trouble.value = sentenceOf(error)
  }
})
</script>

<template>
  <PlaceHeader>
    <h1>Refit</h1>
    <span v-if="isHere" class="quiet">{{ document.head?.name }}</span>
    <span class="gap" />
    <RouterLink class="plain link" :to="home">Back</RouterLink>
    <button v-if="view" type="button" class="loud" :disabled="view.edits.length === 0" @click="refit">
      Bring it onto {{ view.planName }}
    </button>
  </PlaceHeader>
  <div class="sided">
    <main class="work">
      <p v-if="trouble ?? refused" class="trouble" role="alert">{{ trouble ?? refused }}</p>
      <p class="plan">
        <span>Onto the buses of</span>
        <Picker
          label="The template whose buses are the plan"
          :choices="plans"
          :value="plan ?? null"
          empty="Choose a template"
          @choose="(id) => (plan = id)"
        />
        <span v-if="view" class="quiet">
          {{ counted }} move{{ counted === 1 ? 's' : '' }}{{ lost ? `, ${lost} without a place` : '' }} · nothing is
          lost, one undo takes it back
        </span>
      </p>
      <p v-if="!plan" class="quiet nothing">
        Each channel gets the bus that the template has for it, found by name, by what it is for, and by what it fed.
        You see every line before anything is done.
      </p>
      <RefitTable v-if="view" :lines="view.lines" :choices="choices" @place="place" />
    </main>
    <aside v-if="view" class="side" aria-label="How it is done">
      <h2>How</h2>
      <label class="tick">
        <input
          type="checkbox"
          :checked="wish.colours"
          @change="say({ colours: ($event.target as HTMLInputElement).checked })"
        />
        The plan’s colours
      </label>
      <label class="choice">
        <span class="quiet">Its strips on buses</span>
        <Picker
          label="Its strips on buses"
          :choices="strips"
          :value="wish.strips"
          @choose="(s) => say({ strips: s as RefitWish['strips'] })"
        />
      </label>
      <label class="choice">
        <span class="quiet">Its sends</span>
        <Picker
          label="Its sends"
          :choices="sends"
          :value="wish.sends"
          @choose="(s) => say({ sends: s as RefitWish['sends'] })"
        />
      </label>
      <h2>Loudness by bus</h2>
      <p v-if="loudness.trouble.value" class="trouble">{{ loudness.trouble.value }}</p>
      <div v-if="loudness.progress.value !== undefined" class="measuring">
        <progress max="1" :value="loudness.progress.value" aria-label="Measuring" />
        <button type="button" class="plain" @click="loudness.forget()">Cancel</button>
      </div>
      <RefitLoudness
        v-else-if="loudness.before.value && loudness.after.value && main"
        :lines="view.lines"
        :main="main"
        :before="loudness.before.value"
        :after="loudness.after.value"
      />
      <button v-else type="button" class="plain" @click="measure">Render before and after</button>
      <h2>
        What is done <span class="faint">{{ view.words.length }}</span>
      </h2>
      <ul>
        <li v-for="(words, i) in view.words" :key="i" class="quiet">{{ words }}</li>
      </ul>
      <p v-if="view.words.length === 0" class="quiet">Nothing: it stands on these buses already.</p>
    </aside>
  </div>
</template>

<style scoped src="../../parts/sidedPage.css"></style>

<style scoped>
.plan {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 12px;
  align-items: center;
  margin: 0;
}

.plan :deep(.picker) {
  width: 240px;
}

h2 {
  font-size: 16px;
  margin: 18px 0 6px;
}

h2:first-child {
  margin-top: 0;
}

h2 span {
  font: 400 13px var(--sans);
}

.tick {
  display: flex;
  gap: 8px;
  align-items: center;
}

.choice {
  display: grid;
  gap: 3px;
  margin-top: 8px;
}

.measuring {
  display: flex;
  gap: 12px;
  align-items: center;
}

progress {
  height: 5px;
  flex: 1;
}

ul {
  margin: 0;
  padding-left: 16px;
}

.link {
  text-decoration: none;
}

.trouble {
  color: var(--blocker);
}
</style>
