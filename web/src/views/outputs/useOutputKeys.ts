import type { Ref } from 'vue'
import { outputShortcuts } from './outputKeymap'
import type { useLineCheck } from './useLineCheck'
import type { useOutputs } from './useOutputs'
import type { Part } from '@/api/types'
import { useKeymap } from '@/parts/keymap'
import { useDocument } from '@/state/document'
import { useListening } from '@/state/listening'

/** What the place does by keys. */
export function useOutputKeys(about: {
  outputs: ReturnType<typeof useOutputs>
  check: ReturnType<typeof useLineCheck>
  channel: Ref<string | undefined>
  chosen: Ref<number | undefined>
  explaining: Ref<boolean>
  sendBy: (step: number) => void
}) {
  const document = useDocument()
  const listening = useListening()

  useKeymap(outputShortcuts, {
    'coarser': () => about.outputs.step(-1),
    'finer': () => about.outputs.step(1),
    'as-it-is': () => (about.outputs.looked.value = undefined),
    'alone': () => stay('alone'),
    'on-first': () => stay('on-first'),
    'by-plan': () => stay('by-plan'),
    'output-before': () => about.sendBy(-1),
    'output-after': () => about.sendBy(1),
    'fire': about.check.fireAll,
    'undo': document.undo,
    'redo': document.redo,
    'play': listening.play,
    'explain': () => (about.explaining.value = true),
  }) // prettier-ignore

  function stay(how: Part['microphone']['stay']) {
    const piece = about.chosen.value === undefined ? undefined : about.outputs.view.value?.parts[about.chosen.value]
    if (!piece || !about.channel.value) return
    void document.edit(
      [
        {
          type: 'set-piece-place',
          channel: about.channel.value,
          piece: piece.name,
          stay: how!,
          importance: piece.microphone.importance ?? 1,
        },
      ],
      about.channel.value,
    )
  }
}
