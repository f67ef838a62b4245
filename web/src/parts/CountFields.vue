<script setup lang="ts">
/** What is counted before the first section, and whether a click goes on. */
const bars = defineModel<string>('bars', { required: true })
const click = defineModel<boolean>('click', { required: true })
</script>

<template>
  <div class="count">
    <label class="bars">Count-in, bars<input v-model="bars" class="field" inputmode="numeric" /></label>
    <label class="tick"><input v-model="click" type="checkbox" />Click through the song</label>
  </div>
</template>

<style scoped>
.count {
  display: flex;
  align-items: end;
  gap: 16px;
}

label {
  color: var(--text-2);
}

.bars {
  display: grid;
  gap: 4px;
  width: 110px;
}

.tick {
  display: flex;
  align-items: center;
  gap: 7px;
  min-height: 32px;
}
</style>
