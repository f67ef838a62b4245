<script setup lang="ts">
import { computed } from 'vue'
import KitAdds from './KitAdds.vue'
import PieceFacts from './PieceFacts.vue'
import PlanSound from './PlanSound.vue'
import type { useLineCheck } from './useLineCheck'
import type { useOutputs } from './useOutputs'
import { wrongOf } from '@/linecheck/lineWords'
import FindingCard from '@/parts/FindingCard.vue'
import { useDocument } from '@/state/document'
import { useFindings } from '@/state/findings'

/** What the plan that is looked at would do, what is known of the chosen piece, and what was found. */
const props = defineProps<{
  outputs: ReturnType<typeof useOutputs>
  check: ReturnType<typeof useLineCheck>
  channel: string
  chosen?: number
}>()
const emit = defineEmits<{ show: [channel: string]; leave: []; choose: [index: number] }>()
const document = useDocument()
const findings = useFindings()

const plan = computed(() => props.outputs.plan.value)
const kit = computed(() => props.outputs.kit.value)
const piece = computed(() => (props.chosen === undefined ? undefined : props.outputs.view.value?.parts[props.chosen]))
const counted = computed(() => {
  const one = props.outputs.view.value?.inPairs ? 'pair' : 'output'
  return plan.value?.outputs === 1 ? one : `${one}s`
})
const found = computed(() => findings.open.filter((finding) => finding.group === 'Outputs'))
const shares = computed(() => (plan.value?.lines ?? []).filter((line) => line.number > 1 && line.pieces.length > 1))
const aside = computed(() => props.outputs.view.value?.aside ?? [])
const forget = (split: string) => document.edit([{ type: 'remove-aside', split }], props.channel)
const nameOf = (id: string) => document.rows.get(id)?.channel.name ?? id

const namesOf = (pieces: number[]) => pieces.map((i) => props.outputs.view.value?.parts[i]?.name).join(', ')
</script>

<template>
  <aside class="side" aria-label="The plan and the chosen piece">
    <template v-if="plan">
      <h2>{{ plan.outputs }} {{ counted }}</h2>
      <template v-if="plan.edits.length">
        <div class="ways">
          <button type="button" class="plain do" @click="outputs.apply">Split it so</button>
          <button type="button" class="plain bare" @click="emit('leave')">Leave it as it is</button>
        </div>
        <p v-if="document.refusal" class="trouble" role="alert">{{ document.refusal.sentence }}</p>
        <PlanSound :channel="channel" :plan="plan" />
        <section>
          <h3>What it does</h3>
          <ul>
            <li v-for="(word, i) in plan.words" :key="i">{{ word }}</li>
          </ul>
        </section>
      </template>
      <p v-else class="proven">It is split like this.</p>
      <section v-if="shares.length">
        <h3>What shares</h3>
        <p v-for="line in shares" :key="line.number" class="share">
          <span class="jack">{{ line.jackLabel }}</span>{{ namesOf(line.pieces) }}
        </p>
      </section>
    </template>
    <h2 v-else-if="!piece">Outputs</h2>
    <PieceFacts
      v-if="piece"
      :key="chosen"
      :channel="channel"
      :piece="piece"
      :kit="kit!"
      :outputs="outputs.view.value!.now"
      :row="piece.note === null ? undefined : check.rows.get(piece.note!)"
      :second="!!plan"
      @show="emit('show', $event)"
    />
    <p v-else-if="!plan" class="faint">
      Move the slider to see each plan; choose a piece to hear where it arrives, to change it, or to send it to another
      output.
    </p>
    <KitAdds v-if="!plan && kit" :channel="channel" :kit="kit" @choose="emit('choose', $event)" />
    <section v-if="aside.length" aria-label="Put aside">
      <h3>Put aside</h3>
      <p v-for="split in aside" :key="split.id" class="put">
        <span
          ><b>{{ split.name }}</b> <span class="quiet">{{ split.words }}</span></span
        >
        <button type="button" class="plain bare" :aria-label="`Forget ${split.name}`" @click="forget(split.id)">
          Forget
        </button>
      </p>
      <p class="faint">A plan that is fine enough takes them back.</p>
    </section>
    <section>
      <h3>Line check</h3>
      <p v-if="check.rows.size === 0" class="faint">Fire all to see whether every piece arrives where it belongs.</p>
      <template v-else>
        <p>
          Fired {{ check.rows.size }} of {{ check.sources.value.length }}.
          <span v-if="!check.running.value && check.wrong.value.length === 0" class="proven"
            >Each where it belongs.</span
          >
        </p>
        <p v-for="row in check.wrong.value" :key="row.source.note ?? 0" class="trouble">
          {{ row.source.name }}: {{ wrongOf(row, nameOf) }}
        </p>
      </template>
      <p v-if="check.trouble.value" class="trouble" role="alert">{{ check.trouble.value }}</p>
    </section>
    <section v-if="found.length" class="found">
      <h3>{{ found.length }} {{ found.length === 1 ? 'finding' : 'findings' }}</h3>
      <FindingCard v-for="finding in found" :key="finding.key" :finding="finding" @go="emit('show', $event)" />
    </section>
    <p class="keys faint">
      <kbd>,</kbd> <kbd>.</kbd> coarser, finer · <kbd>↑</kbd> <kbd>↓</kbd> pieces · <kbd>Enter</kbd> hear ·
      <kbd>A</kbd> alone · <kbd>R</kbd> with the rest · <kbd>P</kbd> by the plan · <kbd>[</kbd> <kbd>]</kbd> to the next
      output · <kbd>F</kbd> fire all
    </p>
  </aside>
</template>

<style scoped>
.side {
  border-left: 1px solid var(--line-soft);
  background: var(--panel);
  padding: 14px 18px 20px;
  overflow: auto;
  display: flex;
  flex-direction: column;
}

h2 {
  font-size: 20px;
  margin-bottom: 6px;
}

section {
  border-top: 1px solid var(--line-soft);
  margin-top: 12px;
  padding-top: 10px;
}

.side > section:first-child {
  border: 0;
  margin: 0;
  padding: 0;
}

h3 {
  font-size: 14px;
  margin-bottom: 6px;
}

p {
  margin: 0 0 5px;
}

ul {
  margin: 0 0 8px;
  padding-left: 16px;
}

.ways {
  display: flex;
  gap: 6px;
}

.do {
  color: var(--lamp);
  border-color: color-mix(in srgb, var(--lamp) 45%, transparent);
}

.put {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  gap: 8px;
}

.share {
  display: flex;
  gap: 10px;
}

.jack {
  flex: 0 0 44px;
  color: var(--text-2);
}

.proven {
  color: var(--proven);
}

.trouble {
  color: var(--blocker);
}

.keys {
  margin-top: auto;
  padding-top: 16px;
  line-height: 1.8;
}
</style>
