<script setup lang="ts">
import ListeningBar from '@/parts/ListeningBar.vue'
import Rail from '@/parts/Rail.vue'
import { useTheme } from '@/look/theme'
import { useCatalogue } from '@/state/catalogue'

useTheme()
void useCatalogue().load()
</script>

<template>
  <div class="stage">
    <Rail />
    <div class="place"><RouterView /></div>
    <ListeningBar />
  </div>
</template>

<style scoped>
.stage {
  display: grid;
  grid-template: minmax(0, 1fr) 72px / 76px minmax(0, 1fr);
  height: 100vh;
}

.place {
  min-width: 0;
  min-height: 0;
  display: grid;
  grid-template-rows: 60px minmax(0, 1fr);
}

@media (max-width: 700px) {
  .stage {
    grid-template: minmax(0, 1fr) auto 56px / minmax(0, 1fr);
  }
}
</style>
