<script setup lang="ts">
import { computed, ref } from 'vue'
import BarsChoice from './BarsChoice.vue'
import { useDocument } from '@/state/document'
import { useHeardInput } from '@/state/heardInput'

/** One input of this computer, and what it heard lately, to be kept on the chosen audio channel. */
const document = useDocument()
const input = useHeardInput()
const bars = ref('')
const name = computed(() => document.selected?.channel.name ?? '')
const late = computed(() => `${(input.roundTrip * 1000).toFixed(1)} ms`)
</script>

<template>
  <div class="idea" role="group" aria-label="What is sung or played in">
    <button v-if="!input.on" type="button" class="plain" @click="input.start()">
      Listen to an input of this computer
    </button>
    <template v-else>
      <span class="quiet">{{
        input.seconds > 0.5 ? `${input.seconds.toFixed(0)} s heard over the loop` : 'Play the loop, and sing to it'
      }}</span>
      <BarsChoice v-model="bars" />
      <button
        type="button"
        class="loud"
        :disabled="input.seconds <= 0.5"
        @click="input.keep(bars ? Number(bars) : null)"
      >
        Keep it on {{ name }}
      </button>
      <span class="quiet" :title="'From the loudspeaker or the phones back through the input'"
        >round trip {{ late }}{{ input.measured === null ? ', as the browser says' : ', measured' }}</span
      >
      <button type="button" class="plain bare" :disabled="input.measuring" @click="input.measure()">
        {{ input.measuring ? 'Clicking…' : 'Measure it' }}
      </button>
      <button type="button" class="plain bare" @click="input.stop()">Listen no more</button>
    </template>
    <span v-if="input.kept" class="quiet" role="status">{{ input.kept }}</span>
    <span v-if="input.trouble" class="trouble" role="alert">{{ input.trouble }}</span>
  </div>
</template>

<style scoped src="./ideaLine.css"></style>
