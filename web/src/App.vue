<script setup lang="ts">
import Toast from 'primevue/toast'
import ListeningBar from '@/parts/ListeningBar.vue'
import PadStrip from '@/parts/PadStrip.vue'
import Rail from '@/parts/Rail.vue'
import { useTheme } from '@/look/theme'
import { useHomecoming } from '@/parts/home'
import { useAsLeft } from '@/state/asLeft'
import { useCatalogue } from '@/state/catalogue'
import { useDocument } from '@/state/document'
import { usePads } from '@/state/pads'

const pads = usePads()
const document = useDocument()
useTheme()
useHomecoming()
useAsLeft()
void useCatalogue().load()
</script>

<template>
  <div class="stage">
    <Rail class="rail" />
    <div class="place"><RouterView /></div>
    <PadStrip v-if="pads.open && document.head" class="pad-area" />
    <ListeningBar class="bar" />
    <Toast group="told" position="bottom-right" />
  </div>
</template>

<style scoped>
.stage {
  display: grid;
  grid-template: minmax(0, 1fr) auto 72px / 76px minmax(0, 1fr);
  grid-template-areas: 'rail place' 'rail pads' 'rail bar';
  height: 100vh;
}

.rail {
  grid-area: rail;
}

.pad-area {
  grid-area: pads;
}

.bar {
  grid-area: bar;
}

.place {
  grid-area: place;
  min-width: 0;
  min-height: 0;
  display: grid;
  grid-template-rows: 60px minmax(0, 1fr);
}

@media (max-width: 700px) {
  .stage {
    grid-template: minmax(0, 1fr) auto auto 56px / minmax(0, 1fr);
    grid-template-areas: 'place' 'pads' 'bar' 'rail';
  }

  .place {
    grid-template-rows: auto minmax(0, 1fr);
  }
}
</style>
