<script setup lang="ts">
import { draftsOf } from './outputCalls'
import type { Edit, Kit } from '@/api/types'
import { useDocument } from '@/state/document'

/** What a kit can be given more of. */
const props = defineProps<{ channel: string; kit: Kit }>()
const emit = defineEmits<{ choose: [index: number] }>()
const document = useDocument()

const drafts = () => draftsOf(document.head!.id, props.channel)
const put = (edit: Edit) => document.edit([edit], props.channel)
const close = () => props.kit.pieces.reduce((sum, piece) => sum + piece.microphones.length, 0)

async function addPiece() {
  const index = close()
  const { piece } = await drafts()
  if (await put({ type: 'put-piece', channel: props.channel, piece })) emit('choose', index)
}

async function addFar() {
  const index = close() + (props.kit.far?.length ?? 0)
  const { far } = await drafts()
  if (await put({ type: 'put-far-microphone', channel: props.channel, microphone: far })) emit('choose', index)
}

async function addOutput() {
  const { output } = await drafts()
  await put({ type: 'put-kit-output', channel: props.channel, output })
}
</script>

<template>
  <p class="adds">
    <button type="button" class="plain" @click="addPiece">Add a piece</button>
    <button type="button" class="plain" @click="addFar">Add a far microphone</button>
    <button type="button" class="plain" @click="addOutput">Add an output</button>
  </p>
</template>

<style scoped>
.adds {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin: 10px 0 0;
}
</style>
