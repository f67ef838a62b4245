<script setup lang="ts">
import Dialog from 'primevue/dialog'
import CountFields from '@/parts/CountFields.vue'
import DialogEnds from '@/parts/DialogEnds.vue'
import { nextTick, ref, useTemplateRef, watch } from 'vue'
import type { TimelineWish } from '@/api/types'
import Icon from '@/parts/Icon.vue'
import { secondsText } from '@/parts/decibels'
import { countOf, meterOf, meterText, numberOf } from '@/parts/tempoText'
import { useDocument } from '@/state/document'

interface Line {
  /** Null for a new one. */
  id: string | null
  name: string
  bars: string
  tempo: string
  meter: string
}

const open = defineModel<boolean>('open', { required: true })
const document = useDocument()
const tempo = ref('')
const meter = ref('')
const countBars = ref('0')
const click = ref(false)
const body = useTemplateRef('body')
const lines = ref<Line[]>([])
const trouble = ref<string>()

watch(open, (now) => {
  const timeline = document.head?.timeline
  if (!now || !timeline) return
  tempo.value = String(timeline.tempoBpm)
  meter.value = meterText(timeline.meter)
  countBars.value = String(timeline.countIn?.bars ?? 0)
  click.value = timeline.countIn?.click ?? false
  lines.value = timeline.sections.map((s) => ({
    id: s.id,
    name: s.name,
    bars: String(s.bars),
    tempo: s.ownTempoBpm === null ? '' : String(s.ownTempoBpm),
    meter: meterText(s.ownMeter),
  }))
  trouble.value = undefined
  document.refusal = undefined
})

function typed(): TimelineWish {
  return {
    tempoBpm: numberOf(tempo.value, 'The tempo'),
    meter: meterOf(meter.value, 'The meter'),
    countIn: countOf(countBars.value, click.value),
    sections: lines.value.map((line) => ({
      id: line.id,
      name: line.name.trim(),
      bars: numberOf(line.bars, `The bars of ${line.name}`),
      tempoBpm: line.tempo.trim() === '' ? null : numberOf(line.tempo, `The tempo of ${line.name}`),
      meter: line.meter.trim() === '' ? null : meterOf(line.meter, `The meter of ${line.name}`),
    })),
  }
}

function startOf(line: Line): string {
  const now = document.head?.timeline.sections.find((s) => s.id === line.id)
  return now ? secondsText(now.startSeconds) : ''
}

async function keep() {
  trouble.value = undefined
  try {
    if (await document.edit([{ type: 'set-timeline', timeline: typed() }])) open.value = false
    else trouble.value = document.refusal?.sentence
  } catch (error) {
    trouble.value = (error as Error).message
  }
}
/** Its name is what comes next. */
async function addSection() {
  lines.value.push({ id: null, name: `Section ${lines.value.length + 1}`, bars: '8', tempo: '', meter: '' })
  await nextTick()
  const names = body.value?.querySelectorAll<HTMLInputElement>('td:first-child input')
  names?.[names.length - 1]?.select()
}
</script>

<template>
  <Dialog v-model:visible="open" modal header="Timeline" :style="{ width: '560px' }" :draggable="false">
    <form class="form" @submit.prevent="keep">
      <div class="pair">
        <label
          >Tempo, quarter notes a minute<input v-model="tempo" class="field" inputmode="decimal" autofocus
        /></label>
        <label>Meter<input v-model="meter" class="field" /></label>
      </div>
      <CountFields v-model:bars="countBars" v-model:click="click" />
      <table>
        <thead>
          <tr>
            <th>Section</th>
            <th>Bars</th>
            <th>Own tempo</th>
            <th>Own meter</th>
            <th>Starts</th>
            <th />
          </tr>
        </thead>
        <tbody ref="body">
          <tr v-for="(line, i) in lines" :key="line.id ?? i">
            <td><input v-model="line.name" class="field" maxlength="40" :aria-label="`Name of section ${i + 1}`" /></td>
            <td>
              <input v-model="line.bars" class="field short" inputmode="numeric" :aria-label="`Bars of ${line.name}`" />
            </td>
            <td>
              <input
                v-model="line.tempo"
                class="field short"
                placeholder="as above"
                inputmode="decimal"
                :aria-label="`Tempo of ${line.name}`"
              />
            </td>
            <td>
              <input
                v-model="line.meter"
                class="field short"
                placeholder="as above"
                :aria-label="`Meter of ${line.name}`"
              />
            </td>
            <td class="faint">
              {{ startOf(line) }}
            </td>
            <td>
              <button
                type="button"
                class="plain bare"
                :disabled="lines.length === 1"
                :aria-label="`Remove ${line.name}`"
                @click="lines.splice(i, 1)"
              >
                <Icon name="close" :size="14" />
              </button>
            </td>
          </tr>
        </tbody>
      </table>
      <button type="button" class="plain more" @click="addSection">Add a section</button>
      <DialogEnds :trouble="trouble" leave="Leave it" keep="Keep it" @leave="open = false" />
    </form>
  </Dialog>
</template>

<style scoped src="@/parts/dialogForm.css"></style>
<style scoped>
table {
  border-collapse: collapse;
  width: 100%;
}

th {
  text-align: left;
  font-weight: 400;
  color: var(--text-3);
  font-size: 11px;
}

td {
  padding: 2px 6px 2px 0;
}

td .field {
  width: 100%;
}

.short {
  max-width: 84px;
}

.more {
  justify-self: start;
}
</style>
