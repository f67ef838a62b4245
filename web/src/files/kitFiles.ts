import { upload } from '@/api/client'
import type { PlacedFile } from './droppedFiles'
import { isSoundFile, readable, soundsAccepted } from './soundFiles'

const isSfz = (path: string) => /\.sfz$/i.test(path)

/** A table, note names, the hits of a MIDI file, an SFZ with its samples. */
const isKit = (path: string) => isSfz(path) || /\.(csv|midnam|mid|midi|zip)$/i.test(path)

/** What a file field for kits offers: with an SFZ, its samples as well. */
export const kitsAccepted = `.csv,.midnam,.mid,.midi,.zip,.sfz,text/csv,audio/midi,application/zip,${soundsAccepted}`

/** What a file of a kit is, for people. */
export const kitsSaid =
  'a table (CSV), note names, the hits of a MIDI file, an SFZ with its samples or all that in a ZIP'

/** The file of a kit among others. */
export interface KitFound {
  /** The kit's own file. */
  path: string
  /** What it is made of: the file alone, or an SFZ with all that it may name. */
  parts: PlacedFile[]
}

/**
 * @returns the kit among what was brought, undefined for none; an SFZ takes everything with it, other kits after the first are `more`
 */
export function kitAmong(files: readonly PlacedFile[]): { kit?: KitFound; more: PlacedFile[]; rest: PlacedFile[] } {
  const sfz = files.filter((f) => isSfz(f.path)).sort((a, b) => depth(a) - depth(b) || a.path.localeCompare(b.path))[0]
  if (sfz) return { kit: { path: sfz.path, parts: [...files] }, more: [], rest: [] }
  const kits = files.filter((f) => isKit(f.path))
  const rest = files.filter((f) => !isKit(f.path))
  return { kit: kits[0] && { path: kits[0].path, parts: [kits[0]] }, more: kits.slice(1), rest }
}

const depth = ({ path }: PlacedFile) => path.split('/').length

/** Sends the file of a kit, or an SFZ and its samples as the parts of one form under their paths. */
export async function sendKit<T>(address: string, { path, parts }: KitFound): Promise<T> {
  if (!isSfz(path)) return upload<T>(address, parts[0]!.file)
  const form = new FormData()
  // A sound that cannot be decoded goes as it is: the server leaves it out by name, and the rest is a kit.
  for (const { path, file } of parts)
    form.append('file', isSoundFile(path) ? await readable(file).catch(() => file) : file, path)
  return upload<T>(address, form)
}
