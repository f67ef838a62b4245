<script setup lang="ts">
import { useHeldPress } from './heldPress'

/** The foot of a form in a dialog: what was refused, the way out, and the one thing that it does. */
defineProps<{ trouble?: string; leave: string; keep: string; disabled?: boolean; readOnly?: boolean }>()
defineEmits<{ leave: [] }>()

const { hold, slide } = useHeldPress()
</script>

<template>
  <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
  <div class="ends">
    <slot />
    <button type="button" class="plain" @click="$emit('leave')">{{ leave }}</button>
    <button
      v-if="!readOnly"
      type="submit"
      class="loud"
      :disabled="disabled"
      @pointerdown.left="hold"
      @pointermove="slide"
    >
      {{ keep }}
    </button>
  </div>
</template>

<style scoped>
.trouble {
  color: var(--blocker);
}

/* In sight however far the form is scrolled. */
.ends {
  position: sticky;
  z-index: 1;
  bottom: 0;
  display: flex;
  justify-content: flex-end;
  gap: 10px;
  margin-top: -10px;
  padding-block: 10px 20px;
  background: var(--panel);
}

/* What goes on under it fades away. */
.ends::before {
  content: '';
  position: absolute;
  inset: -14px 0 100%;
  background: linear-gradient(transparent, var(--panel));
  pointer-events: none;
}

/* The foot has the room below it itself, so that nothing shows through under it. */
:global(.p-dialog-content:has(> form > .ends)) {
  padding-bottom: 0;
}
</style>
