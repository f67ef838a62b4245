import { computed } from 'vue'
import { draftsOf } from './outputCalls'
import type { Edit, Kit, Microphone, Part, Piece } from '@/api/types'
import { useDocument } from '@/state/document'

/** What can be changed of one piece or microphone of a kit. */
export function usePieceEdits(about: { channel: string; kit: Kit; piece: Part }) {
  const document = useDocument()
  const piece = computed(() => about.kit.pieces.find((p) => p.name === about.piece.piece))
  const far = computed(() => about.kit.far?.find((f) => f.microphone.name === about.piece.name))

  function send(edit: Edit) {
    return document.edit([edit], about.channel)
  }

  /** What is true of the piece, whichever of its microphones is chosen. */
  function put(change: Partial<Piece>) {
    if (!piece.value) return
    return send({
      type: 'put-piece',
      channel: about.channel,
      piece: { ...piece.value, ...change },
      inPlaceOf: piece.value.name,
    })
  }

  function putMicrophone(change: Partial<Microphone>) {
    const microphone = { ...about.piece.microphone, ...change }
    if (piece.value)
      return put({
        microphones: piece.value.microphones.map((m) => (m.name === about.piece.microphone.name ? microphone : m)),
      })
    if (far.value)
      return send({
        type: 'put-far-microphone',
        channel: about.channel,
        microphone: { ...far.value, microphone },
        inPlaceOf: far.value.microphone.name,
      })
  }

  function rename(name: string) {
    return piece.value ? put({ name }) : putMicrophone({ name })
  }

  function putFamily(family: string) {
    if (piece.value) return put({ family })
    if (far.value)
      return send({
        type: 'put-far-microphone',
        channel: about.channel,
        microphone: { ...far.value, family },
        inPlaceOf: far.value.microphone.name,
      })
  }

  async function addMicrophone() {
    const more = piece.value && (await draftsOf(document.head!.id, about.channel)).more[piece.value.name]
    if (more) await put(more)
  }

  async function removeMicrophone() {
    const fewer = (await draftsOf(document.head!.id, about.channel)).fewer[about.piece.name]
    if (fewer) await put(fewer)
  }

  const remove = () =>
    send({
      type: 'remove-pieces',
      channel: about.channel,
      names: [piece.value?.name ?? about.piece.name],
    })

  const sendTo = (output: number) =>
    send({ type: 'send-to-output', channel: about.channel, lines: [about.piece.name], output })

  /** What the plan may do with it, and how much it matters. */
  const place = (stay: NonNullable<Microphone['stay']>, importance: number) =>
    send({ type: 'set-piece-place', channel: about.channel, piece: about.piece.name, stay, importance })

  return { piece, far, place, put, putMicrophone, rename, putFamily, addMicrophone, removeMicrophone, remove, sendTo }
}
