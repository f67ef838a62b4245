import type { Channel, Insert, OutsideDevice, Parameter } from '@/api/types'
import { controlsOf } from '@/devices/controls'
import { useCatalogue } from '@/state/catalogue'

/** What inserts are called, and the controls that they have. */
export function useInsertTitles() {
  const catalogue = useCatalogue()
  const kindOf = (insert: Insert) => catalogue.processors.get(insert.processor)
  const nameOf = (insert: Insert): string => insert.device?.name ?? kindOf(insert)?.name ?? insert.processor
  return {
    /** The second of a name on a channel is called so. */
    titleOf: (channel: Channel, insert: Insert): string => {
      const alike = channel.inserts.filter((i) => nameOf(i) === nameOf(insert))
      const place = alike.findIndex((i) => i.id === insert.id)
      return place > 0 ? `${nameOf(insert)} ${place + 1}` : nameOf(insert)
    },
    parametersOf: (insert: Insert): Parameter[] => [
      ...controlsOf(insert.device as OutsideDevice | null),
      ...(kindOf(insert)?.parameters ?? []),
    ],
  }
}
