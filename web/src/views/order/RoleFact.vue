<script setup lang="ts">
import { computed } from 'vue'
import type { ChannelRow } from '@/api/types'
import { useCatalogue } from '@/state/catalogue'
import { useDocument } from '@/state/document'

/** What a channel is for: read from its name, or as a person says. */
const props = defineProps<{ row: ChannelRow }>()
const document = useDocument()
const catalogue = useCatalogue()

const read = computed(() => {
  const { role, confidence } = props.row.role
  if (props.row.channel.role) return 'as name and source tell'
  if (role === 'unknown') return 'not told by its name'
  return `${role.replaceAll('-', ' ')}${confidence < 0.5 ? ' perhaps' : ''}, as read`
})

function say(event: Event) {
  const role = (event.target as HTMLSelectElement).value || null
  void document.edit([{ type: 'set-role', channel: props.row.channel.id, role }], props.row.channel.id)
}
</script>

<template>
  <dt>Role</dt>
  <dd>
    <select
      class="field"
      :value="row.channel.role ?? ''"
      :aria-label="`Role of ${row.channel.name}`"
      :title="row.channel.role ? undefined : `${Math.round(row.role.confidence * 100)} % sure`"
      @change="say"
    >
      <option value="">{{ read }}</option>
      <option v-for="role in catalogue.roles" :key="role" :value="role">{{ role.replaceAll('-', ' ') }}</option>
    </select>
  </dd>
</template>

<style scoped src="./facts.css"></style>
