<script setup lang="ts">
import type { Edit, Kit, OutputLine, Part } from '@/api/types'
import TextField from '@/parts/TextField.vue'
import { useDocument } from '@/state/document'

/** The outputs of an instrument as a table: renamed, widened, removed. */
const props = defineProps<{ channel: string; kit: Kit; outputs: OutputLine[]; parts: Part[] }>()
const document = useDocument()

type Output = Kit['outputs'][number]
const outputOf = (line: OutputLine) => props.kit.outputs[line.number - 1]!
const send = (edit: Edit) => document.edit([edit], props.channel)

function put(line: OutputLine, change: Partial<Output>) {
  const output = { ...outputOf(line), ...change }
  if (output.name) void send({ type: 'put-kit-output', channel: props.channel, output, number: line.number })
}

const remove = (line: OutputLine) => send({ type: 'remove-kit-output', channel: props.channel, number: line.number })
const carried = (line: OutputLine) => line.pieces.map((index) => props.parts[index]?.name).join(', ')
const value = (event: Event) => (event.target as HTMLSelectElement).value as Output['format']
</script>

<template>
  <table aria-label="Outputs">
    <thead>
      <tr>
        <th>Jack</th>
        <th>Output</th>
        <th>Width</th>
        <th>Carries</th>
        <th><span class="unseen">Remove</span></th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="line in outputs" :key="line.number" @keydown.stop>
        <td class="quiet">{{ line.jackLabel }}</td>
        <td>
          <TextField
            class="serif"
            :aria-label="`Name of output ${line.jackLabel}`"
            maxlength="80"
            :value="outputOf(line).name"
            @change="put(line, { name: $event })"
          />
        </td>
        <td>
          <select
            class="field"
            :aria-label="`Width of output ${line.jackLabel}`"
            :value="outputOf(line).format"
            @change="put(line, { format: value($event) })"
          >
            <option value="mono">mono</option>
            <option value="stereo">stereo</option>
          </select>
        </td>
        <td class="quiet">{{ carried(line) || 'nothing' }}</td>
        <td class="right">
          <button
            v-if="line.number > 1"
            type="button"
            class="plain bare"
            :aria-label="`Remove output ${line.jackLabel}`"
            @click="remove(line)"
          >
            Remove
          </button>
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
table {
  width: 100%;
  margin: 14px 0;
  border-collapse: collapse;
}

th {
  padding: 3px 8px 3px 0;
  text-align: left;
  font-weight: 400;
  color: var(--text-2);
}

td {
  padding: 2px 8px 2px 0;
  border-bottom: 1px solid var(--line-soft);
}

.right {
  text-align: right;
}

.field {
  padding: 2px 6px;
}

select.field {
  padding-right: 24px;
}
</style>
