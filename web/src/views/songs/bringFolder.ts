import { api, asked, sentenceOf } from '@/api/client'
import type { BroughtIn, Media } from '@/api/types'
import type { PlacedFile } from '@/files/droppedFiles'
import { isSoundFile, sendSound } from '@/files/soundFiles'

const isMidi = (path: string) => /\.midi?$/i.test(path)

export interface BroughtFolder {
  id: string
  /** What could not be taken, in sentences. */
  refused: string[]
}

/**
 * A folder of a Standard MIDI File and sounds becomes a song.
 * @param tell what is done, in words
 */
export async function bringFolder(files: readonly PlacedFile[], tell: (words: string) => void): Promise<BroughtFolder> {
  const sorted = [...files].sort((a, b) => a.path.localeCompare(b.path, undefined, { numeric: true }))
  const [midi, ...others] = sorted.filter((f) => isMidi(f.path))
  const sounds = sorted.filter((f) => isSoundFile(f.path))
  const refused = others.map((f) => `${f.file.name}: a song has one MIDI file, and ${midi!.file.name} is it.`)
  const taken: { path: string; sound: Media }[] = []
  for (const [n, { file }] of sounds.entries()) {
    tell(`Taking ${file.name}, ${n + 1} of ${sounds.length}`)
    const title = encodeURIComponent(file.name.replace(/\.[^.]*$/, ''))
    try {
      taken.push({ path: file.name, sound: await sendSound<Media>(`/api/media/waiting?title=${title}`, file) })
    } catch (error) {
      refused.push(`${file.name}: ${sentenceOf(error)}`)
    }
  }
  tell('Laying the song out')
  const body = { name: nameOf(sorted, midi), midi: midi ? await base64(midi.file) : null, sounds: taken }
  const made = (await asked(api.POST('/api/songs/from-folder', { body }))) as BroughtIn
  return { id: made.id, refused }
}

/** The folder's, where there is one; else that of the MIDI file. */
function nameOf(files: readonly PlacedFile[], midi: PlacedFile | undefined): string {
  const [folder, ...rest] = files[0]?.path.split('/') ?? []
  return rest.length > 0 ? folder! : ((midi ?? files[0])?.file.name.replace(/\.[^.]*$/, '') ?? '')
}

async function base64(file: File): Promise<string> {
  const bytes = new Uint8Array(await file.arrayBuffer())
  let text = ''
  for (let at = 0; at < bytes.length; at += 8192) text += String.fromCharCode(...bytes.subarray(at, at + 8192))
  return btoa(text)
}
