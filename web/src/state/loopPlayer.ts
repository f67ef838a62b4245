import type { Arriving } from './soundStream'

const fadeSeconds = 0.012
const leadSeconds = 0.06
const leastPieceSeconds = 0.2

/** Plays one sound, in a loop or once, from the first second that has arrived; a new sound takes over at the same place. */
export class LoopPlayer {
  private context?: AudioContext
  private buffer?: AudioBuffer
  private source?: AudioBufferSourceNode
  private gain?: GainNode
  private startedAt = 0
  private offset = 0
  private pieces?: { gain: GainNode; nodes: AudioBufferSourceNode[]; scheduled: number; seconds: number }

  constructor(private readonly onEnded: () => void) {}

  /** Makes ready to sound within what the browser sees as the press of a key. */
  wake(rate: number) {
    if (this.context && this.context.sampleRate !== rate) {
      void this.context.close()
      this.context = undefined
    }
    this.context ??= new AudioContext({ sampleRate: rate })
    void this.context.resume()
  }

  /** Plays what has arrived of a sound, piece after piece, from its start. */
  playArriving(sound: Arriving) {
    this.wake(sound.rate)
    const context = this.context!
    this.pieces ??= this.beginPieces(sound)
    const { gain, nodes, scheduled } = this.pieces
    const fresh = sound.frames - scheduled
    const isLast = sound.frames === sound.left.length
    if (fresh === 0 || (!isLast && fresh < leastPieceSeconds * sound.rate)) return
    const piece = context.createBuffer(2, fresh, sound.rate)
    piece.copyToChannel(sound.left.subarray(scheduled, sound.frames), 0)
    piece.copyToChannel(sound.right.subarray(scheduled, sound.frames), 1)
    const node = new AudioBufferSourceNode(context, { buffer: piece })
    node.connect(gain)
    // The first piece sets the clock; one that comes too late starts where it should be by now.
    if (scheduled === 0) this.startedAt = context.currentTime + leadSeconds
    const at = this.startedAt + scheduled / sound.rate
    const late = Math.max(0, context.currentTime - at)
    if (late < piece.duration) node.start(at + late, late)
    nodes.push(node)
    this.pieces.scheduled = sound.frames
  }

  /** Takes a whole sound; if something plays, it goes on with the new sound from where it is. */
  take(sound: Arriving, loop: boolean) {
    this.wake(sound.rate)
    const next = this.context!.createBuffer(2, sound.left.length, sound.rate)
    next.copyToChannel(sound.left, 0)
    next.copyToChannel(sound.right, 1)
    const place = this.position()
    const sounding = this.source !== undefined || this.pieces !== undefined
    const sameLength = this.pieces !== undefined || this.buffer?.length === next.length
    this.dropPieces()
    this.buffer = next
    if (sounding) this.run(sameLength ? (place ?? 0) * next.duration : 0, loop)
    else if (!sameLength) this.offset = 0
  }

  start(loop: boolean): boolean {
    if (!this.context || !this.buffer) return false
    void this.context.resume()
    this.run(this.offset, loop)
    return true
  }

  stop() {
    const place = this.position()
    if (place !== undefined && this.buffer) this.offset = place * this.buffer.duration
    this.dropPieces()
    this.fadeOut()
  }

  /** @param share of the whole, in [0, 1] */
  seek(share: number, loop: boolean, sounding: boolean) {
    if (!this.buffer) return
    this.offset = share * this.buffer.duration
    if (sounding) this.run(this.offset, loop)
  }

  setLoop(on: boolean) {
    if (this.source) this.source.loop = on
  }

  /** @returns the share of the whole that is being heard, in [0, 1); undefined without a sound */
  position(): number | undefined {
    if (!this.context) return undefined
    if (this.pieces) return Math.max(0, (this.context.currentTime - this.startedAt) / this.pieces.seconds) % 1
    if (!this.buffer) return undefined
    if (!this.source) return this.offset / this.buffer.duration
    return ((this.context.currentTime - this.startedAt) % this.buffer.duration) / this.buffer.duration
  }

  private beginPieces(sound: Arriving) {
    this.fadeOut()
    const gain = new GainNode(this.context!)
    gain.connect(this.context!.destination)
    return { gain, nodes: [], scheduled: 0, seconds: sound.left.length / sound.rate }
  }

  private dropPieces() {
    const { pieces, context } = this
    this.pieces = undefined
    if (!pieces || !context) return
    this.fade(pieces.gain)
    for (const node of pieces.nodes) node.stop(context.currentTime + 2 * fadeSeconds)
  }

  private run(offset: number, loop: boolean) {
    const context = this.context!
    this.fadeOut()
    this.source = new AudioBufferSourceNode(context, { buffer: this.buffer!, loop })
    this.gain = new GainNode(context, { gain: 0 })
    this.gain.gain.linearRampToValueAtTime(1, context.currentTime + fadeSeconds)
    this.source.connect(this.gain).connect(context.destination)
    this.source.start(0, offset)
    this.startedAt = context.currentTime - offset
    const mine = this.source
    mine.onended = () => {
      if (this.source !== mine) return
      this.source = undefined
      this.offset = 0
      this.onEnded()
    }
  }

  private fadeOut() {
    const { context, source, gain } = this
    this.source = undefined
    if (!context || !source || !gain) return
    this.fade(gain)
    source.stop(context.currentTime + 2 * fadeSeconds)
  }

  private fade(gain: GainNode) {
    const now = this.context!.currentTime
    gain.gain.setValueAtTime(1, now)
    gain.gain.linearRampToValueAtTime(0, now + fadeSeconds)
  }
}
