<script setup lang="ts">
import Dialog from 'primevue/dialog'
import DialogEnds from './DialogEnds.vue'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { choiceOf, keyChoices, keyFromChoice } from './keys'
import { api, asked, sentenceOf } from '@/api/client'
import type { MusicalKey, WaitingInsert } from '@/api/types'
import { waitingIn } from '@/strips/stripCalls'
import { useCatalogue } from '@/state/catalogue'

const catalogue = useCatalogue()
const open = defineModel<boolean>('open', { required: true })
const props = defineProps<{ template?: { id: string; name: string; tempoBpm: number; key?: MusicalKey | null } }>()
const router = useRouter()

const title = ref('')
const tempo = ref('120')
const key = ref('')
const waiting = ref<WaitingInsert[]>([])
const ready = ref<Set<string>>(new Set())
const trouble = ref<string>()
const busy = ref(false)

watch(open, (now) => {
  if (!now || !props.template) return
  title.value = ''
  tempo.value = String(props.template.tempoBpm)
  key.value = choiceOf(props.template.key)
  trouble.value = undefined
  ready.value = new Set()
  waiting.value = []
  void waitingIn(props.template.id).then(
    (found) => (waiting.value = found),
    () => undefined,
  )
})

const forKey = computed(() => waiting.value.filter((w) => w.what === 'song-key').length)
const forPeople = computed(() => waiting.value.filter((w) => w.what !== 'song-key'))
const nameOf = (w: WaitingInsert) => `${w.channel}/${w.insert}`

function turn(w: WaitingInsert, on: boolean) {
  const name = nameOf(w)
  ready.value = new Set(on ? [...ready.value, name] : [...ready.value].filter((r) => r !== name))
}

async function start() {
  const tempoBpm = Number(tempo.value.replace(',', '.'))
  if (!Number.isFinite(tempoBpm) || tempo.value.trim() === '') {
    trouble.value = 'The tempo is a number of quarter notes a minute.'
    return
  }
  busy.value = true
  try {
    const song = await asked(
      api.POST('/api/songs', {
        body: {
          templateId: props.template!.id,
          title: title.value,
          tempoBpm,
          key: keyFromChoice(key.value),
          ready: forPeople.value
            .filter((w) => ready.value.has(nameOf(w)))
            .map(({ channel, insert }) => ({ channel, insert })),
        },
      }),
    )
    open.value = false
    await router.push(`/songs/${song.id}`)
  } catch (error) {
    trouble.value = sentenceOf(error)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <Dialog v-model:visible="open" modal header="Start a song" :style="{ width: '400px' }" :draggable="false">
    <form class="form" @submit.prevent="start">
      <p class="quiet">
        From <strong>{{ template?.name }}</strong>. The song is a copy: what you change in it stays in it.
      </p>
      <label
        >Title<input v-model="title" class="field" required maxlength="80" autofocus placeholder="The Lamp Goes Out"
      /></label>
      <div class="pair">
        <label>Tempo, quarter notes a minute<input v-model="tempo" class="field" inputmode="decimal" /></label>
        <label
          >Key<select v-model="key" class="field">
            <option value="">waits</option>
            <option v-for="choice in keyChoices(catalogue.known.keys)" :key="choice.value" :value="choice.value">
              {{ choice.text }}
            </option>
          </select></label
        >
      </div>
      <p v-if="forKey" class="quiet">
        {{ forKey === 1 ? 'One insert waits' : `${forKey} inserts wait` }} for the key{{ key ? ' and will work' : '' }}.
      </p>
      <fieldset v-if="forPeople.length">
        <legend>What waits for somebody’s word: tick what is ready</legend>
        <label v-for="w in forPeople" :key="nameOf(w)" class="switch"
          ><input
            type="checkbox"
            :checked="ready.has(nameOf(w))"
            @change="turn(w, ($event.target as HTMLInputElement).checked)"
          />
          {{ w.title }} on {{ w.name }}{{ w.note ? `: ${w.note}` : '' }}</label
        >
      </fieldset>
      <DialogEnds
        :trouble="trouble"
        leave="Not now"
        keep="Start the song"
        :disabled="busy || title.trim() === ''"
        @leave="open = false"
      />
    </form>
  </Dialog>
</template>

<style scoped src="./dialogForm.css"></style>
<style scoped>
.pair {
  grid-template-columns: 1fr 130px;
}

fieldset {
  border: 1px solid var(--line);
  border-radius: 7px;
}

legend {
  color: var(--text-2);
  padding: 0 4px;
}

.switch {
  display: flex;
  align-items: center;
  gap: 7px;
}
</style>
