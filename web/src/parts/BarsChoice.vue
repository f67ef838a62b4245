<script setup lang="ts">
/** How much of what was played or sung lately is kept: so many bars, or the last time around the loop. */
const bars = defineModel<string>({ required: true })
</script>

<template>
  <label
    >Of it
    <select v-model="bars" class="field">
      <option value="">the last time around</option>
      <option value="1">the last bar</option>
      <option v-for="n in [2, 4, 8]" :key="n" :value="String(n)">the last {{ n }} bars</option>
    </select></label
  >
</template>

<style scoped src="./ideaLine.css"></style>
