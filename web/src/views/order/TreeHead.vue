<script setup lang="ts">
import { computed } from 'vue'
import { useDocument } from '@/state/document'

const document = useDocument()
const first = computed(() => document.returns.slice(0, 4))
const returnNames = computed(() => first.value.map((r, i) => `${i + 1} ${r.channel.name}`).join(', '))
</script>

<template>
  <div class="columns" role="row" aria-rowindex="1">
    <span role="columnheader">Channel, under what it feeds</span>
    <span role="columnheader">Comes from</span>
    <span role="columnheader">Strip</span>
    <span role="columnheader">Sidechain</span>
    <span role="columnheader" :title="returnNames">Sends {{ first.map((_, i) => i + 1).join(' ') }}</span>
    <span role="columnheader" class="right">dB</span>
    <span role="columnheader" class="right">Pan</span>
    <span role="columnheader"><span class="unseen">Mute</span></span>
  </div>
</template>

<style scoped>
.columns {
  position: sticky;
  top: 0;
  z-index: 1;
  display: grid;
  grid-template-columns: var(--columns);
  column-gap: 6px;
  padding: 4px 18px 6px;
  height: 27px;
  background: var(--ground);
  color: var(--text-3);
  font-size: 11px;
  border-bottom: 1px solid var(--line-soft);
}

.right {
  text-align: right;
}

@media (max-width: 900px) {
  .columns > :not(:first-child, :nth-child(6)) {
    display: none;
  }
}
</style>
