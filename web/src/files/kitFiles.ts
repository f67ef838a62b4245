import { upload } from '@/api/client'
import type { PlacedFile } from './droppedFiles'
import { endingOf, isSoundFile, readable, soundsAccepted } from './soundFiles'

const sfz = 'sfz'

/** A table, note names, the hits of a MIDI file, an SFZ with its samples. */
const endings = ['csv', 'midnam', 'mid', 'midi', 'zip', sfz]

const isSfz = (path: string) => endingOf(path) === sfz
const isKit = (path: string) => endings.includes(endingOf(path))

/** What a file field for kits offers: with an SFZ, its samples as well. */
export const kitsAccepted = [
  ...endings.map((ending) => `.${ending}`),
  'text/csv',
  'audio/midi',
  'application/zip',
  soundsAccepted,
].join()

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
  const sampled = files
    .filter((f) => isSfz(f.path))
    .sort((a, b) => depth(a) - depth(b) || a.path.localeCompare(b.path))[0]
  if (sampled) return { kit: { path: sampled.path, parts: [...files] }, more: [], rest: [] }
  const kits = files.filter((f) => isKit(f.path))
  const rest = files.filter((f) => !isKit(f.path))
  return { kit: kits[0] && { path: kits[0].path, parts: [kits[0]] }, more: kits.slice(1), rest }
}

/** Files that go no way, each in words: kits after the first. */
export const kitsTooMany = (more: readonly PlacedFile[]) =>
  more.map(({ path }) => `${path}: one file of a kit is enough`)

/** All that was chosen beside a kit where nothing else is taken, in words. */
export const leftBeside = ({ more, rest }: { more: readonly PlacedFile[]; rest: readonly PlacedFile[] }) => [
  ...kitsTooMany(more),
  ...rest.map(({ path }) => `${path}: stands beside the kit, and is not part of it`),
]

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
