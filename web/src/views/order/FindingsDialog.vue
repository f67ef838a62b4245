<script setup lang="ts">
import Dialog from 'primevue/dialog'
import { computed } from 'vue'
import FindingCard from '@/parts/FindingCard.vue'
import FindingGroup from '@/parts/FindingGroup.vue'
import { useDocument } from '@/state/document'
import { useFindings } from '@/state/findings'

const open = defineModel<boolean>('open', { required: true })
const document = useDocument()
const findings = useFindings()

const groups = computed(() => {
  const byKey = new Map(findings.open.map((finding) => [finding.key, finding]))
  return (findings.found?.alike ?? []).map(({ keys, mend }) => ({ alike: keys.map((key) => byKey.get(key)!), mend }))
})

function go(channel: string) {
  document.choose(channel)
  open.value = false
}
</script>

<template>
  <Dialog
    v-model:visible="open"
    modal
    header="What the soundcheck found"
    :style="{ width: '560px' }"
    :draggable="false"
  >
    <p class="acts">
      <span v-for="act in findings.found?.acts" :key="act.id" :class="{ proven: act.open === 0 }">
        {{ act.name }}: {{ act.open === 0 ? 'proven' : act.open }}
      </span>
    </p>
    <template v-for="{ alike, mend } in groups" :key="alike[0]!.key">
      <FindingGroup v-if="alike.length > 1" :findings="alike" :mend="mend" @go="go" />
      <FindingCard v-else :finding="alike[0]!" grouped @go="go" />
    </template>
    <p v-if="findings.found && findings.open.length === 0" class="proven">Nothing is wrong in this act.</p>
    <template v-if="findings.found?.accepted.length">
      <h3>Accepted as intended</h3>
      <FindingCard
        v-for="a in findings.found.accepted"
        :key="a.finding.key"
        :finding="a.finding"
        :reason="a.reason"
        @go="go"
      />
    </template>
    <p class="faint">
      It looks at routing, outputs, order, recording, the studio and sounds as they are set. What only a render shows,
      the listening bar says.
    </p>
  </Dialog>
</template>

<style scoped>
.acts {
  display: flex;
  gap: 18px;
  margin: 0 0 6px;
  color: var(--text-2);
}

.proven {
  color: var(--proven);
}

h3 {
  font-size: 15px;
  margin-top: 14px;
}
</style>
