import { plainWave } from '@/state/plainWave'

/** Where nothing may be compiled the decoder is never ready, and does not say so. */
const patienceMs = 15_000

const within = (ms: number, work: Promise<void>) =>
  Promise.race([work.then(() => true), new Promise<boolean>((resolve) => setTimeout(resolve, ms, false))])

export const isFlac = async (file: Blob) => (await file.slice(0, 4).text()) === 'fLaC'

/**
 * A FLAC file (RFC 9639) as a WAVE file of the same samples; those of up to 24 bits are kept to the bit.
 * The decoder comes when the first such file does.
 */
export async function flacAsWave(file: Blob): Promise<Blob> {
  const { FLACDecoder } = await import('@wasm-audio-decoders/flac')
  const decoder = new FLACDecoder()
  if (!(await within(patienceMs, decoder.ready))) throw new Error('This browser does not decode FLAC.')
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
