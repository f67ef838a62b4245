import { computed } from 'vue'
import { renaming } from './renaming'
import type { ChannelRow, Edit } from '@/api/types'
import { useCatalogue } from '@/state/catalogue'
import { useDocument } from '@/state/document'

/** What can be done with all chosen channels at once; each is one batch and so one revision. */
export function useManyEdits() {
  const document = useDocument()
  const catalogue = useCatalogue()
  const rows = computed<ChannelRow[]>(() =>
    document.many.length ? document.many : document.selected ? [document.selected] : [],
  )
  const ids = computed(() => rows.value.map((r) => r.channel.id))
  const about = computed(() => (rows.value.length === 1 ? ids.value[0] : undefined))

  /** Makes an edit for each channel that it is of use for. */
  function each(make: (row: ChannelRow) => Edit | undefined) {
    return document.edit(
      rows.value.flatMap((row) => make(row) ?? []),
      about.value,
    )
  }

  async function busAround(name = 'New bus') {
    const made = await document.make([{ type: 'bus-around', channels: ids.value, bus: null, name }], about.value)
    if (made) nameNow(made[0]!)
  }

  /** What was made without a name is named where it stands. */
  function nameNow(id: string) {
    document.choose(id)
    renaming.value = id
  }

  /** What stands under a chosen bus, all the way down, comes along, unless the bus alone is wanted. */
  async function duplicate(alone = false) {
    const edit: Edit = { type: 'duplicate-channels', channels: ids.value, withFeeders: !alone }
    const made = await document.make([edit], about.value)
    if (!made) return
    document.choose(made[0])
    for (const id of made) document.chosen.add(id)
  }

  /** What hangs on another chosen channel, as a split on its kit, goes with it. */
  function remove() {
    const gone = new Set(ids.value)
    return each(({ channel }) => {
      const follows = channel.source?.type === 'output' && gone.has(channel.source.instrument as string)
      return catalogue.can(channel.kind).standsOnce || follows
        ? undefined
        : { type: 'remove-channel', channel: channel.id }
    })
  }

  function name(pattern: string, from: number) {
    return document.edit([{ type: 'name-channels', channels: ids.value, pattern, from }], about.value)
  }

  /** It keeps the name that it waited with. */
  async function takeSpare(under: ChannelRow) {
    const waiting = document.ordered.find((r) => r.channel.spare && r.channel.destination === under.channel.id)
    const edit: Edit = { type: 'take-spare', under: under.channel.id, name: null, act: document.act }
    if ((await document.edit([edit], under.channel.id)) && waiting) nameNow(waiting.channel.id)
  }

  return { rows, ids, each, busAround, duplicate, remove, name, takeSpare }
}
