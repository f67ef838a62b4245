<script setup lang="ts">
import { computed, onMounted, ref, useTemplateRef } from 'vue'
import ShelfLine from './ShelfLine.vue'
import { sentenceOf } from '@/api/client'
import type { ShelfItem } from '@/api/types'
import PlaceHeader from '@/parts/PlaceHeader.vue'
import ShelfUses from '@/parts/ShelfUses.vue'
import { kindWords, useShelf } from '@/state/shelf'
import RemovedNotice from '@/views/library/RemovedNotice.vue'

/** What is kept by name and can be used in every template. */
const shelf = useShelf()
const file = useTemplateRef('file')
const sought = ref('')
const trouble = ref<string>()
const asking = ref(false)
const asked = ref<ShelfItem>()
const removed = ref<{ kind: 'shelf-item'; id: string; name: string }>()

const found = computed(() => {
  const words = sought.value.toLowerCase().split(/\s+/).filter(Boolean)
  const textOf = (item: ShelfItem) => `${item.name} ${kindWords[item.kind]} ${item.words}`.toLowerCase()
  return shelf.items?.filter((item) => words.every((word) => textOf(item).includes(word)))
})

async function attempt(work: () => Promise<unknown>) {
  trouble.value = undefined
  try {
    await work()
  } catch (error) {
    trouble.value = sentenceOf(error)
  }
}

const remove = (item: ShelfItem) =>
  attempt(async () => {
    await shelf.remove(item.id)
    removed.value = { kind: 'shelf-item', id: item.id, name: item.name }
  })

async function bring(field: HTMLInputElement) {
  for (const chosen of field.files ?? []) await attempt(() => shelf.bring(chosen))
  field.value = ''
}

function ask(item: ShelfItem) {
  asked.value = item
  asking.value = true
}

onMounted(() => attempt(shelf.look))
</script>

<template>
  <PlaceHeader>
    <h1>Shelf</h1>
    <input v-model="sought" class="field" type="search" placeholder="Search" aria-label="Search the shelf" />
    <span class="gap" />
    <button type="button" class="plain" @click="file?.click()">Bring a file…</button>
    <input
      ref="file"
      type="file"
      multiple
      accept=".json,application/json"
      hidden
      aria-label="Items of a shelf as files"
      @change="bring($event.target as HTMLInputElement)"
    />
  </PlaceHeader>
  <main class="shelf">
    <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
    <RemovedNotice
      v-if="removed"
      :thing="removed"
      @back="attempt(async () => ((removed = undefined), await shelf.look()))"
      @close="removed = undefined"
    />
    <table v-if="found?.length">
      <thead>
        <tr>
          <th>Name</th>
          <th>What</th>
          <th class="roomy">Holds</th>
          <th class="right roomy">Revision</th>
          <th class="right roomy">Changed</th>
          <th><span class="unseen">What can be done</span></th>
        </tr>
      </thead>
      <tbody>
        <ShelfLine
          v-for="item in found"
          :key="item.id"
          :item="item"
          @rename="(name) => attempt(() => shelf.rename(item.id, name))"
          @call="(key) => attempt(() => shelf.call(item.id, key))"
          @uses="ask(item)"
          @remove="remove(item)"
        />
      </tbody>
    </table>
    <p v-else-if="shelf.items?.length" class="quiet">Nothing on the shelf is called that.</p>
    <p v-else-if="shelf.items" class="quiet">
      Nothing is kept yet. A kit or its machine is kept from the outputs of a template, a groove and a patch where they
      are made; each can be used in every template then.
    </p>
    <ShelfUses v-model:open="asking" :item="asked" />
  </main>
</template>

<style scoped>
.shelf {
  padding: 20px 26px;
  overflow: auto;
}

.gap {
  flex: 1;
}
</style>
<style scoped src="../../look/table.css"></style>
