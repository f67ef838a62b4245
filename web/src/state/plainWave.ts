/** @returns a WAVE file of 32-bit floating point, as the RIFF/WAVE specification has it; all lanes of one length */
export function plainWave(lanes: readonly Float32Array[], rate: number): ArrayBuffer {
  const frames = lanes[0]?.length ?? 0
  const bytes = 4 * lanes.length * frames
  const file = new DataView(new ArrayBuffer(44 + bytes))
  const text = (at: number, word: string) => [...word].forEach((c, i) => file.setUint8(at + i, c.charCodeAt(0)))
  text(0, 'RIFF')
  file.setUint32(4, 36 + bytes, true)
  text(8, 'WAVEfmt ')
  file.setUint32(16, 16, true)
  file.setUint16(20, 3, true)
  file.setUint16(22, lanes.length, true)
  file.setUint32(24, rate, true)
  file.setUint32(28, 4 * rate * lanes.length, true)
  file.setUint16(32, 4 * lanes.length, true)
  file.setUint16(34, 32, true)
  text(36, 'data')
  file.setUint32(40, bytes, true)
  for (let frame = 0; frame < frames; frame++)
    lanes.forEach((lane, l) => file.setFloat32(44 + 4 * (frame * lanes.length + l), lane[frame]!, true))
  return file.buffer
}
