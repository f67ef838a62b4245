<script setup lang="ts">
import { ref } from 'vue'
import AcceptLine from './AcceptLine.vue'
import BringSounds from './BringSounds.vue'
import FindingMark from './FindingMark.vue'
import MendButton from './MendButton.vue'
import type { Finding } from '@/api/types'
import { useDocument } from '@/state/document'
import { useFindings } from '@/state/findings'

/** One finding with what mends it, or with why it is as intended. */
defineProps<{ finding: Finding; reason?: string; grouped?: boolean }>()
defineEmits<{ go: [channel: string] }>()
const document = useDocument()
const findings = useFindings()
const asking = ref(false)
const words = { blocker: 'Blocker', warning: 'Warning', hint: 'Hint' }
</script>

<template>
  <article class="finding">
    <p>
      <FindingMark :severity="finding.severity" /><span class="unseen">{{ words[finding.severity] }}: </span
      >{{ finding.sentence }}<span v-if="grouped" class="faint group">{{ finding.group }}</span>
    </p>
    <p v-if="reason" class="quiet">As intended: {{ reason }}</p>
    <AcceptLine v-if="asking" :findings="[finding]" @done="asking = false" />
    <div v-else class="ways">
      <template v-if="!reason">
        <BringSounds v-if="finding.sounds.length" :sounds="finding.sounds" />
        <MendButton v-for="m in finding.mends" :key="m.name" :name="m.name" :edits="m.edits" />
        <button type="button" class="plain bare" @click="asking = true">It is intended</button>
      </template>
      <button v-else type="button" class="plain bare" @click="findings.accept([finding], null)">Count it again</button>
      <button
        v-if="finding.channels[0] && finding.channels[0].id !== document.selectedId"
        type="button"
        class="plain bare"
        @click="$emit('go', finding.channels[0].id)"
      >
        Show {{ finding.channels[0].name }}
      </button>
    </div>
  </article>
</template>

<style scoped>
.finding {
  padding: 8px 0;
  border-bottom: 1px solid var(--line-soft);
}

p {
  display: flex;
  gap: 7px;
  align-items: baseline;
  margin: 0 0 6px;
}

.group {
  margin-left: auto;
}

.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
</style>
