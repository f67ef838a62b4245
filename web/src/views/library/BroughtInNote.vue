<script setup lang="ts">
import { computed } from 'vue'
import type { BroughtIn } from '@/api/types'

/** What came of a file that was brought, and what did not come with it. */
const props = defineProps<{ brought: BroughtIn & { name: string } }>()

const mostNamed = 4
const lacking = computed(() => props.brought.missingSounds.map((m) => m.title))
const lacks = computed(() => (lacking.value.length === 1 ? 'one sound' : `${lacking.value.length} sounds`))
</script>

<template>
  <div class="brought" role="status">
    {{ brought.name }} is here<template v-if="lacking.length"
      >, without {{ lacks }} that it uses: {{ lacking.slice(0, mostNamed).join(', ')
      }}{{ lacking.length > mostNamed ? ' and more' : '' }}. They play silence until their files are brought.</template
    ><template v-else>.</template>
    <RouterLink :to="`/templates/${brought.id}`">Open it</RouterLink>
    <details v-if="brought.leftOut.length" open>
      <summary>Left out</summary>
      <ul>
        <li v-for="words in brought.leftOut" :key="words" class="quiet">{{ words }}</li>
      </ul>
    </details>
  </div>
</template>

<style scoped>
.brought {
  margin: 0 0 16px;
  padding: 8px 14px;
  background: var(--raised);
  border-radius: 8px;
}

details {
  margin-top: 4px;
}

summary {
  cursor: pointer;
}

ul {
  columns: 2 320px;
  margin: 4px 0 0;
  padding-left: 18px;
}
</style>
