<script setup lang="ts">
import Dialog from 'primevue/dialog'
import { computed, ref, watch } from 'vue'
import { useCopied, type CopiedPart } from './copied'
import { useManyEdits } from './useManyEdits'
import DialogEnds from '@/parts/DialogEnds.vue'
import { levelText } from '@/parts/decibels'
import { useCatalogue } from '@/state/catalogue'
import { useDocument } from '@/state/document'

/** Which parts of what was copied are put on the chosen channels. */
const copied = useCopied()
const many = useManyEdits()
const catalogue = useCatalogue()
const document = useDocument()
const trouble = ref<string>()

const onto = computed(() =>
  many.rows.value.length === 1 ? many.rows.value[0]!.channel.name : `${many.rows.value.length} channels`,
)
const choices = computed<{ part: CopiedPart; text: string; holds: string }[]>(() => {
  const of = copied.strip
  if (!of) return []
  const inserts = (of.strip.inserts ?? []).map((i) => catalogue.processors.get(i.processor)?.name ?? i.processor)
  const sends = (of.strip.sends ?? []).map((s) => s.to)
  return [
    { part: 'inserts', text: 'Its inserts, in the place of those there', holds: inserts.join(', ') || 'none' },
    { part: 'sends', text: 'Its sends, beside those there', holds: sends.join(', ') || 'none' },
    { part: 'level', text: 'Its level', holds: `${levelText(of.level)} dB` },
    { part: 'pan', text: 'Its pan', holds: panText(of.pan) },
  ]
})

const panText = (pan: number) => (pan === 0 ? 'C' : `${Math.round(Math.abs(pan) * 100)} ${pan < 0 ? 'L' : 'R'}`)

watch(
  () => copied.asking,
  () => (trouble.value = undefined),
)

function turn(part: CopiedPart, on: boolean) {
  const parts = new Set(copied.parts)
  if (on) parts.add(part)
  else parts.delete(part)
  copied.parts = parts
}

async function put() {
  if (await copied.put(many.rows.value)) copied.asking = false
  else trouble.value = document.refusal?.sentence ?? 'None of the chosen channels can have it.'
}
</script>

<template>
  <Dialog
    v-model:visible="copied.asking"
    modal
    :header="`${copied.strip?.name ?? ''} onto ${onto}`"
    :style="{ width: '440px' }"
    :draggable="false"
  >
    <form class="form" @submit.prevent="put">
      <label v-for="(choice, i) in choices" :key="choice.part" class="switch">
        <input
          type="checkbox"
          :autofocus="i === 0"
          :checked="copied.parts.has(choice.part)"
          @change="turn(choice.part, ($event.target as HTMLInputElement).checked)"
        />
        <span
          >{{ choice.text }}: <span class="faint">{{ choice.holds }}</span></span
        >
      </label>
      <DialogEnds
        :trouble="trouble"
        leave="Leave it"
        keep="Put it on"
        :disabled="copied.parts.size === 0"
        @leave="copied.asking = false"
      />
    </form>
  </Dialog>
</template>

<style scoped src="@/parts/dialogForm.css"></style>
