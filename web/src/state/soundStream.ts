/** What a render has sent so far. */
export interface Arriving {
  left: Float32Array<ArrayBuffer>
  right: Float32Array<ArrayBuffer>
  rate: number
  /** How many frames are there, from the start. */
  frames: number
}

const bytesAFrame = 8

/** Reads the samples of a render while it goes on: left and right in turn, 32-bit floating point.
 * @param onMore told whenever there is more
 * @returns all of it, or undefined where the render ended without */
export async function readSound(id: string, onMore: (sound: Arriving) => void): Promise<Arriving | undefined> {
  const answer = await fetch(`/api/renders/${id}/stream`)
  const whole = Number(answer.headers.get('Sound-Frames'))
  if (!answer.ok || !answer.body || !whole) return undefined
  const sound: Arriving = {
    left: new Float32Array(whole),
    right: new Float32Array(whole),
    rate: Number(answer.headers.get('Sound-Rate')),
    frames: 0,
  }
  const reader = answer.body.getReader()
  let rest = new Uint8Array(0)
  for (;;) {
    const { done, value } = await reader.read()
    if (done) return sound.frames === whole ? sound : undefined
    // A frame may come in two pieces.
    const bytes = new Uint8Array(rest.length + value.length)
    bytes.set(rest)
    bytes.set(value, rest.length)
    const frames = Math.floor(bytes.length / bytesAFrame)
    const view = new DataView(bytes.buffer)
    for (let i = 0; i < frames; i++) {
      sound.left[sound.frames + i] = view.getFloat32(i * bytesAFrame, true)
      sound.right[sound.frames + i] = view.getFloat32(i * bytesAFrame + 4, true)
    }
    sound.frames += frames
    rest = bytes.slice(frames * bytesAFrame)
    onMore(sound)
  }
}
