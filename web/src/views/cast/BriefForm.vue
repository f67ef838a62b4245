<script setup lang="ts">
import { onMounted, reactive, ref, watch } from 'vue'
import { briefList, briefQuestions } from './castCalls'
import { sentenceOf } from '@/api/client'
import type { Brief, BriefQuestions } from '@/api/types'
import { useNewest } from '@/state/useNewest'
import { noteValues } from '@/views/order/noteValues'

/** A template as a few questions; the answers come to a list. */
const emit = defineEmits<{ list: [text: string] }>()
const questions = ref<BriefQuestions>()
const unasked = ref<string>()
const { answer: list, trouble, ask, settled } = useNewest<string>()
defineExpose({ settled })
watch(list, (text) => text !== undefined && emit('list', text))
const machine = '(pads)'
const drums = ref('')
/** Together on one output, over so many, or as finely as it can be. */
const split = ref<'together' | 'over' | 'fully'>('over')
const over = ref(6)
const depths = reactive<Record<string, number | ''>>({})
const brief = reactive<Brief>({
  kit: null, pads: 11, splitOver: null, basses: 1, keys: 0, soundPads: 0, strings: 0, organs: 0, acousticGuitars: 0, electricGuitars: 0,
  singers: 1, takesEach: 0, answers: 0, chorus: 0, returns: [], rooms: [], forTheKick: true, backQuarters: 0.5, sections: '', spares: 0, references: 0, countIn: false,
}) // prettier-ignore
const counts = [
  ['basses', 'Basses'], ['keys', 'Keyboards'], ['soundPads', 'Pads'], ['strings', 'String parts'], ['organs', 'Organs'], ['acousticGuitars', 'Acoustic guitars'],
  ['electricGuitars', 'Electric guitars'], ['singers', 'Singers'], ['takesEach', 'Takes of each'], ['answers', 'Answers'], ['chorus', 'Chorus voices'],
  ['spares', 'Spares a bus'], ['references', 'References'],
] as const // prettier-ignore

onMounted(async () => {
  try {
    questions.value = await briefQuestions()
    await tell()
  } catch (error) {
    unasked.value = sentenceOf(error)
  }
})

async function tell() {
  const asked: Brief = {
    ...brief,
    kit: drums.value && drums.value !== machine ? drums.value : null,
    pads: drums.value === machine ? brief.pads : 0,
    splitOver: split.value === 'together' ? 0 : split.value === 'fully' ? null : over.value,
    rooms: Object.entries(depths).flatMap(([bus, depthDb]) => (depthDb ? [{ bus, depthDb }] : [])),
  }
  await ask(async () => (await briefList(asked)).text)
}

watch([brief, drums, split, over, depths], tell, { deep: true })
</script>

<template>
  <form v-if="questions" class="brief" aria-label="Brief" @submit.prevent>
    <fieldset>
      <legend>Drums</legend>
      <label
        >Played by<select v-model="drums" class="field">
          <option value="">nobody</option>
          <option v-for="kit in questions.kits" :key="kit.id" :value="kit.id">{{ kit.name }}</option>
          <option :value="machine">a machine of pads</option>
        </select></label
      >
      <label v-if="drums === machine"
        >Pads<input
          v-model.number="brief.pads"
          class="field"
          type="number"
          min="1"
          :max="questions.mostPads"
          @keydown.stop
      /></label>
      <label v-if="drums"
        >Split<select v-model="split" class="field">
          <option value="together">together on one output</option>
          <option value="over">over so many outputs</option>
          <option value="fully">as finely as it can be</option>
        </select></label
      >
      <label v-if="drums && split === 'over'"
        >Outputs<input v-model.number="over" class="field" type="number" min="1" max="64" @keydown.stop
      /></label>
    </fieldset>
    <fieldset>
      <legend>How many</legend>
      <label v-for="[key, called] in counts" :key="key"
        >{{ called
        }}<input
          v-model.number="brief[key]"
          class="field"
          type="number"
          min="0"
          :max="questions.mostOfAKind"
          @keydown.stop
      /></label>
      <label class="tick"><input v-model="brief.countIn" type="checkbox" /> Count-in</label>
    </fieldset>
    <fieldset>
      <legend>Returns</legend>
      <label v-for="space in questions.spaces" :key="space.id" class="tick wide"
        ><input v-model="brief.returns" type="checkbox" :value="space.id" /> {{ space.said }}</label
      >
    </fieldset>
    <fieldset>
      <legend>Makes room, dB</legend>
      <label v-for="bus in questions.buses" :key="bus"
        >{{ bus
        }}<input
          v-model.number="depths[bus]"
          class="field"
          type="number"
          min="1"
          max="24"
          step="0.5"
          placeholder="—"
          @keydown.stop
      /></label>
      <label
        >For<select v-model="brief.forTheKick" class="field">
          <option :value="true">the kick</option>
          <option :value="false">every beat</option>
        </select></label
      >
      <label
        >Back by<select v-model.number="brief.backQuarters" class="field">
          <option v-for="[ticks, called] in noteValues" :key="ticks" :value="ticks / 960">{{ called }}</option>
        </select></label
      >
    </fieldset>
    <label
      >Sections, with their bars<input
        v-model="brief.sections"
        class="field"
        placeholder="Verse 8, Lift 4, Chorus 8"
        @keydown.stop
    /></label>
    <p v-if="unasked ?? trouble" class="trouble" role="alert">{{ unasked ?? trouble }}</p>
  </form>
</template>

<style scoped>
.brief {
  flex: 1;
  min-height: 0;
  overflow: auto;
  display: grid;
  gap: 10px;
  align-content: start;
}

fieldset {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(112px, 1fr));
  gap: 6px 10px;
  margin: 0;
  padding: 8px 0 0;
  border: 0;
  border-top: 1px solid var(--line-soft);
}

legend {
  float: left;
  grid-column: 1 / -1;
  padding: 0;
  font-family: var(--serif);
  color: var(--text);
}

label {
  display: grid;
  gap: 3px;
  color: var(--text-2);
}

.tick {
  display: flex;
  align-items: center;
  gap: 6px;
}

.wide {
  grid-column: span 2;
}

.trouble {
  color: var(--blocker);
}
</style>
