import type { Channel, Edit } from '@/api/types'
import { keepRender, renderWhole } from '@/state/renderCalls'

/**
 * Renders an instrument over the whole timeline.
 * @returns the edit that lays it down on the channel that takes its print
 */
export async function printOf(document: string, act: string, channel: Channel, twin: Channel): Promise<Edit> {
  const tap = twin.source?.type === 'internal' ? twin.source.tap : 'post'
  const { job } = await renderWhole({
    document, act, listenTo: channel.id, section: null,
    point: tap === 'pre' ? 'before-fader' : 'after-fader', insert: null, metersInFull: false,
  }) // prettier-ignore
  const sound = await keepRender(job.id, `Print of ${channel.name}`.slice(0, 80))
  const starter = { name: 'Print', sound, loops: false, level: 0, sections: [], through: true }
  return { type: 'put-starter', channel: twin.id, starter }
}
