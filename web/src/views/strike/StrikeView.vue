<script setup lang="ts">
import { computed, ref, toRef } from 'vue'
import { useRouter } from 'vue-router'
import StrikeFigures from './StrikeFigures.vue'
import StrikeLines from './StrikeLines.vue'
import { strikeGroups } from './strikeGroups'
import { useStrike } from './useStrike'
import type { StrikeGroup } from '@/api/types'
import PlaceHeader from '@/parts/PlaceHeader.vue'
import TextField from '@/parts/TextField.vue'

/** A template of a finished song: what goes, what stays, what is odd. The song is left as it is. */
const props = defineProps<{ id: string }>()
const router = useRouter()
const { view, wish, trouble, say, turn, make } = useStrike(toRef(props, 'id'))
const making = ref(false)

const keeps = [
  ['starters', 'Patterns and loops, as starters'],
  ['levels', 'Faders, pans and mutes'],
  ['tempo', 'Tempo, meter and sections'],
  ['key', 'Key'],
  ['countIn', 'Count-in'],
] as const
const groups = computed(() =>
  (Object.keys(strikeGroups) as StrikeGroup[])
    .map((group) => ({ group, lines: view.value?.lines.filter((l) => l.group === group) ?? [] }))
    .filter((g) => g.lines.length > 0),
)
const goes = computed(() => (view.value ? view.value.before.channels - view.value.after.channels : 0))

async function strike() {
  making.value = true
  const made = await make()
  if (made) await router.push(`/templates/${made}`)
  making.value = false
}
</script>

<template>
  <PlaceHeader>
    <h1>Strike</h1>
    <span v-if="view" class="quiet">
      {{ view.song }} · {{ view.before.channels }} channels, {{ goes === 0 ? 'all stay' : `${goes} go` }} · the song
      stays as it is
    </span>
    <span class="gap" />
    <RouterLink class="plain link" :to="`/songs/${id}`">Back to the song</RouterLink>
    <button v-if="view" type="button" class="loud" :disabled="making" @click="strike">Make the template</button>
  </PlaceHeader>
  <div class="sided">
    <main class="work">
      <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
      <p v-if="view?.begunFrom" class="quiet about">
        It began from {{ view.begunFrom }}: what that had set up stays as it was there.
      </p>
      <div class="groups">
        <StrikeLines v-for="g in groups" :key="g.group" :group="g.group" :lines="g.lines" @turn="turn" />
      </div>
      <p v-if="view && groups.length === 0" class="quiet">Nothing goes: it is a template already.</p>
      <section v-if="view?.leftOut.length" aria-label="Not brought in">
        <h2>Not brought in with its project</h2>
        <ul class="left">
          <li v-for="words in view.leftOut" :key="words" class="quiet">{{ words }}</li>
        </ul>
      </section>
    </main>
    <aside v-if="view && wish" class="side" aria-label="What comes of it">
      <h2>The template</h2>
      <label class="name">
        <span class="quiet">Name</span>
        <TextField :value="wish.name" maxlength="80" @change="(name) => say({ name })" />
      </label>
      <fieldset>
        <legend>What else may stay</legend>
        <label v-for="[key, words] in keeps" :key="key">
          <input
            type="checkbox"
            :checked="wish[key]"
            @change="say({ [key]: ($event.target as HTMLInputElement).checked })"
          />
          {{ words }}
        </label>
      </fieldset>
      <StrikeFigures :before="view.before" :after="view.after" />
    </aside>
  </div>
</template>

<style scoped src="../../parts/sidedPage.css"></style>

<style scoped>
.groups {
  columns: 2 340px;
  column-gap: 34px;
}

.about {
  margin: 0 0 10px;
}

h2 {
  font-size: 16px;
}

.side h2 {
  margin-bottom: 8px;
}

fieldset {
  border: 0;
  margin: 14px 0 16px;
  padding: 0;
  display: grid;
  gap: 5px;
}

legend {
  color: var(--text-2);
  padding: 0;
  margin-bottom: 4px;
}

label {
  display: flex;
  gap: 8px;
  align-items: center;
}

.name .field {
  flex: 1;
}

.link {
  text-decoration: none;
}

.groups + section {
  margin-top: 18px;
}

.left {
  columns: 2 320px;
  padding-left: 18px;
}

.trouble {
  color: var(--blocker);
}
</style>
