<script setup lang="ts">
import { computed } from 'vue'
import { printsAsked } from './printsAsked'
import { useManyEdits } from '../useManyEdits'

/** The way from several chosen channels to their prints. */
const many = useManyEdits()
const played = computed(() => many.rows.value.filter((r) => ['instrument', 'split'].includes(r.channel.kind)))
</script>

<template>
  <template v-if="played.length">
    <dt>Prints</dt>
    <dd>
      <button
        type="button"
        class="plain"
        title="Records what they play onto audio channels, by one render"
        @click="printsAsked = played.map((r) => r.channel.id)"
      >
        Print {{ played.length }}…
      </button>
    </dd>
  </template>
</template>

<style scoped src="../facts.css"></style>
