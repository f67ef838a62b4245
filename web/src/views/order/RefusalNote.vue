<script setup lang="ts">
import type { Mended } from '@/api/types'
import { useDocument } from '@/state/document'

defineProps<{ depth: number; refusal: { sentence: string; path: string[]; mended?: Mended } }>()
defineEmits<{ close: [] }>()
const document = useDocument()
</script>

<template>
  <div class="refusal" role="alert" :style="{ paddingLeft: `${18 + depth * 18}px` }">
    <template v-if="refusal.path.length">
      <span>This would feed a channel back into itself:</span>
      <span class="loop">
        <template v-for="(name, i) in refusal.path" :key="i"
          ><b>{{ name }}</b
          ><i v-if="i < refusal.path.length - 1" aria-label="feeds">→</i></template
        >
      </span>
    </template>
    <span v-else>{{ refusal.sentence }}</span>
    <span class="faint">Nothing was changed.</span>
    <button v-if="refusal.mended" type="button" class="plain" @click="document.edit(refusal.mended.edits)">
      {{ refusal.mended.name }}
    </button>
    <button type="button" class="plain bare" @click="$emit('close')">Close</button>
  </div>
</template>

<style scoped>
.refusal {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 12px;
  padding: 6px 18px;
  color: var(--blocker);
  background: color-mix(in srgb, var(--blocker) 9%, transparent);
  border-bottom: 1px solid var(--line-soft);
}

.loop {
  display: inline-flex;
  gap: 7px;
}

.loop i {
  font-style: normal;
}
</style>
