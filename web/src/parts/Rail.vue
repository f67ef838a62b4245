<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import Icon from './Icon.vue'
import { useTheme } from '@/look/theme'
import { useDocument } from '@/state/document'
import { useStudio } from '@/state/studio'

const route = useRoute()
const document = useDocument()
const studio = useStudio()
const { theme, turn } = useTheme()

const orderPath = computed(() => {
  if (!document.head) return undefined
  return document.kind === 'song' ? `/songs/${document.head.id}/order` : `/templates/${document.head.id}`
})
const outputsPath = computed(() => (document.head ? `/${document.kind}s/${document.head.id}/outputs` : undefined))
const stripPath = computed(() => (document.head ? `/${document.kind}s/${document.head.id}/strip` : undefined))
const onStrip = computed(() => route.name === 'template-strip' || route.name === 'song-strip')
const duckingPath = computed(() => (document.head ? `/${document.kind}s/${document.head.id}/ducking` : undefined))
const onDucking = computed(() => route.name === 'template-ducking' || route.name === 'song-ducking')
const sendsPath = computed(() => (document.head ? `/${document.kind}s/${document.head.id}/sends` : undefined))
const onSends = computed(() => route.name === 'template-sends' || route.name === 'song-sends')
const movementPath = computed(() => (document.head ? `/${document.kind}s/${document.head.id}/movement` : undefined))
const onMovement = computed(() => route.name === 'template-movement' || route.name === 'song-movement')
const onOutputs = computed(() => route.name === 'template-outputs' || route.name === 'song-outputs')
const onOrder = computed(() =>
  ['template', 'song-order', 'template-cast', 'song-cast', 'template-call-sheet', 'song-call-sheet'].includes(
    String(route.name),
  ),
)
const onSongs = computed(() => route.name === 'songs' || route.name === 'song')
</script>

<template>
  <nav class="rail" aria-label="Places">
    <svg class="mark" viewBox="0 0 34 34" aria-hidden="true">
      <path d="M3 30V6c7 1 11 6 12 24zM31 30V6c-7 1-11 6-12 24z" fill="#6d3f58" />
      <path d="M3 5h28" stroke="#c79ab6" stroke-width="2" />
      <circle cx="17" cy="25" r="3.2" fill="#f2b65a" />
    </svg>
    <RouterLink to="/" :class="{ on: route.name === 'library' }"><Icon name="library" />Library</RouterLink>
    <RouterLink v-if="orderPath" :to="orderPath" :class="{ on: onOrder }"
      ><Icon name="order" />Running order</RouterLink
    >
    <RouterLink v-if="outputsPath" :to="outputsPath" :class="{ on: onOutputs }"
      ><Icon name="outputs" />Outputs</RouterLink
    >
    <RouterLink v-if="stripPath" :to="stripPath" :class="{ on: onStrip }"><Icon name="strip" />Strip</RouterLink>
    <RouterLink v-if="duckingPath" :to="duckingPath" :class="{ on: onDucking }"
      ><Icon name="ducking" />Ducking</RouterLink
    >
    <RouterLink v-if="sendsPath" :to="sendsPath" :class="{ on: onSends }"><Icon name="sends" />Sends</RouterLink>
    <RouterLink v-if="movementPath" :to="movementPath" :class="{ on: onMovement }"
      ><Icon name="movement" />Movement</RouterLink
    >
    <RouterLink to="/songs" :class="{ on: onSongs }"><Icon name="songs" />Songs</RouterLink>
    <RouterLink to="/shelf" :class="{ on: route.name === 'shelf' }"><Icon name="shelf" />Shelf</RouterLink>
    <RouterLink to="/studio" :class="{ on: route.name === 'studio' }"><Icon name="studio" />Studio</RouterLink>
    <select
      v-if="studio.items?.length"
      class="studio"
      aria-label="The studio that is on"
      :title="studio.on ? `${studio.on.name}: ${studio.on.words}` : 'No studio is on'"
      :value="studio.on?.id ?? ''"
      @change="studio.putOn(($event.target as HTMLSelectElement).value || null)"
    >
      <option value="">none</option>
      <option v-for="item in studio.items" :key="item.id" :value="item.id">{{ item.name }}</option>
    </select>
    <span class="gap" />
    <button
      type="button"
      :title="theme === 'night' ? 'Printed bill: light colours' : 'Lamplight: dark colours'"
      @click="turn"
    >
      <Icon name="lamp" />{{ theme === 'night' ? 'Printed' : 'Lamplit' }}
    </button>
  </nav>
</template>

<style scoped>
.rail {
  background: var(--rail);
  border-right: 1px solid var(--line-soft);
  display: flex;
  flex-direction: column;
  align-items: center;
  padding: 14px 0 10px;
  gap: 2px;
}

.mark {
  width: 34px;
  height: 34px;
  margin-bottom: 12px;
}

.rail a,
.rail button {
  width: 66px;
  padding: 7px 0 6px;
  display: flex;
  flex-direction: column;
  align-items: center;
  gap: 3px;
  text-align: center;
  text-decoration: none;
  font-size: 10.5px;
  line-height: 1.25;
  color: var(--text-3);
  background: none;
  border: 0;
  border-radius: 8px;
  cursor: pointer;
}

.rail a:hover,
.rail button:hover {
  color: var(--text);
}

.rail a.on {
  color: var(--lamp);
  background: var(--lamp-wash);
}

.studio {
  width: 66px;
  padding: 2px 0;
  border: 1px solid var(--line-soft);
  border-radius: 6px;
  background: var(--rail);
  color: var(--text-2);
  font-size: 10.5px;
  text-overflow: ellipsis;
}

.gap {
  flex: 1;
}

@media (max-width: 700px) {
  .rail {
    flex-direction: row;
    padding: 0 8px;
    gap: 4px;
    overflow-x: auto;
    scrollbar-width: none;
  }

  .rail a,
  .rail button {
    flex: 1 0 auto;
    width: auto;
    padding-inline: 4px;
    font-size: 9.5px;
  }

  .mark,
  .studio,
  .gap {
    display: none;
  }
}
</style>
