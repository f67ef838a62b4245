<script setup lang="ts">
import { computed, nextTick, ref, useTemplateRef } from 'vue'
import BillFit from './BillFit.vue'
import type { Summary } from '@/api/types'
import { inkOf } from '@/look/ink'
import DamageNote from '@/parts/DamageNote.vue'
import { bpmText } from '@/parts/tempoText'
import { shortDayOf } from './keepingCalls'

/** @param within the category that is looked at; empty for all */
const props = defineProps<{ template: Summary; within: string }>()
const emit = defineEmits<{
  start: []
  makeDefault: []
  lead: []
  base: []
  copy: []
  rename: [name: string]
  remove: []
  recover: []
}>()

const longest = computed(() => Math.max(...props.template.families.map((f) => f.count), 1))
const changed = computed(() => shortDayOf(props.template.changedUtc))

const isProven = computed(() => {
  const { blockers, warnings, hints } = props.template.findings
  return blockers + warnings + hints === 0
})
const ready = computed(() => {
  const { blockers, warnings, hints } = props.template.findings
  const of = (count: number, one: string) => (count ? `${count} ${one}${count === 1 ? '' : 's'}` : '')
  return [of(blockers, 'blocker'), of(warnings, 'warning'), of(hints, 'hint')].filter(Boolean).join(', ') || 'proven'
})

/** Of the act that takes the most; all of them by their names beside. */
const weight = computed(() => `${Math.max(...props.template.weights.map((w) => w.percent), 0).toFixed(0)} % of a core`)
const weights = computed(() => props.template.weights.map((w) => `${w.act} ${w.percent.toFixed(1)} %`).join(', '))

const used = computed(() =>
  props.template.lastUsedUtc
    ? `${props.template.songs} ${props.template.songs === 1 ? 'song' : 'songs'}, last ${shortDayOf(props.template.lastUsedUtc)}`
    : 'no song yet',
)

const naming = ref(false)
const name = ref('')
const field = useTemplateRef('field')

async function rename() {
  name.value = props.template.name
  naming.value = true
  await nextTick()
  field.value?.select()
}

function named() {
  if (!naming.value) return
  naming.value = false
  const wanted = name.value.trim()
  if (wanted && wanted !== props.template.name) emit('rename', wanted)
}

function bar(count: number) {
  return `${Math.max(6, (count / Math.max(longest.value, 8)) * 55)}%`
}
</script>

<template>
  <article class="bill" :class="{ first: template.opensByDefault }" :aria-label="template.name">
    <div class="head">
      <input
        v-if="naming"
        ref="field"
        v-model="name"
        class="field naming"
        maxlength="80"
        :aria-label="`Another name for ${template.name}`"
        @keydown.enter="named"
        @keydown.esc.stop="naming = false"
        @blur="named"
      />
      <h2 v-else>
        <RouterLink :to="`/templates/${template.id}`">{{ template.name }}</RouterLink>
      </h2>
      <template v-if="within">
        <span v-if="template.leadsCategory" class="default">first of {{ within }}</span>
        <button v-else type="button" class="plain bare small" @click="$emit('lead')">
          make it first of {{ within }}
        </button>
      </template>
      <span v-else-if="template.opensByDefault" class="default">opens by default</span>
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
    <p v-if="template.found" class="found">has {{ template.found }}</p>
    <p v-if="template.tags.length" class="tags faint">{{ template.tags.join(' · ') }}</p>
    <p class="facts faint">
      <span class="ready" :class="{ proven: isProven }">{{ ready }}</span>
      <span :title="weights">{{ weight }}</span>
      <span title="Single edits that would rebuild it from nothing">{{ template.moves }} moves saved</span>
      <span>{{ used }}</span>
      <span>changed {{ changed }}</span>
      <BillFit v-if="!template.damage" :template="template.id" :changed="template.changedUtc" />
    </p>
    <div class="ways faint">
      <template v-if="!template.damage">
        <button type="button" class="plain bare small" :aria-label="`Rename ${template.name}`" @click="rename">
          rename
        </button>
        <button type="button" class="plain bare small" :aria-label="`Copy ${template.name}`" @click="$emit('copy')">
          copy
        </button>
        <button
          type="button"
          class="plain bare small"
          :aria-label="`Base one on it: ${template.name}`"
          title="A template of its own that is offered what changes here"
          @click="$emit('base')"
        >
          base one on it
        </button>
        <RouterLink
          class="plain bare small"
          :to="`/templates/${template.id}/refit`"
          title="Bring it onto the buses of another template"
          :aria-label="`Refit ${template.name}`"
          >refit</RouterLink
        >
      </template>
      <button type="button" class="plain bare small" :aria-label="`Remove ${template.name}`" @click="$emit('remove')">
        remove
      </button>
    </div>
    <div class="foot quiet">
      <span>{{ bpmText(template.tempoBpm) }} BPM</span>
      <span>{{ template.meter }}</span>
      <span>{{ template.channels }} channels</span>
      <button v-if="!template.damage" type="button" class="plain" @click="$emit('start')">Start a song</button>
    </div>
  </article>
</template>

<style scoped>
a.small {
  text-decoration: none;
}

.bill {
  /* Of many, those in sight alone are laid out. */
  content-visibility: auto;
  contain-intrinsic-size: auto 420px;
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

.tags,
.facts,
.found {
  margin: 0 0 6px;
  font-size: 12px;
}

.tags {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.found {
  color: var(--lamp);
}

.facts {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
}

.ready.proven {
  color: var(--proven);
}

.ways {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 0 14px;
  margin-bottom: 8px;
}

.head .small,
.ways .small {
  padding: 0;
}

.naming {
  font: 500 20px/1.2 var(--serif);
  min-width: 0;
  flex: 1;
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
</style>
