import type { Ref } from 'vue'
import type { Kit, OutputsView, Part } from '@/api/types'

/** Sends the chosen piece to a neighbouring output, step by step. */
export function useSendingByKeys(about: {
  chosen: Ref<number | undefined>
  view: Ref<OutputsView | undefined>
  kit: Ref<Kit | undefined>
  sendTo: (piece: string, output: number) => Promise<boolean>
}) {
  /** What is under way by keys, which are faster than answers. */
  let underWay = { name: '', output: 0, edits: 0 }

  /** The chosen piece leaves by a neighbouring output. */
  async function sendBy(step: number) {
    const part = about.chosen.value === undefined ? undefined : about.view.value?.parts[about.chosen.value]
    if (!part) return
    const at = underWay.edits && underWay.name === part.name ? underWay.output : outputOf(part)
    const output = at + step
    if (!about.view.value!.now.some((line) => line.number === output)) return
    underWay = { name: part.name, output, edits: underWay.edits + 1 }
    await about.sendTo(part.name, output)
    underWay.edits -= 1
  }

  /** As the document has it now; the view of all outputs follows behind. */
  function outputOf(part: Part) {
    const close = about.kit.value?.pieces.find((p) => p.name === part.piece)?.microphones
    const microphones = close ?? about.kit.value?.far?.map((f) => f.microphone) ?? []
    return (microphones.find((m) => m.name === part.microphone.name) ?? part.microphone).output
  }

  return sendBy
}
