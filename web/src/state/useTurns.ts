import { useDocument } from './document'
import type { StageState } from '@/api/types'

/** Where a press takes a channel from where it stands. */
export const nextState: Record<StageState, StageState> = {
  'on-stage': 'behind-the-curtain',
  'behind-the-curtain': 'in-the-wings',
  'in-the-wings': 'on-stage',
}

/** What a press turns on by one step. Each step is taken from what is there when its turn comes, so that quick presses count. */
export function useTurns() {
  const document = useDocument()
  const now = (channel: string) => document.rows.get(channel)?.channel
  const about = (channels: string[]) => (channels.length === 1 ? channels[0] : undefined)

  /** All are muted, or where they are, sound again. */
  function mute(channels: string[]) {
    return document.edit(() => {
      const there = channels.filter((id) => now(id))
      const muted = !there.every((id) => now(id)!.muted)
      return there.map((channel) => ({ type: 'set-mute' as const, channel, muted }))
    }, about(channels))
  }

  /** On stage, behind the curtain, in the wings, and round again. */
  function stand(channel: string, act: string) {
    return document.edit(() => {
      const there = now(channel)
      return there ? [{ type: 'set-stage', channel, act, state: nextState[there.stages[act] ?? 'on-stage'] }] : []
    }, channel)
  }

  /**
   * Inserts are live in an act, or parked there.
   * @param live what they shall be; by itself the other of what they all are
   */
  function park(channel: string, inserts: string[], act: string, live?: boolean) {
    return document.edit(() => {
      const there = now(channel)?.inserts.filter((insert) => inserts.includes(insert.id)) ?? []
      const isLive = live ?? there.every((insert) => insert.parkedIn.includes(act))
      return there.map(({ id, parkedIn }) => {
        const others = parkedIn.filter((other) => other !== act)
        return { type: 'park-insert' as const, channel, insert: id, parkedIn: isLive ? others : [...others, act] }
      })
    }, channel)
  }

  /** An insert is off in every act, or as it stood before. */
  function switchOff(channel: string, insert: string) {
    return document.edit(() => {
      const there = now(channel)?.inserts.find(({ id }) => id === insert)
      return there ? [{ type: 'switch-insert', channel, insert, off: !there.off }] : []
    }, channel)
  }

  return { mute, stand, park, switchOff }
}
