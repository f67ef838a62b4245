<script setup lang="ts">
import { computed } from 'vue'
import KitFromFile from './KitFromFile.vue'
import ParameterFields from './ParameterFields.vue'
import PatchLine from './PatchLine.vue'
import PieceSounds from './PieceSounds.vue'
import type { ChannelRow, OutsideDevice } from '@/api/types'
import { controlsOf } from '@/devices/controls'
import DeviceLine from '@/devices/DeviceLine.vue'
import { useCatalogue } from '@/state/catalogue'
import { useDocument } from '@/state/document'

const props = defineProps<{ row: ChannelRow }>()
const document = useDocument()
const catalogue = useCatalogue()
const channel = computed(() => props.row.channel)
const source = computed(() => (channel.value.source?.type === 'instrument' ? channel.value.source : undefined))
const kind = computed(() => catalogue.instruments.get(source.value?.instrument ?? ''))
const device = computed(() => (source.value?.device as OutsideDevice | null | undefined) ?? null)
const controls = computed(() => controlsOf(device.value))

function address(what: string) {
  return `/api/documents/${document.head!.id}/channels/${channel.value.id}/${what}`
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
      {{ source?.device?.name ?? kind?.name
      }}<span class="about">{{ source?.device ? `heard through ${kind?.name}` : kind?.about }}</span>
    </h3>
    <DeviceLine v-if="source" :channel="channel.id" :device="device" :stand-in="source.instrument" />
    <ParameterFields
      v-if="controls.length && source"
      :owner="device!.name"
      :parameters="controls"
      :settings="source.settings ?? {}"
      :held-by="(parameter) => document.heldBy(channel.id, `instrument/${parameter}`)"
      @change="turn"
    />
    <PatchLine
      v-if="source"
      :channel="channel.id"
      :of="source.instrument"
      :settings="source.settings ?? {}"
      :now="source.patch"
    />
    <ParameterFields
      v-if="kind && source"
      :owner="kind.name"
      :parameters="kind.parameters"
      :settings="source.settings ?? {}"
      :held-by="(parameter) => document.heldBy(channel.id, `instrument/${parameter}`)"
      @change="turn"
    />
    <div v-if="source?.kit" class="line wraps">
      <span class="quiet">{{ source.kit.pieces.length }} pieces, {{ source.kit.outputs.length }} outputs</span>
      <KitFromFile :channel="channel" />
    </div>
    <div v-if="source?.kit" class="line">
      <span class="quiet">Take away</span>
      <a class="plain bare" :href="address('kit.csv')" download>as a table</a>
      <a class="plain bare" :href="address('kit.midnam')" download>as note names</a>
    </div>
    <PieceSounds v-if="source?.kit" :channel="channel" />
  </section>
</template>

<style scoped src="./player.css"></style>
