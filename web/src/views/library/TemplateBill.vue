<script setup lang="ts">
import { computed } from 'vue'
import type { Summary } from '@/api/types'
import { inkOf } from '@/look/ink'
import DamageNote from '@/parts/DamageNote.vue'

const props = defineProps<{ template: Summary }>()
defineEmits<{ start: []; makeDefault: []; base: []; remove: []; recover: [] }>()

const longest = computed(() => Math.max(...props.template.families.map((f) => f.count), 1))
const changed = computed(() =>
  new Date(props.template.changedUtc).toLocaleDateString('en-GB', { day: 'numeric', month: 'short' }),
)

function bar(count: number) {
  return `${Math.max(6, (count / Math.max(longest.value, 8)) * 55)}%`
}
</script>

<template>
  <article class="bill" :class="{ first: template.opensByDefault }" :aria-label="template.name">
    <div class="head">
      <h2>
        <RouterLink :to="`/templates/${template.id}`">{{ template.name }}</RouterLink>
      </h2>
      <span v-if="template.opensByDefault" class="default">opens by default</span>
      <button v-else type="button" class="plain bare small" @click="$emit('makeDefault')">make it the default</button>
    </div>
    <DamageNote v-if="template.damage" :damage="template.damage" @recover="$emit('recover')" />
    <p v-if="template.basedOn" class="parent" :class="{ news: template.basedOn.hasChanged }">
      based on {{ template.basedOn.name }}{{ template.basedOn.hasChanged ? ', which has changed since' : '' }}
    </p>
    <p class="quiet note">{{ template.note || 'No prompt note yet.' }}</p>
    <ul>
      <li v-for="family in template.families" :key="family.name">
        <i class="inked" :style="{ width: bar(family.count), ...inkOf(family.colour) }" />
        {{ family.name.toLowerCase() }} {{ family.count }}
      </li>
      <li v-if="template.families.length === 0" class="faint">no channels yet</li>
    </ul>
    <p class="tags faint">
      <span>{{ template.tags.join(' · ') }}</span>
      <span class="changed"
        >changed {{ changed }}
        <button
          v-if="!template.damage"
          type="button"
          class="plain bare small"
          :aria-label="`A template based on ${template.name}`"
          title="A template of its own that is offered what changes here"
          @click="$emit('base')"
        >
          base one on it
        </button>
        <button type="button" class="plain bare small" :aria-label="`Remove ${template.name}`" @click="$emit('remove')">
          remove
        </button></span
      >
    </p>
    <div class="foot quiet">
      <span>{{ template.tempoBpm }} BPM</span>
      <span>{{ template.meter }}</span>
      <span>{{ template.channels }} channels</span>
      <button v-if="!template.damage" type="button" class="plain" @click="$emit('start')">Start a song</button>
    </div>
  </article>
</template>

<style scoped>
.bill {
  display: flex;
  flex-direction: column;
  padding: 16px 20px 12px;
  background: var(--panel);
  border: 1px solid var(--line-soft);
  border-radius: 12px;
}

.first {
  border-color: color-mix(in srgb, var(--lamp) 50%, transparent);
}

.head {
  display: flex;
  align-items: baseline;
  justify-content: space-between;
  gap: 10px;
}

h2 {
  font-size: 24px;
  line-height: 1.2;
}

h2 a {
  text-decoration: none;
}

h2 a:hover {
  color: var(--lamp);
}

.default {
  color: var(--lamp);
  font-size: 12px;
  white-space: nowrap;
}

.small {
  font-size: 12px;
  white-space: nowrap;
  color: var(--text-3);
}

.parent {
  margin: 2px 0 0;
  font-size: 12px;
  color: var(--text-3);
}

.parent.news {
  color: var(--plum);
}

.note {
  margin: 4px 0 12px;
  display: -webkit-box;
  -webkit-line-clamp: 3;
  -webkit-box-orient: vertical;
  overflow: hidden;
}

ul {
  list-style: none;
  margin: 0 0 10px;
  padding: 0;
  flex: 1;
}

li {
  display: flex;
  align-items: center;
  gap: 7px;
  line-height: 22px;
}

i {
  height: 5px;
  border-radius: 3px;
  background: var(--family);
}

.tags {
  display: flex;
  align-items: baseline;
  justify-content: space-between;
  gap: 12px;
  margin: 0 0 10px;
  font-size: 12px;
}

.foot {
  display: flex;
  align-items: center;
  gap: 16px;
  border-top: 1px solid var(--line-soft);
  padding-top: 10px;
  white-space: nowrap;
}

.foot button {
  margin-left: auto;
}

.changed {
  white-space: nowrap;
}
</style>
