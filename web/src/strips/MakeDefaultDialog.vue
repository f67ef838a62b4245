<script setup lang="ts">
import Dialog from 'primevue/dialog'
import { computed, ref, watch } from 'vue'
import { changeOf } from './stripCalls'
import { sentenceOf } from '@/api/client'
import type { DefaultChange, StripScope } from '@/api/types'
import DialogEnds from '@/parts/DialogEnds.vue'
import { useDocument } from '@/state/document'
import { useShelf } from '@/state/shelf'

/** Makes a channel's strip what new ones come with, takes along those that follow, and keeps it for every new template. */
const open = defineModel<boolean>('open', { required: true })
const props = defineProps<{ channel: string; choices: { scope: StripScope; words: string }[] }>()
const document = useDocument()
const shelf = useShelf()
const chosen = ref(0)
const change = ref<DefaultChange>()
const along = ref<Set<string>>(new Set())
const everywhere = ref(false)
const trouble = ref<string>()
let asking = 0

const scope = computed(() => props.choices[chosen.value]?.scope)

watch(open, (now) => {
  if (!now) return
  chosen.value = 0
  everywhere.value = false
  void look()
})
watch(chosen, look)
watch(
  () => JSON.stringify(scope.value),
  () => open.value && void look(),
)

async function look() {
  trouble.value = undefined
  change.value = undefined
  if (!document.head || !scope.value) return
  const mine = ++asking
  try {
    const found = await changeOf(document.head.id, scope.value, props.channel)
    if (mine !== asking) return
    change.value = found
    along.value = new Set(found.along.map((a) => a.channel))
  } catch (error) {
    trouble.value = sentenceOf(error)
  }
}

function turn(channel: string, on: boolean) {
  along.value = new Set(on ? [...along.value, channel] : [...along.value].filter((c) => c !== channel))
}

async function keep() {
  if (!change.value || !document.head || !scope.value) return
  const edits = change.value.along.filter((a) => along.value.has(a.channel)).flatMap((a) => a.edits)
  if (!(await document.edit([change.value.edit, ...edits]))) {
    trouble.value = document.refusal?.sentence
    return
  }
  try {
    if (everywhere.value) {
      const words = props.choices[chosen.value]!.words
      await shelf.keep({
        document: document.head.id,
        kind: 'strip',
        place: props.channel,
        name: `New ${words}`,
        for: scope.value,
      })
    }
    open.value = false
  } catch (error) {
    trouble.value = sentenceOf(error)
  }
}
</script>

<template>
  <Dialog v-model:visible="open" modal header="Make it a default" :style="{ width: '460px' }" :draggable="false">
    <form class="form" @submit.prevent="keep">
      <label
        >For new<select v-model.number="chosen" class="field" autofocus>
          <option v-for="(choice, i) in choices" :key="choice.words" :value="i">{{ choice.words }}</option>
        </select></label
      >
      <p v-if="change" class="quiet">They come with {{ change.words }}.</p>
      <fieldset v-if="change?.along.length">
        <legend>Take along those that follow the default as it is</legend>
        <label v-for="a in change.along" :key="a.channel" class="switch"
          ><input
            type="checkbox"
            :checked="along.has(a.channel)"
            @change="turn(a.channel, ($event.target as HTMLInputElement).checked)"
          />
          {{ a.name }}</label
        >
      </fieldset>
      <p v-if="change?.altered.length" class="faint">
        Altered by hand, and left as they are: {{ change.altered.join(', ') }}.
      </p>
      <label class="switch"
        ><input v-model="everywhere" type="checkbox" /> Also in every template that is begun from now on</label
      >
      <DialogEnds
        :trouble="trouble"
        leave="Not now"
        keep="Make it the default"
        :disabled="!change"
        @leave="open = false"
      />
    </form>
  </Dialog>
</template>

<style scoped src="@/parts/dialogForm.css"></style>
<style scoped>
fieldset {
  max-height: 180px;
  overflow: auto;
}
</style>
