<script setup lang="ts">
import Dialog from 'primevue/dialog'
import { computed } from 'vue'
import { useInputs } from './useInputs'
import type { InputLine } from '@/api/types'
import TextField from '@/parts/TextField.vue'
import { numberText } from '@/parts/decibels'

/** Listening the other way round: a pad is pressed outside, and the input that lights is named there and then. */
const open = defineModel<boolean>('open', { required: true })
const { devices, deviceId, device, firstInput, inputs, lights, pad, trouble, press, call } = useInputs(open)

const peaks = computed(() => new Map(lights.value.map((l) => [l.input, l.peakDbfs])))
const loudest = computed(() => lights.value[0]?.input)

function name(line: InputLine, to: string) {
  if (to && to !== line.name) void call(line.input, to)
}
</script>

<template>
  <Dialog v-model:visible="open" modal header="Listen to the inputs" :style="{ width: '900px' }" :draggable="false">
    <div class="sides">
      <section aria-label="The device">
        <div class="pair">
          <label
            >Device<select v-model="deviceId" class="field" autofocus>
              <option v-for="d in devices" :key="d.id" :value="d.id">{{ d.name }}, {{ d.jacks }} jacks</option>
            </select></label
          >
          <label
            >Begins at input<input v-model.number="firstInput" class="field" type="number" min="1" max="128"
          /></label>
        </div>
        <p class="faint">
          Simulated devices; nobody has looked where their cables end. Press a pad and see which input lights.
        </p>
        <div v-if="device" class="pads">
          <button
            v-for="p in device.pads"
            :key="p.note"
            type="button"
            class="pad"
            :class="{ on: p.name === pad }"
            @click="press(p.note, p.name)"
          >
            {{ p.name }}
          </button>
        </div>
        <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
      </section>
      <section class="inputs" aria-label="The inputs" tabindex="0">
        <table>
          <thead>
            <tr>
              <th scope="col" class="right">Input</th>
              <th scope="col" class="right">Peak, dBFS</th>
              <th scope="col">Channel</th>
              <th scope="col"><span class="out">What to call it</span></th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="line in inputs" :key="line.input" :class="{ lit: peaks.has(line.input) }">
              <th scope="row" class="right">
                <i class="lamp" /><span class="number">{{ line.input }}</span>
              </th>
              <td class="right">{{ peaks.has(line.input) ? numberText(peaks.get(line.input)!, 1) : '' }}</td>
              <td>
                <TextField
                  :aria-label="`Channel of input ${line.input}`"
                  maxlength="80"
                  placeholder="no channel"
                  :value="line.name ?? ''"
                  @change="name(line, $event)"
                />
                <span v-if="line.besides.length" class="faint">and {{ line.besides.join(', ') }}</span>
              </td>
              <td>
                <button
                  v-if="pad && line.input === loudest && line.name !== pad"
                  type="button"
                  class="plain"
                  @click="name(line, pad)"
                >
                  Call it {{ pad }}
                </button>
                <span v-else-if="pad && line.input === loudest" class="proven">as it should be</span>
              </td>
            </tr>
          </tbody>
        </table>
      </section>
    </div>
  </Dialog>
</template>

<style scoped src="@/parts/dialogForm.css"></style>

<style scoped>
.sides {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.4fr);
  gap: 12px 28px;
}

.pads {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(96px, 1fr));
  gap: 6px;
}

.pad {
  padding: 12px 6px;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: var(--raised);
  color: var(--text);
  font: inherit;
  cursor: pointer;
}

.pad.on {
  background: var(--lamp-ground);
  color: var(--play-ink);
}

.inputs {
  max-height: 62vh;
  overflow: auto;
}

table {
  width: 100%;
  border-collapse: collapse;
}

th {
  font-weight: 400;
  text-align: left;
  color: var(--text-2);
  white-space: nowrap;
}

td,
th {
  height: 32px;
  padding: 2px 12px 2px 0;
  border-bottom: 1px solid var(--line-soft);
}

th[scope='row'] {
  color: var(--text);
}

.right {
  text-align: right;
  font-variant-numeric: tabular-nums;
}

td .field {
  width: 150px;
}

td .faint {
  margin-left: 8px;
}

td:last-child {
  width: 100%;
  white-space: nowrap;
}

.lamp {
  display: inline-block;
  width: 9px;
  height: 9px;
  margin-right: 4px;
  border: 1px solid var(--text-3);
  border-radius: 50%;
}

.number {
  display: inline-block;
  min-width: 3ch;
}

.lit .lamp {
  border-color: var(--lamp);
  background: var(--lamp);
}

.out {
  position: absolute;
  clip-path: inset(50%);
}

.proven {
  color: var(--proven);
}

.trouble {
  color: var(--blocker);
}

@media (max-width: 700px) {
  .sides {
    grid-template-columns: minmax(0, 1fr);
  }

  td .field {
    width: 104px;
  }
}
</style>
