<script setup lang="ts">
import { computed, ref } from 'vue'
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
  <div class="heard" role="group" aria-label="What is sung or played in">
    <button v-if="!input.on" type="button" class="plain" @click="input.start()">
      Listen to an input of this computer
    </button>
    <template v-else>
      <span class="quiet">{{
        input.seconds > 0.5 ? `${input.seconds.toFixed(0)} s heard over the loop` : 'Play the loop, and sing to it'
      }}</span>
      <label
        >Of it
        <select v-model="bars" class="field">
          <option value="">the last time around</option>
          <option value="1">the last bar</option>
          <option v-for="n in [2, 4, 8]" :key="n" :value="String(n)">the last {{ n }} bars</option>
        </select></label
      >
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

<style scoped>
.heard {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 12px;
  padding-bottom: 6px;
}

label {
  display: flex;
  align-items: center;
  gap: 5px;
  color: var(--text-2);
}

.trouble {
  color: var(--blocker);
}
</style>
