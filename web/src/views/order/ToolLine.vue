<script setup lang="ts">
import { computed } from 'vue'
import { filtersFor, type Filter } from './filter'
import Icon from '@/parts/Icon.vue'
import { useDocument } from '@/state/document'
import { useAltered } from '@/state/altered'
import { useFindings } from '@/state/findings'

const search = defineModel<string>('search', { required: true })
const filter = defineModel<Filter>('filter', { required: true })
const everything = defineModel<boolean>('everything', { required: true })
defineEmits<{ add: []; piece: []; check: []; prints: []; defaults: []; explain: [] }>()
const document = useDocument()
const findings = useFindings()
const altered = useAltered()

const castPath = computed(() => `/${document.kind}s/${document.head?.id}/cast`)
const actName = computed(() => document.head?.acts.find((a) => a.id === document.act)?.name ?? '')
const groups = computed(() =>
  filtersFor(document.ordered, document.act, actName.value, {
    findings: findings.byChannel,
    altered: altered.channels,
  }),
)
const states = computed(() => {
  const count = { 'on-stage': 0, 'behind-the-curtain': 0, 'in-the-wings': 0 }
  for (const row of document.ordered) count[row.channel.stages[document.act] ?? 'on-stage']++
  return count
})
const counted = computed(() => {
  const { 'on-stage': on, 'behind-the-curtain': behind, 'in-the-wings': wings } = states.value
  return `${on} on stage, ${behind} behind the curtain, ${wings} in the wings`
})
</script>

<template>
  <div class="tools">
    <input v-model="search" class="field find" type="search" placeholder="Find…" aria-label="Find a channel" />
    <select
      v-model="filter"
      class="field narrow"
      :class="{ on: filter }"
      aria-label="Show only"
      @pointerenter="altered.look"
      @focus="altered.look"
    >
      <option value="">Only…</option>
      <optgroup v-for="group in groups" :key="group.name" :label="group.name">
        <option v-for="choice in group.choices" :key="choice.value" :value="choice.value">{{ choice.text }}</option>
      </optgroup>
    </select>
    <button type="button" class="plain add" @click="$emit('add')"><Icon name="plus" :size="14" /> Add a channel</button>
    <button
      type="button"
      class="plain bare"
      title="A part of another template that is kept on the shelf"
      @click="$emit('piece')"
    >
      Set piece…
    </button>
    <RouterLink class="plain bare" :to="castPath" title="All channels as a page of names, to be read and written"
      >Cast list</RouterLink
    >
    <button
      type="button"
      class="plain bare"
      title="Fires every piece, instrument and input alone and says where it arrives"
      @click="$emit('check')"
    >
      Line check
    </button>
    <button
      type="button"
      class="plain bare"
      title="Records instruments onto audio channels that play in their place"
      @click="$emit('prints')"
    >
      Prints
    </button>
    <button
      type="button"
      class="plain bare"
      title="What new channels come with: inserts, sends, inputs, acts"
      @click="$emit('defaults')"
    >
      Default strips
    </button>
    <button type="button" class="plain bare" title="Shortcuts" aria-label="Shortcuts" @click="$emit('explain')">
      ?
    </button>
    <span class="gap" />
    <span class="states">
      <span class="quiet">{{ states['on-stage'] }} on stage</span>
      <span v-if="states['behind-the-curtain']" class="quiet" title="Behind the curtain: hidden, running"
        >{{ states['behind-the-curtain'] }} behind</span
      >
      <span v-if="states['in-the-wings']" class="wings" title="In the wings: hidden, resting"
        >{{ states['in-the-wings'] }} in the wings</span
      >
    </span>
    <button
      type="button"
      class="plain bare"
      :aria-pressed="everything"
      :class="{ on: everything }"
      :title="counted"
      @click="everything = !everything"
    >
      Show all
    </button>
  </div>
</template>

<style scoped>
.tools {
  display: flex;
  align-items: center;
  gap: 10px;
  padding: 9px 18px 7px;
  white-space: nowrap;
  container-type: inline-size;
}

.find {
  width: 170px;
  min-width: 110px;
  flex-shrink: 0.4;
}

.narrow {
  width: 140px;
  min-width: 96px;
}

.narrow.on {
  min-width: 128px;
  color: var(--lamp);
  border-color: var(--lamp);
}

.add {
  display: inline-flex;
  align-items: center;
  gap: 5px;
}

.gap {
  flex: 1;
}

.states {
  display: flex;
  gap: 10px;
}

/* Where there is no room for the counts, the button beside them tells them. */
@container (width < 1050px) {
  .states {
    display: none;
  }
}

.wings {
  color: var(--plum);
}

@media (max-width: 900px) {
  .tools {
    flex-wrap: wrap;
  }
}
</style>
