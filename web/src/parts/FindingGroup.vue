<script setup lang="ts">
import { computed, ref } from 'vue'
import AcceptLine from './AcceptLine.vue'
import FindingCard from './FindingCard.vue'
import FindingMark from './FindingMark.vue'
import Icon from './Icon.vue'
import MendButton from './MendButton.vue'
import type { Finding, Mend } from '@/api/types'

/** Findings of one rule, so many that they are said once: mended or accepted together, or one by one. */
const props = defineProps<{ findings: Finding[]; mend: Mend | null }>()
defineEmits<{ go: [channel: string] }>()
const open = ref(false)
const asking = ref(false)

const first = computed(() => props.findings[0]!)
</script>

<template>
  <article class="group">
    <p>
      <FindingMark :severity="first.severity" />{{ first.sentence }}
      <span class="faint kind">{{ first.group }}</span>
    </p>
    <AcceptLine v-if="asking" :findings="findings" @done="asking = false" />
    <div v-else class="ways">
      <button type="button" class="plain bare" :aria-expanded="open" @click="open = !open">
        <Icon :name="open ? 'fold' : 'unfold'" :size="13" /> and {{ findings.length - 1 }} more like it
      </button>
      <MendButton v-if="mend" :name="mend.name" :edits="mend.edits" />
      <button type="button" class="plain bare" @click="asking = true">All are intended</button>
    </div>
    <div v-if="open" class="each">
      <FindingCard v-for="finding in findings" :key="finding.key" :finding="finding" @go="$emit('go', $event)" />
    </div>
  </article>
</template>

<style scoped>
.group {
  padding: 8px 0;
  border-bottom: 1px solid var(--line-soft);
}

p {
  display: flex;
  gap: 7px;
  align-items: baseline;
  margin: 0 0 6px;
}

.kind {
  margin-left: auto;
}

.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}

.each {
  margin-top: 6px;
  padding-left: 20px;
}
</style>
