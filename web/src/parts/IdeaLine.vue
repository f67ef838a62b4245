<script setup lang="ts">
import { computed, ref } from 'vue'
import BarsChoice from './BarsChoice.vue'
import { useDocument } from '@/state/document'
import { usePlayed } from '@/state/played'
import { noteValues } from '@/views/order/noteValues'

/** What was played lately, to be kept as a starter. */
const document = useDocument()
const played = usePlayed()

const bars = ref('')
const pull = ref('0')
const grid = ref(document.head?.opening?.gridTicks ?? 240)
const groove = ref('')
const wheels = ref(true)
const name = computed(() => document.rows.get(played.channel ?? '')?.channel.name ?? '')

function keep() {
  void played.keep({
    bars: bars.value ? Number(bars.value) : null,
    strength: Number(pull.value) / 100,
    gridTicks: grid.value,
    groove: groove.value || null,
    wheels: wheels.value,
  })
}
</script>

<template>
  <div v-if="played.count > 0 || played.kept || played.trouble" class="idea" role="group" aria-label="What was played">
    <template v-if="played.count > 0">
      <span class="quiet"
        >{{ played.count }} {{ played.count === 1 ? 'note' : 'notes' }} played on {{ name }} over
        {{ played.overName }}</span
      >
      <BarsChoice v-model="bars" />
      <label
        >pulled to
        <select v-model.number="grid" class="field">
          <option v-for="[ticks, text] in noteValues" :key="ticks" :value="ticks">{{ text }}</option>
        </select></label
      >
      <label v-if="document.head?.grooves.length"
        >in
        <select v-model="groove" class="field">
          <option value="">straight time</option>
          <option v-for="g in document.head.grooves" :key="g.name" :value="g.name">{{ g.name }}</option>
        </select></label
      >
      <label
        >by
        <select v-model="pull" class="field">
          <option v-for="p in [0, 25, 50, 75, 100]" :key="p" :value="String(p)">
            {{ p === 0 ? '0 %, as played' : `${p} %` }}
          </option>
        </select></label
      >
      <label v-if="played.hasMoves" class="tick"><input v-model="wheels" type="checkbox" /> wheels as curves</label>
      <button type="button" class="loud" @click="keep">Keep it as a starter</button>
      <button type="button" class="plain bare" @click="played.forget()">Forget it</button>
    </template>
    <span v-if="played.kept" class="quiet" role="status">{{ played.kept }}</span>
    <span v-if="played.trouble" class="trouble" role="alert">{{ played.trouble }}</span>
  </div>
</template>

<style scoped src="./ideaLine.css"></style>
