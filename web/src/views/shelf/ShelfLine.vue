<script setup lang="ts">
import type { ShelfItem } from '@/api/types'
import TextField from '@/parts/TextField.vue'
import { kindWords } from '@/state/shelf'
import { dayOf } from '@/views/library/keepingCalls'

/** One item of the shelf. */
defineProps<{ item: ShelfItem }>()
defineEmits<{ rename: [name: string]; call: [key: string | null]; uses: []; remove: [] }>()
</script>

<template>
  <tr>
    <td class="name">
      <TextField
        class="serif"
        :aria-label="`Name of ${item.name}`"
        maxlength="80"
        :value="item.name"
        @change="(name) => name && name !== item.name && $emit('rename', name)"
      />
    </td>
    <td class="quiet kind">
      {{ kindWords[item.kind] }}<template v-if="item.kind === 'set-piece'">, </template>
      <label
        v-if="item.kind === 'set-piece'"
        class="faint"
        title="In the running order i and this letter or digit call it"
        >key
        <TextField
          class="key"
          maxlength="1"
          :aria-label="`Key of ${item.name}`"
          :value="item.key ?? ''"
          @change="(key) => $emit('call', key.toLowerCase() || null)"
        />
      </label>
    </td>
    <td class="roomy">{{ item.words }}</td>
    <td class="right roomy">{{ item.revision }}</td>
    <td class="right quiet roomy">{{ item.changedUtc ? dayOf(item.changedUtc) : '' }}</td>
    <td class="right ways">
      <button type="button" class="plain bare" :aria-label="`Where it is used: ${item.name}`" @click="$emit('uses')">
        Where it is used
      </button>
      <a class="plain bare" :href="`/api/shelf/${item.id}/document`" :aria-label="`As a file: ${item.name}`" download
        >As a file</a
      >
      <button type="button" class="plain bare" :aria-label="`Remove ${item.name}`" @click="$emit('remove')">
        Remove
      </button>
    </td>
  </tr>
</template>

<style scoped src="../../look/table.css"></style>
<style scoped>
.name {
  width: 30%;
  min-width: 180px;
}

.name .field {
  width: 100%;
}

.kind {
  white-space: nowrap;
}

.key {
  width: 30px;
  text-align: center;
  margin-left: 4px;
}

.ways {
  white-space: nowrap;
}

@media (max-width: 700px) {
  /* The name has a line of its own. */
  tr {
    display: flex;
    flex-wrap: wrap;
    align-items: baseline;
  }

  .name {
    flex: 1 0 100%;
  }

  .ways {
    flex: 1;
  }
}

.ways > * + * {
  margin-left: 10px;
}
</style>
