<script setup lang="ts">
import { computed, ref } from 'vue'
import ManyAdds from './ManyAdds.vue'
import ManyFacts from './ManyFacts.vue'
import PieceLine from './pieces/PieceLine.vue'
import ManyStrips from '@/strips/ManyStrips.vue'
import { useManyEdits } from './useManyEdits'

/** Everything that several chosen channels can be given alike. */
const many = useManyEdits()
const pattern = ref('')
const from = ref(1)
const names = computed(() => many.rows.value.map((r) => r.channel.name))
</script>

<template>
  <h2>{{ names.length }} channels</h2>
  <p class="faint names">{{ names.join(', ') }}</p>
  <div class="acts">
    <button type="button" class="plain" @click="many.busAround()">Put a bus around them</button>
    <button type="button" class="plain" @click="many.duplicate()">Duplicate</button>
    <button type="button" class="plain" @click="many.remove()">Remove</button>
  </div>
  <PieceLine :channels="many.ids.value" />
  <section>
    <h3>All alike</h3>
    <form class="name" @submit.prevent="pattern.trim() && many.name(pattern, from)">
      <input
        v-model="pattern"
        class="field"
        maxlength="80"
        placeholder="Name, # is the number"
        aria-label="Name for all, # is the number"
        @keydown.stop
      />
      from
      <input
        v-model.number="from"
        class="field short"
        type="number"
        min="0"
        max="9999"
        aria-label="First number"
        @keydown.stop
      />
      <button type="submit" class="plain" :disabled="pattern.trim() === ''">Name</button>
    </form>
    <ManyFacts />
    <ManyAdds />
    <ManyStrips :rows="many.rows.value" />
  </section>
</template>

<style scoped>
h2 {
  font-size: 20px;
}

.names {
  margin: 2px 0 8px;
  max-height: 4.2em;
  overflow: auto;
}

.acts,
.name {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px;
}

.name .field:first-child {
  flex: 1 0 100%;
}

.short {
  width: 62px;
}
</style>
