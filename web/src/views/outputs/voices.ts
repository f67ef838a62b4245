import type { Piece } from '@/api/types'

/** The voices that stand-in kits can play, from the kick outwards. */
export const voices: Piece['sound'][] = [
  'kick',
  'deep-drum',
  'deep-drum-rim',
  'snare',
  'side-drum',
  'brushed-drum',
  'rim-click',
  'clap',
  'high-tom',
  'low-tom',
  'frame-drum-open',
  'frame-drum-slap',
  'closed-hat',
  'open-hat',
  'foot-hat',
  'ride',
  'crash',
  'shaker',
  'sand-block',
  'high-wood-block',
  'low-wood-block',
  'bell',
  'low-bell',
  'high-bell',
  'hand-bells',
  'bell-tree',
  'gong',
]

export const voiceName = (voice: string) => voice.replaceAll('-', ' ')
