import { api, asked } from '@/api/client'
import type { Schemas } from '@/api/types'
import { cutWords } from '@/state/cutWords'
import { useDocument } from '@/state/document'
import { useJob } from '@/state/useJob'

/** Prints instruments of the open document by one render, and lays the prints down as one step. */
export function usePrinting() {
  const document = useDocument()
  const { run, ...job } = useJob('prints')

  /** @param about the channel beside which a refusal is said */
  function print(wish: Partial<Schemas['NewPrints']> & { channels: string[] }, about?: string) {
    const [head, act] = [document.head, document.act]
    if (!head) return Promise.resolve()
    const body = { document: head.id, act, tailSeconds: 4, playing: false, ...wish }
    return run(
      () => asked(api.POST('/api/prints', { body })),
      async (done) => {
        const path = { id: done.id }
        const { edits, silent, cut } = await asked(api.GET('/api/prints/{id}/edits', { params: { path } }))
        // Another document may be open by now.
        if (document.head?.id !== head.id) return 'Printed, but another document is open.'
        if (!(await document.edit(edits, about)))
          return document.refusal?.sentence ?? 'The prints could not be laid down.'
        const count = edits.filter((e) => e.type === 'put-starter').length
        return `${count} printed, as one step.${silent.length ? ` Silent: ${silent.join(', ')}.` : ''}${cutWords(cut, 'print in 32 bit, floating')}`
      },
    )
  }

  return { ...job, print }
}
