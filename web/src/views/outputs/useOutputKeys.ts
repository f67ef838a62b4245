import type { Ref } from 'vue'
import type { useLineCheck } from './useLineCheck'
import type { useOutputs } from './useOutputs'
import type { Piece } from '@/api/types'
import { useDocument } from '@/state/document'

const stays: Record<string, Piece['stay']> = { a: 'alone', r: 'on-first', p: 'by-plan' }

/** The keys of the place: coarser and finer, what a piece shall do, firing, undo. */
export function useOutputKeys(about: {
  outputs: ReturnType<typeof useOutputs>
  check: ReturnType<typeof useLineCheck>
  channel: Ref<string | undefined>
  chosen: Ref<number | undefined>
}) {
  const document = useDocument()

  return (event: KeyboardEvent) => {
    const target = event.target as HTMLElement
    if (/^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName) || window.document.querySelector('[role=dialog]')) return
    const key = event.key.toLowerCase()
    if ((event.ctrlKey || event.metaKey) && key === 'z') {
      event.preventDefault()
      void (event.shiftKey ? document.redo() : document.undo())
    } else if (event.ctrlKey || event.metaKey || event.altKey) {
      return
    } else if (key === ',' || key === '.') {
      about.outputs.step(key === '.' ? 1 : -1)
    } else if (key === 'escape') {
      about.outputs.looked.value = undefined
    } else if (key === 'f') {
      void about.check.fireAll()
    } else if (stays[key]) {
      stay(stays[key])
    }
  }

  function stay(how: Piece['stay']) {
    const piece = about.chosen.value === undefined ? undefined : about.outputs.kit.value?.pieces[about.chosen.value]
    if (!piece || !about.channel.value) return
    void document.edit(
      [
        {
          type: 'set-piece-place',
          channel: about.channel.value,
          piece: piece.name,
          stay: how!,
          importance: piece.importance ?? 1,
        },
      ],
      about.channel.value,
    )
  }
}
