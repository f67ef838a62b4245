import { upload } from '@/api/client'
import { flacAsWave, isFlac } from './flac'

const endings = ['wav', 'wave', 'aif', 'aiff', 'aifc', 'flac']

/** What a file field for sounds offers. */
export const soundsAccepted = [...endings.map((e) => `.${e}`), 'audio/wav', 'audio/aiff', 'audio/flac'].join(',')

/** What stands behind the last point of a file's name, in small letters; empty for none. */
export const endingOf = (path: string) => /\.([^./\\]*)$/.exec(path)?.[1]?.toLowerCase() ?? ''

export const isSoundFile = (path: string) => endings.includes(endingOf(path))

/** A sound as the server reads it. */
export async function readable(file: Blob): Promise<Blob> {
  return (await isFlac(file)) ? flacAsWave(file) : file
}

/** Sends a sound to an address that takes one. */
export const sendSound = async <T>(path: string, file: Blob) => upload<T>(path, await readable(file))
