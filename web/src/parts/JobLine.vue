<script setup lang="ts">
/** How far a job is, and the way out of it. */
defineProps<{ progress: number; doing: string }>()
defineEmits<{ cancel: [] }>()
</script>

<template>
  <p class="work">
    <progress max="1" :value="progress" :aria-label="doing" />
    <span class="quiet">{{ Math.round(progress * 100) }} %</span>
    <button type="button" class="plain" @click="$emit('cancel')">Cancel</button>
  </p>
</template>

<style scoped>
.work {
  display: flex;
  gap: 12px;
  align-items: center;
}

progress {
  flex: 1;
  height: 5px;
}
</style>
