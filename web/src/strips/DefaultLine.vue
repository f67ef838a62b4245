<script setup lang="ts">
import { computed, ref } from 'vue'
import ManyStrips from './ManyStrips.vue'
import MakeDefaultDialog from './MakeDefaultDialog.vue'
import { standingOf } from './stripCalls'
import KeepOnShelf from '@/parts/KeepOnShelf.vue'
import { useDocument } from '@/state/document'
import { useReading } from '@/state/useReading'

/** How a channel's strip stands to its default: what differs, the way back, and the way to make it the default. */
const props = defineProps<{ channel: string }>()
const document = useDocument()
/** What is known of another channel says nothing of this one, least of all for what its strip could be the default. */
const { answer: standing } = useReading({ channel: () => props.channel, ask: standingOf })
const making = ref(false)
const keeping = ref(false)
const part = computed(() =>
  document.head
    ? {
        document: document.head.id,
        kind: 'strip' as const,
        place: props.channel,
        name: document.rows.get(props.channel)?.channel.name ?? null,
      }
    : undefined,
)

const differs = computed(() => standing.value?.differs.length ?? 0)
const others = computed(() => {
  const count = standing.value?.others ?? 0
  return count === 0 ? '' : count === 1 ? 'One other channel follows it.' : `${count} other channels follow it.`
})
</script>

<template>
  <div v-if="standing" class="default">
    <p class="quiet">
      <template v-if="!standing.default">No default strip is for it.</template>
      <template v-else-if="differs === 0">As new {{ standing.default.words }} come. {{ others }}</template>
      <template v-else>
        <span :title="standing.differs.join('\n')" class="differs">{{
          differs === 1 ? 'One thing differs' : `${differs} things differ`
        }}</span>
        from new {{ standing.default.words }}. {{ others }}
      </template>
    </p>
    <ManyStrips v-if="document.rows.get(channel)" :rows="[document.rows.get(channel)!]" />
    <div class="ways">
      <button type="button" class="plain" @click="making = true">Make it a default…</button>
      <button v-if="differs" type="button" class="plain" @click="document.edit(standing.back, channel)">
        Back to the default
      </button>
      <button type="button" class="plain" @click="keeping = true">Keep on the shelf…</button>
    </div>
    <KeepOnShelf v-model:open="keeping" :part="part" />
    <MakeDefaultDialog v-model:open="making" :channel="channel" :choices="standing.choices" />
  </div>
</template>

<style scoped>
.default {
  margin-top: 8px;
}

p {
  margin: 0 0 6px;
}

.differs {
  color: var(--plum);
  border-bottom: 1px dotted;
}

.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
</style>
