<script setup lang="ts">
import { computed } from 'vue'
import CutsPlot from './CutsPlot.vue'
import ReturnPlot from './ReturnPlot.vue'
import type { EchoReading, Returns } from '@/api/types'
import FindingCard from '@/parts/FindingCard.vue'
import { levelText, numberText } from '@/parts/decibels'
import { noteOf } from '@/parts/written'
import { useCatalogue } from '@/state/catalogue'
import { useFindings } from '@/state/findings'

/** A return over two bars: taps, repeats, tail and cuts, measured by a knock through its own strip. */
const props = defineProps<{ shown: Returns['returns'][number]; returns: Returns }>()
const catalogue = useCatalogue()
const findings = useFindings()
const reading = computed(() => props.shown.reading)
const found = computed(() => findings.byChannel.get(props.shown.channel) ?? [])

const note = (quarters: number) =>
  noteOf(catalogue.known.noteValues, quarters)?.text ?? `${numberText(quarters, 2)} quarters`
const taps = (echo: EchoReading) =>
  echo.leftQuarters === echo.rightQuarters
    ? note(echo.leftQuarters)
    : `${note(echo.leftQuarters)} left, ${note(echo.rightQuarters)} right`
const inBars = (seconds: number) => `${numberText(seconds / reading.value.barSeconds, 1)} bars`
</script>

<template>
  <h2>{{ shown.name }}</h2>
  <p class="quiet about">
    One knock over two bars of {{ returns.sectionName }}, {{ numberText(returns.tempoBpm, 1) }} BPM
  </p>
  <ReturnPlot :reading="reading" :beats="returns.beatsABar" />
  <dl>
    <template v-for="echo in reading.echoes" :key="echo.insert">
      <dt>{{ echo.crosses ? 'Ping-pong' : 'Echo' }}</dt>
      <dd>{{ taps(echo) }}</dd>
      <template v-if="echo.feedbackDb != null">
        <dt>Repeats</dt>
        <dd>
          {{ echo.repeats }}, each {{ levelText(echo.feedbackDb) }} dB
          <small>60 dB down after {{ numberText(echo.seconds, 1) }} s, {{ inBars(echo.seconds) }}</small>
        </dd>
      </template>
    </template>
    <template v-for="reverb in reading.reverbs" :key="reverb.insert">
      <dt>Decay</dt>
      <dd>
        {{ numberText(reverb.midSeconds, 1) }} s at 1 kHz
        <small>{{ numberText(reverb.askedSeconds, 1) }} s asked</small>
      </dd>
    </template>
    <template v-if="reading.tailSeconds != null">
      <dt>Tail</dt>
      <dd>
        {{ inBars(reading.tailSeconds) }} <small>{{ numberText(reading.tailSeconds, 1) }} s at 1 kHz</small>
      </dd>
    </template>
  </dl>
  <h3>Cuts after the effect</h3>
  <CutsPlot :cuts="reading.cutsDb" />
  <FindingCard v-for="finding in found" :key="finding.key" :finding="finding" />
</template>

<style scoped>
h2 {
  font-size: 19px;
}

h3 {
  font-size: 14px;
  margin: 12px 0 4px;
}

.about {
  margin: 2px 0 8px;
}

dl {
  display: grid;
  grid-template-columns: 72px minmax(0, 1fr);
  gap: 3px 10px;
  margin: 10px 0 0;
}

dt {
  color: var(--text-2);
}

dd {
  margin: 0;
}

small {
  display: block;
  color: var(--text-3);
}
</style>
