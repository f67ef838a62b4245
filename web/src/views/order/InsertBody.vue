<script setup lang="ts">
import { computed } from 'vue'
import InsertNote from './InsertNote.vue'
import InsertStanding from './InsertStanding.vue'
import KeyFacts from './KeyFacts.vue'
import ParameterFields from './ParameterFields.vue'
import PatchLine from './PatchLine.vue'
import TriggerFacts from './TriggerFacts.vue'
import type { Channel, Edit, Insert, OutsideDevice } from '@/api/types'
import DeviceLine from '@/devices/DeviceLine.vue'
import { controlsOf } from '@/devices/controls'
import { useCatalogue } from '@/state/catalogue'
import { useDocument } from '@/state/document'

/** Everything that can be set on an insert. What is drawn elsewhere is not listed here. */
const props = defineProps<{ channel: Channel; insert: Insert; drawn?: boolean }>()
const document = useDocument()
const catalogue = useCatalogue()
const kind = computed(() => catalogue.processors.get(props.insert.processor))
const controls = computed(() => controlsOf(props.insert.device as OutsideDevice | null))
const about = computed(() => ({ channel: props.channel.id, insert: props.insert.id }))

function send(edit: Edit) {
  void document.edit([edit], props.channel.id)
}
</script>

<template>
  <div>
    <DeviceLine
      :channel="channel.id"
      :insert="insert.id"
      :device="(insert.device as OutsideDevice | null) ?? null"
      :stand-in="insert.processor"
    />
    <ParameterFields
      v-if="controls.length"
      :owner="insert.device!.name"
      :parameters="controls"
      :settings="insert.settings"
      :held-by="(parameter) => document.heldBy(channel.id, `insert/${insert.id}/${parameter}`)"
      @change="(parameter, value) => send({ type: 'set-parameter', ...about, parameter, value })"
    />
    <PatchLine :channel="channel.id" :insert="insert.id" :of="insert.processor" :settings="insert.settings" />
    <ParameterFields
      v-if="kind && !drawn"
      :owner="kind.name"
      :parameters="kind.parameters"
      :settings="insert.settings"
      :held-by="(parameter) => document.heldBy(channel.id, `insert/${insert.id}/${parameter}`)"
      @change="(parameter, value) => send({ type: 'set-parameter', ...about, parameter, value })"
    />
    <KeyFacts
      v-if="insert.device ? insert.device.key !== 'none' : kind?.hasKey"
      :channel="channel.id"
      :insert="insert"
    />
    <TriggerFacts v-if="kind?.hasTrigger" :channel="channel.id" :insert="insert" />
    <InsertStanding :channel="channel.id" :insert="insert" />
    <InsertNote :channel="channel.id" :insert="insert" />
  </div>
</template>
