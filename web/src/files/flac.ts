import { plainWave } from '@/state/plainWave'

export const isFlac = async (file: Blob) => (await file.slice(0, 4).text()) === 'fLaC'

/**
 * A FLAC file (RFC 9639) as a WAVE file of the same samples; those of up to 24 bits are kept to the bit.
 * The decoder comes when the first such file does.
 */
export async function flacAsWave(file: Blob): Promise<Blob> {
  const { FLACDecoder } = await import('@wasm-audio-decoders/flac')
  const decoder = new FLACDecoder()
  await decoder.ready
  try {
    const { channelData, samplesDecoded, sampleRate, bitDepth, errors } = await decoder.decodeFile(
      new Uint8Array(await file.arrayBuffer()),
    )
    if (errors.length || samplesDecoded === 0) throw new Error('This FLAC file is damaged.')
    return new Blob([
      plainWave(
        channelData.map((lane) => asStored(lane, bitDepth)),
        sampleRate,
      ),
    ])
  } finally {
    decoder.free()
  }
}

/** The decoder makes the largest positive number 1; here full scale is that of the negative ones, as everywhere with integers. */
function asStored(lane: Float32Array, bits: number) {
  const full = 2 ** (bits - 1)
  return lane.map((sample) => Math.round(sample * (full - 1)) / full)
}
