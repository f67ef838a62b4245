<script setup lang="ts">
import { computed, ref, useTemplateRef } from 'vue'
import ParameterFields from './ParameterFields.vue'
import { sentenceOf, upload } from '@/api/client'
import PatchLine from './PatchLine.vue'
import PieceSounds from './PieceSounds.vue'
import type { ChannelRow, Kit } from '@/api/types'
import Icon from '@/parts/Icon.vue'
import { useCatalogue } from '@/state/catalogue'
import { useDocument } from '@/state/document'

const props = defineProps<{ row: ChannelRow }>()
const document = useDocument()
const catalogue = useCatalogue()
const kitFile = useTemplateRef('kitFile')
const trouble = ref<string>()
/** What the last kit's file held besides. */
const left = ref<string[]>([])

const channel = computed(() => props.row.channel)
const source = computed(() => (channel.value.source?.type === 'instrument' ? channel.value.source : undefined))
const kind = computed(() => catalogue.instruments.get(source.value?.instrument ?? ''))

async function attempt(work: () => Promise<void>) {
  trouble.value = undefined
  try {
    await work()
  } catch (error) {
    trouble.value = sentenceOf(error)
  }
}

function address(what: string) {
  return `/api/documents/${document.head!.id}/channels/${channel.value.id}/${what}`
}

function readKit(files: FileList | null) {
  const file = files?.[0]
  if (!file || !source.value) return
  return attempt(async () => {
    const { kit, leftOut } = await upload<{ kit: Kit; leftOut: string[] }>(address('kit-file'), file)
    const stored = await document.edit(
      [{ type: 'set-source', channel: channel.value.id, source: { ...source.value!, kit } }],
      channel.value.id,
    )
    if (!stored) trouble.value = document.refusal?.sentence
    left.value = leftOut
  })
}

function usePatch(settings: Record<string, number>, patch: string | null) {
  const { id } = channel.value
  void document.edit([{ type: 'set-settings', channel: id, insert: null, settings, patch }], id)
}

function turn(parameter: string, value: number | null) {
  void document.edit(
    [{ type: 'set-instrument-setting', channel: channel.value.id, parameter, value }],
    channel.value.id,
  )
}
</script>

<template>
  <section>
    <h3>
      {{ kind?.name }}<span class="about">{{ kind?.about }}</span>
    </h3>
    <PatchLine
      v-if="source"
      :of="source.instrument"
      :settings="source.settings ?? {}"
      :now="source.patch"
      @use="usePatch"
    />
    <ParameterFields
      v-if="kind && source"
      :owner="kind.name"
      :parameters="kind.parameters"
      :settings="source.settings ?? {}"
      @change="turn"
    />
    <div v-if="source?.kit" class="line">
      <span class="quiet">{{ source.kit.pieces.length }} pieces, {{ source.kit.outputs.length }} outputs</span>
      <button type="button" class="plain bare" @click="kitFile?.click()">
        <Icon name="file" :size="13" /> Kit from a file
      </button>
      <input
        ref="kitFile"
        type="file"
        accept=".csv,.midnam,.zip,text/csv,application/zip"
        hidden
        aria-label="A kit: a table (CSV), a MIDI name document, or an SFZ with its samples in a ZIP"
        @change="readKit(($event.target as HTMLInputElement).files)"
      />
    </div>
    <div v-if="source?.kit" class="line">
      <span class="quiet">Take away</span>
      <a class="plain bare" :href="address('kit.csv')" download>as a table</a>
      <a class="plain bare" :href="address('kit.midnam')" download>as note names</a>
    </div>
    <p v-if="left.length" class="quiet">Left out: {{ left.join('; ') }}.</p>
    <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
    <PieceSounds v-if="source?.kit" :channel="channel" />
  </section>
</template>

<style scoped src="./player.css"></style>
