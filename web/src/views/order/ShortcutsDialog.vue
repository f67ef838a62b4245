<script setup lang="ts">
import Dialog from 'primevue/dialog'

const open = defineModel<boolean>('open', { required: true })
const shortcuts: [keys: string, does: string][] = [
  ['↑ ↓', 'the channel above, the one below'],
  ['← →', 'fold, unfold'],
  ['Alt ↑ ↓', 'move among its neighbours'],
  ['Alt →', 'put under the bus above it'],
  ['Alt ←', 'take out of its bus'],
  ['Shift ↑ ↓', 'choose more than one; Ctrl A all, Ctrl Space one more or less'],
  ['Page ↑ ↓, Home, End', 'far up, far down'],
  ['Enter or F2', 'rename in place'],
  ['Tab', 'from a channel to its level, its pan, then the side panel'],
  ['n', 'add a channel'],
  ['b', 'put a bus around what is chosen'],
  ['d', 'duplicate what is chosen, with its routing'],
  ['m', 'mute or open what is chosen'],
  ['l', 'listen to this channel, or to the main again'],
  ['Delete', 'remove what is chosen; what fed it feeds what it fed'],
  ['Escape', 'choose one again'],
  ['Space', 'play or pause'],
  ['[ ] in the waveform', 'start and end of the loop at the playhead; Escape loops all'],
  ['1 to 0, then letters', 'the pads in their order, while one of them is in focus'],
  ['Ctrl Z, Ctrl Shift Z', 'undo, redo'],
  ['↑ ↓ in a value', 'one step; with Shift ten'],
]
</script>

<template>
  <Dialog
    v-model:visible="open"
    modal
    header="Shortcuts of the running order"
    :style="{ width: '600px' }"
    :draggable="false"
  >
    <dl>
      <template v-for="[keys, does] in shortcuts" :key="keys">
        <dt>{{ keys }}</dt>
        <dd>{{ does }}</dd>
      </template>
    </dl>
  </Dialog>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: 170px 1fr;
  gap: 5px 12px;
  margin: 0;
}

dt {
  color: var(--lamp);
}

dd {
  margin: 0;
}
</style>
