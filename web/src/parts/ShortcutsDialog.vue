<script setup lang="ts">
import Dialog from 'primevue/dialog'
import type { Shortcut } from './keymap'

/** The keymap of a place, for people. */
const open = defineModel<boolean>('open', { required: true })
defineProps<{ place: string; shortcuts: readonly Shortcut[] }>()
</script>

<template>
  <Dialog v-model:visible="open" modal :header="`Shortcuts of ${place}`" :style="{ width: '820px' }" :draggable="false">
    <dl>
      <template v-for="shortcut in shortcuts" :key="shortcut.act">
        <dt>{{ shortcut.keys }}</dt>
        <dd>{{ shortcut.does }}</dd>
      </template>
    </dl>
  </Dialog>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: repeat(2, 120px 1fr);
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
