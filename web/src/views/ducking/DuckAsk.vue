<script setup lang="ts">
import { depthRangeDb, type DuckAsking } from './useDuckAsk'
import type { Ducker } from '@/api/types'
import { numberText } from '@/parts/decibels'
import ValueField from '@/parts/ValueField.vue'

/** Says how far and until when a channel shall give way; what that comes to, and what it does then, stand below. */
defineProps<{ ducker: Ducker; asking: DuckAsking }>()
</script>

<template>
  <section>
    <h2>Ask</h2>
    <form @submit.prevent="asking.solve()">
      <span class="quiet">This deep</span>
      <ValueField
        label="This deep"
        unit="dB"
        :value="asking.depth.value"
        :min="depthRangeDb.min"
        :max="depthRangeDb.max"
        :step="0.5"
        @change="asking.want({ depth: $event ?? 6 })"
      />
      <span class="quiet">Stay down</span>
      <ValueField
        label="Stay down"
        unit="ms"
        counts="milliseconds"
        :value="asking.stay.value"
        :min="0"
        :max="500"
        :step="5"
        @change="asking.want({ stay: $event ?? 0 })"
      />
      <span class="quiet">Back by</span>
      <span class="back"
        ><ValueField
          label="Back by"
          counts="quarters"
          :value="asking.back.value"
          :min="0.03125"
          :max="16"
          :step="0.0625"
          @change="asking.want({ back: $event ?? 0.5 })"
        /><small class="faint">{{ numberText(asking.back.value * asking.quarterMs(), 0) }} ms</small></span
      >
      <span class="quiet">Goes down</span>
      <select
        class="field"
        aria-label="Goes down"
        :value="asking.soft.value ? 'gently' : 'at once'"
        @change="asking.want({ soft: ($event.target as HTMLSelectElement).value === 'gently' })"
      >
        <option>at once</option>
        <option>gently</option>
      </select>
      <button type="submit" class="plain on solve" :disabled="asking.solving.value">
        {{ asking.solving.value ? 'Working it out…' : 'Set it so' }}
      </button>
    </form>
    <p v-if="asking.limit.value" class="plum" role="status">{{ asking.limit.value }}</p>
    <p v-if="asking.trouble.value" class="trouble" role="alert">{{ asking.trouble.value }}</p>
  </section>
  <section>
    <h3>Set</h3>
    <dl>
      <template v-for="setting in ducker.set" :key="setting.name">
        <dt>{{ setting.name }}</dt>
        <dd>{{ setting.value }}</dd>
      </template>
    </dl>
  </section>
  <section v-if="ducker.reading">
    <h3>Measured</h3>
    <dl>
      <dt>Depth</dt>
      <dd>{{ numberText(ducker.reading.depthDb, 2) }} dB</dd>
      <template v-if="ducker.reading.depthDb - ducker.reading.leastDepthDb > 0.2">
        <dt>Softest hit</dt>
        <dd>{{ numberText(ducker.reading.leastDepthDb, 1) }} dB</dd>
      </template>
      <dt>Back at</dt>
      <dd>
        {{ ducker.reading.backMs == null ? 'not before the next hit' : `${numberText(ducker.reading.backMs, 0)} ms` }}
      </dd>
      <dt>Takes</dt>
      <dd>{{ numberText(ducker.reading.meanDb, 1) }} dB of the mean level</dd>
    </dl>
    <p v-if="ducker.reading.isSupposed" class="faint">
      Nothing strikes it here yet: this is what it does where something strikes on every beat.
    </p>
  </section>
  <p v-else class="faint">{{ ducker.trouble }}</p>
</template>

<style scoped>
section {
  border-bottom: 1px solid var(--line-soft);
  padding-bottom: 12px;
  margin-bottom: 12px;
}

h2 {
  margin: 0 0 8px;
}

h3 {
  font-size: 14px;
  margin: 0 0 6px;
}

form,
dl {
  display: grid;
  grid-template-columns: 100px 1fr;
  gap: 5px 10px;
  align-items: baseline;
  margin: 0;
}

dt {
  color: var(--text-2);
}

dd {
  margin: 0;
}

.back {
  display: flex;
  gap: 8px;
  align-items: baseline;
}

.solve {
  grid-column: 1 / 3;
  justify-self: start;
  margin-top: 6px;
}

.plum {
  color: var(--plum);
}

.trouble {
  color: var(--blocker);
}
</style>
