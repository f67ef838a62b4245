import { defineStore } from 'pinia'
import { ref } from 'vue'
import { api, asked } from '@/api/client'
import type { ChannelRow, Edit, Schemas } from '@/api/types'
import { useCatalogue } from '@/state/catalogue'
import { useDocument } from '@/state/document'
import { useNewest } from '@/state/useNewest'

export type CopiedPart = 'inserts' | 'sends' | 'level' | 'pan'

/** What of a channel was copied; it goes on channels of this document and of others. */
export const useCopied = defineStore('copied', () => {
  const document = useDocument()
  const catalogue = useCatalogue()
  const newest = useNewest<Schemas['CopiedStrip']>()
  const strip = newest.answer
  /** Whether it is being asked which parts are put down. */
  const asking = ref(false)
  const parts = ref(new Set<CopiedPart>(['inserts', 'sends']))

  async function take({ channel }: ChannelRow) {
    if (!document.head) return
    const ask = { params: { path: { id: document.head.id, channel: channel.id } } }
    await newest.ask(() => asked(api.GET('/api/documents/{id}/channels/{channel}/strip', ask)))
  }

  /** Whoever puts it down faster than it was read is kept waiting, and gets no older one. */
  async function ask() {
    asking.value = (await newest.settled()) !== undefined
  }

  /** On every channel that can have it, as one batch. */
  function put(rows: readonly ChannelRow[]): Promise<boolean> {
    const { strip: laid, level, pan } = strip.value!
    const on = rows.filter((r) => catalogue.can(r.channel.kind).sounds)
    const said = {
      inserts: parts.value.has('inserts') ? laid.inserts : null,
      chains: parts.value.has('inserts') ? laid.chains : [],
      sends: parts.value.has('sends') ? laid.sends : null,
    }
    const edits: Edit[] =
      said.inserts || said.sends ? [{ type: 'lay-strip', channels: on.map((r) => r.channel.id), strip: said }] : []
    for (const { channel } of on) {
      if (parts.value.has('level')) edits.push({ type: 'set-level', channel: channel.id, level })
      if (parts.value.has('pan')) edits.push({ type: 'set-pan', channel: channel.id, pan })
    }
    return document.edit(edits, rows.length === 1 ? rows[0]!.channel.id : undefined)
  }

  return { strip, asking, parts, trouble: newest.trouble, take, ask, put }
})
