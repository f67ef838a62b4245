import { upload } from '@/api/client'
import { flacAsWave, isFlac } from './flac'

const endings = ['wav', 'wave', 'aif', 'aiff', 'aifc', 'flac']

/** What a file field for sounds offers. */
export const soundsAccepted = [...endings.map((e) => `.${e}`), 'audio/wav', 'audio/aiff', 'audio/flac'].join(',')

export const isSoundFile = (path: string) => endings.includes(/\.([^./\\]*)$/.exec(path)?.[1]?.toLowerCase() ?? '')

/** A sound as the server reads it. */
export async function readable(file: Blob): Promise<Blob> {
  return (await isFlac(file)) ? flacAsWave(file) : file
}

/** Sends a sound to an address that takes one. */
export const sendSound = async <T>(path: string, file: Blob) => upload<T>(path, await readable(file))
