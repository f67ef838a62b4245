import type { Part } from '@/api/types'

/** Hues from which families take theirs in turn; the lamp's amber and its neighbours are left out. */
const hues = [25, 0, 335, 310, 285, 260, 235, 210, 185, 160, 135, 115]

/** The family that a piece is drawn with: the second part of its path, or the first where there is no other. */
export function familyOf(piece: Part): string {
  const parts = piece.family.split('/').filter(Boolean)
  return parts[1] ?? parts[0] ?? ''
}

/** A hue for each family, in the order in which they stand. */
export function familyHues(pieces: Part[]): Map<string, number> {
  const families = [...new Set(pieces.map(familyOf))]
  return new Map(families.map((family, i) => [family, hues[i % hues.length]!]))
}

export const spoken = (family: string) => family.charAt(0).toUpperCase() + family.slice(1) || 'No family'
