<script setup lang="ts">
import type { Edit, Kit } from '@/api/types'
import { useDocument } from '@/state/document'

/** What a kit can be given more of. */
const props = defineProps<{ channel: string; kit: Kit }>()
const emit = defineEmits<{ choose: [index: number] }>()
const document = useDocument()
const lowestNote = 36
const notes = 128

function put(edit: Edit) {
  return document.edit([edit], props.channel)
}

/** The name with the first number that nothing has yet. */
function fresh(stem: string) {
  const taken = new Set([
    ...props.kit.pieces.map((p) => p.name),
    ...(props.kit.far ?? []).map((f) => f.microphone.name),
    ...props.kit.outputs.map((o) => o.name),
  ])
  for (let n = 1; ; n++) if (!taken.has(`${stem} ${n}`)) return `${stem} ${n}`
}

const close = () => props.kit.pieces.reduce((sum, piece) => sum + piece.microphones.length, 0)

async function addPiece() {
  const taken = new Set(props.kit.pieces.map((p) => p.note))
  const note = Array.from({ length: notes }, (_, i) => (lowestNote + i) % notes).find((n) => !taken.has(n)) ?? 0
  const index = close()
  const piece = {
    name: fresh('Piece'),
    note,
    family: '',
    sound: 'rim-click',
    microphones: [{ name: '', output: 1, pan: 0 }],
  } as const
  if (
    await put({ type: 'put-piece', channel: props.channel, piece: { ...piece, microphones: [...piece.microphones] } })
  )
    emit('choose', index)
}

async function addFar() {
  const index = close() + (props.kit.far?.length ?? 0)
  const microphone = { name: fresh('Room'), output: 1, pan: 0, format: 'stereo' } as const
  const far = { family: 'drums/rooms', place: 'hall', microphone } as const
  if (await put({ type: 'put-far-microphone', channel: props.channel, microphone: far })) emit('choose', index)
}

function addOutput() {
  const format = props.kit.outputs.some((o) => o.format === 'stereo') ? 'stereo' : 'mono'
  return put({ type: 'put-kit-output', channel: props.channel, output: { name: fresh('Output'), format } })
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
