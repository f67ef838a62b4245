<script setup lang="ts">
import type { Schemas } from '@/api/types'
import { levelText, panText } from '@/parts/decibels'
import { noteName } from '@/parts/noteNames'

/** The channels of a template, and the way of every pad, as tables for the screen and for paper. */
defineProps<{ sheet: Schemas['CallSheet'] }>()

/** Rows that stay together on paper; longer tables go over the page. */
const fitsOnAPage = 24
</script>

<template>
  <section aria-label="Channels">
    <h2>
      Channels <small class="quiet">{{ sheet.channels.length }}</small>
    </h2>
    <table>
      <thead>
        <tr>
          <th class="wide">Channel</th>
          <th class="wide">Comes from</th>
          <th>Goes to</th>
          <th class="strip">Inserts</th>
          <th class="strip">Sends</th>
          <th>Steered by</th>
          <th class="right">dB</th>
          <th class="right">Pan</th>
        </tr>
      </thead>
      <tbody>
        <template v-for="line in sheet.channels" :key="line.id">
          <tr :class="{ sum: line.kind === 'bus' || line.kind === 'main' }">
            <td :style="{ paddingLeft: `${line.depth * 12}px` }">{{ line.name }}</td>
            <td>{{ line.comesFrom }}</td>
            <td>{{ line.goesTo ?? '' }}</td>
            <td>{{ line.inserts.join(', ') }}</td>
            <td>{{ line.sends.join('; ') }}</td>
            <td>{{ line.keys.join(', ') }}</td>
            <td class="right">{{ levelText(line.level) }}</td>
            <td class="right">{{ panText(line.pan) }}</td>
          </tr>
          <tr v-if="line.insertSettings.length" class="note">
            <td :style="{ paddingLeft: `${line.depth * 12}px` }" colspan="8">{{ line.insertSettings.join('; ') }}</td>
          </tr>
          <tr
            v-for="(note, i) in [line.note, ...line.insertNotes].filter(Boolean)"
            :key="`${line.id}/${i}`"
            class="note"
          >
            <td :style="{ paddingLeft: `${line.depth * 12}px` }" colspan="8" class="quiet">{{ note }}</td>
          </tr>
        </template>
      </tbody>
    </table>
  </section>
  <section v-if="sheet.patches.length" aria-label="Pads" :class="{ short: sheet.patches.length <= fitsOnAPage }">
    <h2>
      Pads <small class="quiet">{{ sheet.patches.length }}</small>
    </h2>
    <table>
      <thead>
        <tr>
          <th>Instrument</th>
          <th>Pad</th>
          <th class="right">Note</th>
          <th class="right">Output</th>
          <th>Channel</th>
          <th>Bus</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(line, at) in sheet.patches" :key="at">
          <td>{{ line.player }}</td>
          <td>{{ line.name }}</td>
          <td class="right">{{ line.note === null ? '' : `${noteName(line.note)} · ${line.note}` }}</td>
          <td class="right">{{ line.jack }}</td>
          <td :class="{ lacks: !line.taker }">{{ line.taker ?? 'nobody takes it' }}</td>
          <td>{{ line.bus ?? '' }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
h2 small {
  font: 400 12px/1 var(--sans);
  margin-left: 8px;
}

table {
  width: 100%;
  border-collapse: collapse;
  font-size: 12px;
}

th {
  text-align: left;
  font-weight: 500;
  color: var(--text-2);
}

th,
td {
  padding: 3px 10px 3px 0;
  border-bottom: 1px solid var(--line-soft);
  vertical-align: top;
}

tr {
  break-inside: avoid;
}

.strip {
  width: 20%;
}

.wide {
  width: 17%;
}

.right {
  text-align: right;
  white-space: nowrap;
}

.sum td:first-child {
  font-weight: 600;
}

.note td {
  white-space: pre-line;
}

.lacks {
  color: var(--plum);
}
</style>
