<script setup lang="ts">
import Toast from 'primevue/toast'
import { useToast } from 'primevue/usetoast'
import { watch } from 'vue'
import { useDocument } from '@/state/document'

/** Says a refusal whose channel is not in sight; one that is says it in its own row. */
const props = defineProps<{ inSight: (channel: string) => boolean }>()
const document = useDocument()
const toast = useToast()
const lifeMs = 12_000

watch(
  () => document.refusal,
  (refusal) => {
    if (!refusal?.channel || props.inSight(refusal.channel)) return
    const name = document.rows.get(refusal.channel)?.channel.name
    toast.add({
      severity: 'error',
      summary: name ? `${name}: nothing was changed` : 'Nothing was changed',
      detail: refusal.path.length
        ? `This would feed a channel back into itself: ${refusal.path.join(' → ')}.`
        : refusal.sentence,
      life: lifeMs,
    })
  },
)
</script>

<template>
  <Toast position="bottom-right" />
</template>
