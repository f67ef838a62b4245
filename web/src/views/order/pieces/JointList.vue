<script setup lang="ts">
import { along, type Joint } from './piecesCalls'
import { useDocument } from '@/state/document'

/** What a piece was joined with, with what it is joined here, and what would be missing. */
defineProps<{ joints: readonly Joint[] }>()
const emit = defineEmits<{ join: [outside: string, to: string] }>()
const document = useDocument()
const nameOf = (id: string) => document.rows.get(id)?.channel.name ?? id
const chosen = (joint: Joint) => (joint.comesAlong ? along : (joint.to ?? ''))
const join = (joint: Joint, event: Event) => emit('join', joint.outside, (event.target as HTMLSelectElement).value)
</script>

<template>
  <ul class="joints" aria-label="What joins where">
    <li v-for="joint in joints" :key="joint.outside" :class="{ lost: joint.missing }">
      <span class="was"
        >{{ joint.name }}<small class="quiet">{{ joint.words }}</small></span
      >
      <span class="arrow" aria-hidden="true">→</span>
      <span>
        <select
          class="field"
          :aria-label="`${joint.name} is joined with`"
          :value="chosen(joint)"
          @keydown.stop
          @change="join(joint, $event)"
        >
          <option value="">nothing</option>
          <option v-if="joint.canComeAlong" :value="along">comes along, new</option>
          <option v-for="id in joint.choices" :key="id" :value="id">{{ nameOf(id) }}</option>
        </select>
        <small v-if="joint.missing" class="plum">{{ joint.missing }}</small>
      </span>
    </li>
  </ul>
</template>

<style scoped>
.joints {
  list-style: none;
  margin: 0;
  padding: 0;
}

li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto minmax(0, 1fr);
  gap: 10px;
  padding: 6px 0;
  border-bottom: 1px solid var(--line-soft);
}

small {
  display: block;
}

.was {
  padding-top: 4px;
  overflow-wrap: anywhere;
}

.arrow {
  padding-top: 4px;
  color: var(--text-3);
}

.field {
  width: 100%;
}

@media (width <= 560px) {
  li {
    grid-template-columns: 1fr;
    gap: 2px;
  }

  .arrow {
    display: none;
  }
}
</style>
